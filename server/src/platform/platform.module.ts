import { Global, Module } from '@nestjs/common';
import { APP_FILTER, APP_GUARD, APP_INTERCEPTOR } from '@nestjs/core';
import { Clock, FactoryClock } from './clock/clock.ts';
import { EventsController } from './events/events.controller.ts';
import { EventsService } from './events/events.service.ts';
import { HealthController } from './health/health.controller.ts';
import { Metrics, MetricsController } from './health/metrics.ts';
import { HousekeepingService } from './housekeeping/housekeeping.service.ts';
import { BodyInterceptor } from './http/body.ts';
import { IdentityGuard } from './identity/identity.guard.ts';
import { IdentityService } from './identity/identity.service.ts';
import { SessionsService } from './identity/sessions.service.ts';
import { TriesService } from './identity/tries.service.ts';
import { BenchController } from './identity/bench.controller.ts';
import { BenchService } from './identity/bench.service.ts';
import { SessionController } from './identity/session.controller.ts';
import { ProblemFilter } from './problems/problem.filter.ts';
import { Environment } from './settings/environment.ts';
import { SettingsService } from './settings/settings.service.ts';
import { Snapshots } from './snapshots/snapshots.service.ts';

/** What every room stands on. */
@Global()
@Module({
  controllers: [HealthController, MetricsController, SessionController, BenchController, EventsController],
  providers: [
    { provide: APP_GUARD, useClass: IdentityGuard },
    { provide: APP_INTERCEPTOR, useClass: BodyInterceptor },
    { provide: APP_FILTER, useClass: ProblemFilter },
    { provide: Clock, useClass: FactoryClock },
    { provide: Environment, useFactory: () => new Environment() },
    Metrics,
    IdentityService,
    SessionsService,
    BenchService,
    TriesService,
    HousekeepingService,
    SettingsService,
    EventsService,
    Snapshots,
  ],
  exports: [Clock, Environment, Metrics, IdentityService, SessionsService, BenchService, SettingsService, EventsService, Snapshots],
})
export class PlatformModule {}
