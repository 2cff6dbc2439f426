import { Module } from '@nestjs/common';
import { LogbookModule } from '../logbook/logbook.module.ts';
import { BatchesModule } from '../batches/batches.module.ts';
import { FactoryModule } from '../factory/factory.module.ts';
import { FittingController } from './fitting.controller.ts';
import { FittingEvidence } from './fitting.evidence.ts';
import { FittingService } from './fitting.service.ts';

@Module({
  imports: [LogbookModule, BatchesModule, FactoryModule],
  controllers: [FittingController],
  providers: [FittingService, FittingEvidence],
})
export class FittingModule {}
