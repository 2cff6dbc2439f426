import { Module } from '@nestjs/common';
import { BatchesModule } from '../batches/batches.module.ts';
import { LogbookModule } from '../logbook/logbook.module.ts';
import { OrdersModule } from '../orders/orders.module.ts';
import { FactoryModule } from '../factory/factory.module.ts';
import { ClassesService } from './classes.service.ts';
import { FlowController } from './flow.controller.ts';
import { FlowService } from './flow.service.ts';
import { MonthsService } from './months.service.ts';
import { PoliciesService } from './policies.service.ts';
import { PlacesChanges } from './placesChanges.ts';

@Module({
  imports: [FactoryModule, LogbookModule, BatchesModule, OrdersModule],
  controllers: [FlowController],
  providers: [ClassesService, FlowService, MonthsService, PoliciesService, PlacesChanges],
  exports: [ClassesService, FlowService],
})
export class FlowModule {}
