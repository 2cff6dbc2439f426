import { Module, type DynamicModule } from '@nestjs/common';
import { APP_FILTER, APP_GUARD } from '@nestjs/core';
import { ServeStaticModule } from '@nestjs/serve-static';
import { TypeOrmModule } from '@nestjs/typeorm';
import { ClimateService } from './climate/climate.service.ts';
import { applicationOptions } from './database.ts';
import { DemoController } from './demo/demo.controller.ts';
import { DemoService } from './demo/demo.service.ts';
import { FittingController } from './fitting/fitting.controller.ts';
import { FittingService } from './fitting/fitting.service.ts';
import { RecordsService } from './fitting/records.service.ts';
import { FlowController } from './flow/flow.controller.ts';
import { FlowService } from './flow/flow.service.ts';
import { LogbookService } from './logbook/logbook.service.ts';
import { CalendarController } from './morning/calendar.controller.ts';
import { MorningController } from './morning/morning.controller.ts';
import { MorningService } from './morning/morning.service.ts';
import { OrdersController } from './orders/orders.controller.ts';
import { OrdersService } from './orders/orders.ts';
import { Clock, FactoryClock } from './platform/clock/clock.ts';
import { EventsController } from './platform/events/events.controller.ts';
import { EventsService } from './platform/events/events.service.ts';
import { HealthController } from './platform/health/health.controller.ts';
import { IdentityGuard } from './platform/identity/identity.guard.ts';
import { IdentityService } from './platform/identity/identity.service.ts';
import { SessionController } from './platform/identity/session.controller.ts';
import { ProblemFilter } from './platform/problems/problem.filter.ts';
import { SettingsService } from './platform/settings/settings.service.ts';
import { BatchesController } from './routing/batches.controller.ts';
import { BatchesQueries } from './routing/batches.queries.ts';
import { BatchesService } from './routing/batches.service.ts';
import { EvidenceService } from './routing/evidence.service.ts';
import { SetupController } from './setup/setup.controller.ts';
import { SetupService } from './setup/setup.service.ts';
import { ShopService } from './setup/shop.service.ts';
import { LotsController } from './timber/lots.controller.ts';
import { LotsService } from './timber/lots.service.ts';

const controllers = [
  HealthController,
  SessionController,
  EventsController,
  MorningController,
  CalendarController,
  LotsController,
  OrdersController,
  BatchesController,
  FittingController,
  FlowController,
  SetupController,
  DemoController,
];

@Module({
  controllers,
  providers: [
    { provide: APP_GUARD, useClass: IdentityGuard },
    { provide: APP_FILTER, useClass: ProblemFilter },
    { provide: Clock, useClass: FactoryClock },
    IdentityService,
    SettingsService,
    EventsService,
    LogbookService,
    ShopService,
    ClimateService,
    EvidenceService,
    BatchesService,
    BatchesQueries,
    LotsService,
    OrdersService,
    FittingService,
    RecordsService,
    FlowService,
    MorningService,
    SetupService,
    DemoService,
  ],
})
export class AppModule {
  /** @param webRoot where the built web lies; without it only the API is served */
  static create(webRoot?: string): DynamicModule {
    return {
      module: AppModule,
      imports: [
        TypeOrmModule.forRootAsync({ useFactory: () => ({ ...applicationOptions(), retryAttempts: 3 }) }),
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
