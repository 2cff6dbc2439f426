import { Module } from '@nestjs/common';
import { ClimateService } from './climate.service.ts';

@Module({
  providers: [ClimateService],
  exports: [ClimateService],
})
export class ClimateModule {}
