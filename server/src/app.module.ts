import { Module, type DynamicModule } from '@nestjs/common';
import { ScheduleModule } from '@nestjs/schedule';
import { ServeStaticModule } from '@nestjs/serve-static';
import { TypeOrmModule } from '@nestjs/typeorm';
import { applicationOptions } from './database.ts';
import { DemoModule } from './demo/demo.module.ts';
import { AssemblyModule } from './assembly/assembly.module.ts';
import { BatchesModule } from './batches/batches.module.ts';
import { CarriersModule } from './carriers/carriers.module.ts';
import { DevicesModule } from './devices/devices.module.ts';
import { DispatchModule } from './dispatch/dispatch.module.ts';
import { FinishingModule } from './finishing/finishing.module.ts';
import { FittingModule } from './fitting/fitting.module.ts';
import { FlowModule } from './flow/flow.module.ts';
import { MachiningModule } from './machining/machining.module.ts';
import { MorningModule } from './morning/morning.module.ts';
import { OrdersModule } from './orders/orders.module.ts';
import { PlatformModule } from './platform/platform.module.ts';
import { QualityModule } from './quality/quality.module.ts';
import { RecordsModule } from './records/records.module.ts';
import { RigsModule } from './rigs/rigs.module.ts';
import { RoutingModule } from './routing/routing.module.ts';
import { FactoryModule } from './factory/factory.module.ts';
import { StationsModule } from './stations/stations.module.ts';
import { TablesModule } from './tables.ts';
import { TimberModule } from './timber/timber.module.ts';

/** From the roof down; a room uses those below it. */
const ROOMS = [
  MorningModule,
  FlowModule,
  RecordsModule,
  DispatchModule,
  AssemblyModule,
  FittingModule,
  MachiningModule,
  RigsModule,
  OrdersModule,
  FinishingModule,
  QualityModule,
  RoutingModule,
  StationsModule,
  CarriersModule,
  DevicesModule,
  BatchesModule,
  TimberModule,
  FactoryModule,
  DemoModule,
];

@Module({})
export class AppModule {
  /** @param webRoot where the built web lies; without it only the API is served */
  static create(webRoot?: string): DynamicModule {
    return {
      module: AppModule,
      imports: [
        TypeOrmModule.forRootAsync({ useFactory: () => ({ ...applicationOptions(), retryAttempts: 3 }) }),
        ScheduleModule.forRoot(),
        PlatformModule,
        TablesModule,
        ...ROOMS,
        ...(webRoot === undefined
          ? []
          : [
              ServeStaticModule.forRoot({
                rootPath: webRoot,
                exclude: ['/api/{*rest}'],
                serveStaticOptions: {
                  setHeaders: (response: { setHeader(name: string, value: string): void }, path: string) =>
                    response.setHeader('Cache-Control', path.includes('/assets/') ? 'public, max-age=31536000, immutable' : 'no-cache'),
                },
              }),
            ]),
      ],
    };
  }
}
