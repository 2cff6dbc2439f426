import { Module } from '@nestjs/common';
import { LogbookModule } from '../logbook/logbook.module.ts';
import { RoutingModule } from '../routing/routing.module.ts';
import { SetupModule } from '../setup/setup.module.ts';
import { FittingController } from './fitting.controller.ts';
import { FittingService } from './fitting.service.ts';
import { RecordsService } from './records.service.ts';

@Module({
  imports: [LogbookModule, RoutingModule, SetupModule],
  controllers: [FittingController],
  providers: [FittingService, RecordsService],
})
export class FittingModule {}
