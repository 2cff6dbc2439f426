import { Injectable, Logger, type OnApplicationBootstrap } from '@nestjs/common';
import { DataSource } from 'typeorm';
import { ClimateService } from '../climate/climate.service.ts';
import { LogbookService } from '../logbook/logbook.service.ts';
import { Clock, FactoryClock } from '../platform/clock/clock.ts';
import { EventsService } from '../platform/events/events.service.ts';
import { Problem } from '../platform/problems/problems.ts';
import { SettingsService } from '../platform/settings/settings.service.ts';

const HOUR_MS = 3_600_000;

/** Lets time pass in the demo, so that a wait of days can be seen through in a minute. */
@Injectable()
export class DemoService implements OnApplicationBootstrap {
  private readonly logger = new Logger('Demo');
  private followedMs: number | undefined;

  constructor(
    private readonly database: DataSource,
    private readonly settings: SettingsService,
    private readonly logbook: LogbookService,
    private readonly climate: ClimateService,
    private readonly events: EventsService,
    private readonly clock: Clock,
  ) {}

  async onApplicationBootstrap(): Promise<void> {
    await this.follow();
    this.events.stream().subscribe(({ topics }) => {
      if ('clock' in topics) this.follow().catch((error: unknown) => this.logger.warn(`The clock was not followed: ${String(error)}`));
    });
  }

  async pass(hours: number): Promise<{ id: string }> {
    const { demo } = await this.settings.get('factory');
    if (!demo) throw new Problem(403, 'not-demo', 'Not allowed', 'Only the demo’s clock can be moved.');
    await this.database.transaction(async (manager) => {
      await manager.query(`select pg_advisory_xact_lock(hashtext('demo clock'))`);
      const { aheadMs } = await this.settings.get('demoClock', manager);
      await this.settings.set(manager, 'demoClock', { aheadMs: aheadMs + hours * HOUR_MS });
      await this.logbook.tell(manager, { clock: null, all: null });
    });
    await this.follow();
    return { id: 'demo-clock' };
  }

  /** Sets this process's clock as the factory's is, and has the sensors report up to it. */
  private async follow(): Promise<void> {
    const { aheadMs } = await this.settings.get('demoClock');
    if (aheadMs === this.followedMs) return;
    this.followedMs = aheadMs;
    if (this.clock instanceof FactoryClock) this.clock.runAhead(aheadMs);
    await this.climate.readSensors();
  }
}
