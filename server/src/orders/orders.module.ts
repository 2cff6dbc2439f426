import { Module } from '@nestjs/common';
import { LogbookModule } from '../logbook/logbook.module.ts';
import { SetupModule } from '../setup/setup.module.ts';
import { OrdersController } from './orders.controller.ts';
import { OrdersService } from './orders.ts';

@Module({
  imports: [LogbookModule, SetupModule],
  controllers: [OrdersController],
  providers: [OrdersService],
  exports: [OrdersService],
})
export class OrdersModule {}
