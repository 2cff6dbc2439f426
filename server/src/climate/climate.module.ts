import { Module } from '@nestjs/common';
import { LogbookModule } from '../logbook/logbook.module.ts';
import { ClimateEvidence } from './climate.evidence.ts';
import { ClimateService } from './climate.service.ts';

@Module({
  imports: [LogbookModule],
  providers: [ClimateService, ClimateEvidence],
  exports: [ClimateService],
})
export class ClimateModule {}
