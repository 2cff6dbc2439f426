import { Module } from '@nestjs/common';
import { ClimateModule } from '../climate/climate.module.ts';
import { FlowModule } from '../flow/flow.module.ts';
import { OrdersModule } from '../orders/orders.module.ts';
import { RoutingModule } from '../routing/routing.module.ts';
import { SetupModule } from '../setup/setup.module.ts';
import { TimberModule } from '../timber/timber.module.ts';
import { CalendarController } from './calendar.controller.ts';
import { MorningController } from './morning.controller.ts';
import { MorningService } from './morning.service.ts';

@Module({
  imports: [ClimateModule, FlowModule, OrdersModule, RoutingModule, SetupModule, TimberModule],
  controllers: [MorningController, CalendarController],
  providers: [MorningService],
})
export class MorningModule {}
