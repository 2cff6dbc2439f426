import { Module } from '@nestjs/common';
import { ClimateModule } from '../climate/climate.module.ts';
import { LogbookModule } from '../logbook/logbook.module.ts';
import { SetupModule } from '../setup/setup.module.ts';
import { BatchesController } from './batches.controller.ts';
import { BatchesQueries } from './batches.queries.ts';
import { BatchesService } from './batches.service.ts';
import { MovementController } from './movement.controller.ts';
import { MovementService } from './movement.service.ts';
import { CarriersController, CarriersQueries } from './carriers.ts';
import { StationsController, StationsQueries } from './stations.ts';
import { RoutesController } from './routes.controller.ts';
import { RoutesService } from './routes.service.ts';
import { EvidenceService } from './evidence.service.ts';

@Module({
  imports: [ClimateModule, LogbookModule, SetupModule],
  controllers: [BatchesController, MovementController, CarriersController, RoutesController, StationsController],
  providers: [CarriersQueries, StationsQueries, RoutesService, BatchesService, MovementService, BatchesQueries, EvidenceService],
  exports: [BatchesQueries],
})
export class RoutingModule {}
