import { Module } from '@nestjs/common';
import { ClimateModule } from '../climate/climate.module.ts';
import { FlowModule } from '../flow/flow.module.ts';
import { OrdersModule } from '../orders/orders.module.ts';
import { BatchesModule } from '../batches/batches.module.ts';
import { DevicesModule } from '../devices/devices.module.ts';
import { FactoryModule } from '../factory/factory.module.ts';
import { MachiningModule } from '../machining/machining.module.ts';
import { QualityModule } from '../quality/quality.module.ts';
import { TimberModule } from '../timber/timber.module.ts';
import { CalendarController } from './calendar.controller.ts';
import { FindService } from './find.service.ts';
import { MorningController } from './morning.controller.ts';
import { MorningService } from './morning.service.ts';

@Module({
  imports: [
    ClimateModule,
    DevicesModule,
    FlowModule,
    OrdersModule,
    BatchesModule,
    FactoryModule,
    MachiningModule,
    QualityModule,
    TimberModule,
  ],
  controllers: [MorningController, CalendarController],
  providers: [MorningService, FindService],
})
export class MorningModule {}
