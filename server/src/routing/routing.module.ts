import { Module } from '@nestjs/common';
import { ClimateModule } from '../climate/climate.module.ts';
import { LogbookModule } from '../logbook/logbook.module.ts';
import { SetupModule } from '../setup/setup.module.ts';
import { BatchesController } from './batches.controller.ts';
import { BatchesQueries } from './batches.queries.ts';
import { BatchesService } from './batches.service.ts';
import { EvidenceService } from './evidence.service.ts';

@Module({
  imports: [ClimateModule, LogbookModule, SetupModule],
  controllers: [BatchesController],
  providers: [BatchesService, BatchesQueries, EvidenceService],
  exports: [BatchesQueries],
})
export class RoutingModule {}
