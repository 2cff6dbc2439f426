import { Module } from '@nestjs/common';
import { ClimateModule } from '../climate/climate.module.ts';
import { LogbookModule } from '../logbook/logbook.module.ts';
import { DemoController } from './demo.controller.ts';
import { DemoService } from './demo.service.ts';

@Module({
  imports: [ClimateModule, LogbookModule],
  controllers: [DemoController],
  providers: [DemoService],
})
export class DemoModule {}
