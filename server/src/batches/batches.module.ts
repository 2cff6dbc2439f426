import { Module } from '@nestjs/common';
import { ClimateModule } from '../climate/climate.module.ts';
import { FactoryModule } from '../factory/factory.module.ts';
import { LogbookModule } from '../logbook/logbook.module.ts';
import { BatchesController } from './batches.controller.ts';
import { BatchesEvidence } from './batches.evidence.ts';
import { BatchLists } from './batches.lists.ts';
import { BatchesQueries } from './batches.queries.ts';
import { HeldService } from './held.service.ts';
import { MachineStarts } from './machineStarts.ts';
import { MovesController } from './moves.controller.ts';

@Module({
  imports: [ClimateModule, LogbookModule, FactoryModule],
  controllers: [BatchesController, MovesController],
  providers: [BatchesEvidence, HeldService, BatchLists, BatchesQueries, MachineStarts],
  exports: [BatchLists],
})
export class BatchesModule {}
