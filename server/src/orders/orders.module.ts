import { Module } from '@nestjs/common';
import { BatchesModule } from '../batches/batches.module.ts';
import { LogbookModule } from '../logbook/logbook.module.ts';
import { FactoryModule } from '../factory/factory.module.ts';
import { OrdersController } from './orders.controller.ts';
import { MakeNextService } from './makeNext.service.ts';
import { OrdersService } from './orders.ts';

@Module({
  imports: [LogbookModule, FactoryModule, BatchesModule],
  controllers: [OrdersController],
  providers: [OrdersService, MakeNextService],
  exports: [OrdersService, MakeNextService],
})
export class OrdersModule {}
