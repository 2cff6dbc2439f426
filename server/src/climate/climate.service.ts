import {
  DAY_MS,
  emcTrace,
  emcOfAirPct,
  HOUR_MS,
  shopAir,
  type ShopAir,
  type AirSample,
  type EmcTrace,
  type TemperatureSample,
} from '@ample-crane/core';
import { DEMO_WEATHER_SEED, roomAir } from '@ample-crane/devices';
import { Injectable, Logger, type OnApplicationBootstrap, type OnApplicationShutdown } from '@nestjs/common';
import { DataSource, LessThanOrEqual, type EntityManager } from 'typeorm';
import { Clock } from '../platform/clock/clock.ts';
import { ask, type Asked } from '../platform/database/prepared.ts';
import { upsertRows } from '../platform/database/rows.ts';
import { ZoneEntity, ZoneReadingEntity } from './climate.entity.ts';

/** As far back as lots are followed. */
const TRACE_DAYS = 800;
const SENSOR_EVERY_MS = 10 * 60_000;
const KEPT_EVERY_S = 600;

export interface ZoneNow {
  id: string;
  name: string;
  tempC: number;
  relativeHumidity: number;
  emcPct: number;
  atMs: number;
}

/** A zone's climate as wood feels it, and how often its past was changed. */
export interface ZoneTrace {
  emc: EmcTrace;
  revision: number;
}

interface ReadTrace {
  trace: ZoneTrace;
  samples: readonly AirSample[];
}

@Injectable()
export class ClimateService implements OnApplicationBootstrap, OnApplicationShutdown {
  private readonly logger = new Logger('Climate');
  private timer: NodeJS.Timeout | undefined;
  /** zones of which a device has told something: for them nothing is made up while it runs */
  private readonly reported = new Set<string>();
  /** One a zone, of which there are a few; for ever. */
  private readonly traces = new Map<string, { state: string; read: Promise<ReadTrace> }>();

  constructor(
    private readonly database: DataSource,
    private readonly clock: Clock,
  ) {}

  async onApplicationBootstrap(): Promise<void> {
    await this.readSensors();
    this.timer = setInterval(() => {
      this.readSensors({ except: this.reported }).catch((error: unknown) => this.logger.warn(`Sensors not read: ${String(error)}`));
    }, SENSOR_EVERY_MS);
    this.timer.unref();
  }

  onApplicationShutdown(): void {
    clearInterval(this.timer);
  }

  /**
   * Brings the hourly log of every stand-in sensor up to now.
   *
   * @param except zones that devices tell of: there silence is silence
   */
  async readSensors({ except = new Set<string>() }: { except?: ReadonlySet<string> } = {}): Promise<void> {
    const nowMs = this.clock.nowMs();
    for (const zone of await this.database.getRepository(ZoneEntity).find()) {
      if (!zone.standIn || except.has(zone.id)) continue;
      const last = await this.latest(zone.id);
      const rows: ZoneReadingEntity[] = [];
      const firstMs = last ? last.atMs + HOUR_MS : nowMs - 14 * DAY_MS;
      for (let at = Math.ceil(firstMs / HOUR_MS) * HOUR_MS; at <= nowMs; at += HOUR_MS)
        rows.push({ zoneId: zone.id, atMs: at, ...roomAir(zone.standIn, at, DEMO_WEATHER_SEED) });
      await upsertRows(this.database.manager, ZoneReadingEntity, rows);
    }
  }

  /**
   * Keeps what sensors measured. Of a zone's air one reading in ten minutes is kept, the first that comes; one that lies
   * before what is known already changes the zone's past.
   */
  async keep(manager: EntityManager, readings: readonly ZoneReadingEntity[]): Promise<void> {
    if (readings.length === 0) return;
    for (const { zoneId } of readings) this.reported.add(zoneId);
    await manager.query(
      `with came as (
         select distinct on (zone_id, slot) * from (
           select r.*, date_bin(make_interval(secs => $2), r.at, 'epoch') as slot
             from jsonb_to_recordset($1) as r(zone_id text, at timestamptz, temp_c float8, relative_humidity float8)) all_of_them
          order by zone_id, slot, at),
       kept as (
         insert into zone_reading (zone_id, at, temp_c, relative_humidity)
           select zone_id, at, temp_c, relative_humidity from came c
            where not exists (select 1 from zone_reading z
              where z.zone_id = c.zone_id and z.at >= c.slot and z.at < c.slot + make_interval(secs => $2))
           on conflict do nothing returning zone_id, at)
       update zone set revision = revision + 1
        where exists (select 1 from kept k where k.zone_id = zone.id
          and k.at < (select max(z.at) from zone_reading z where z.zone_id = zone.id))`,
      [
        JSON.stringify(
          readings.map((r) => ({ zone_id: r.zoneId, at: new Date(r.atMs), temp_c: r.tempC, relative_humidity: r.relativeHumidity })),
        ),
        KEPT_EVERY_S,
      ],
    );
  }

  private latest(zoneId: string, manager = this.database.manager, nowMs = this.clock.nowMs()): Promise<ZoneReadingEntity | null> {
    return manager.findOne(ZoneReadingEntity, {
      where: { zoneId, atMs: LessThanOrEqual(nowMs) },
      order: { atMs: 'DESC' },
    });
  }

  /** How warm a zone has been, in time order. */
  async temperatures(
    zoneId: string,
    fromMs: number,
    toMs: number,
    manager: EntityManager = this.database.manager,
  ): Promise<TemperatureSample[]> {
    const rows: { at: string; temp: number }[] = await manager.query(
      `select extract(epoch from at)::float8 as at, temp_c as temp from zone_reading where zone_id = $1 and at between $2 and $3 order by at`,
      [zoneId, new Date(fromMs), new Date(toMs)],
    );
    return rows.map((r) => ({ atMs: Math.round(Number(r.at) * 1000), tempC: Number(r.temp) }));
  }

  /** The equilibrium moisture of a zone over two years and a bit, by the hour; read anew when its log has changed. */
  async trace(zoneId: string, asked: Asked = this.database): Promise<ZoneTrace> {
    return (await this.read(zoneId, asked)).trace;
  }

  private async read(zoneId: string, asked: Asked = this.database): Promise<ReadTrace> {
    const nowMs = this.clock.nowMs();
    const [zone] = await ask<{ revision: number; last: string | null }>(
      asked,
      'select revision, (select max(at)::text from zone_reading where zone_id = zone.id and at <= $2) as last from zone where id = $1',
      [zoneId, new Date(nowMs)],
    );
    const revision = zone?.revision ?? 0;
    const hour = Math.floor(nowMs / HOUR_MS);
    const state = `${revision} ${zone?.last ?? ''} ${hour}`;
    const known = this.traces.get(zoneId);
    if (known?.state === state) return known.read;
    const read = this.readOn(zoneId, { revision, toMs: (hour + 1) * HOUR_MS }, known?.read, asked);
    this.traces.set(zoneId, { state, read });
    // One that could not be read is no trace.
    read.catch(() => this.traces.delete(zoneId));
    return read;
  }

  /** Reads a trace, of which only what is new is asked for as long as nobody has changed the past. */
  private async readOn(
    zoneId: string,
    { revision, toMs }: { revision: number; toMs: number },
    earlier: Promise<ReadTrace> | undefined,
    asked: Asked,
  ): Promise<ReadTrace> {
    const earliestMs = toMs - TRACE_DAYS * DAY_MS;
    const nowMs = this.clock.nowMs();
    const known = await earlier?.catch(() => undefined);
    const before = known?.trace.revision === revision ? known.samples.filter((s) => s.atMs > earliestMs && s.atMs <= nowMs) : [];
    const afterMs = before.at(-1)?.atMs ?? earliestMs;
    const rows = await ask<{ at: number; temp: number; rh: number }>(
      asked,
      'select extract(epoch from at)::float8 as at, temp_c as temp, relative_humidity as rh from zone_reading where zone_id = $1 and at > $2 and at <= $3 order by at',
      [zoneId, new Date(afterMs), new Date(nowMs)],
    );
    const fresh = rows.map(({ at, temp, rh }) => ({ atMs: Math.round(at * 1000), tempC: temp, relativeHumidity: rh }));
    const samples = [...before, ...fresh.filter((s) => s.atMs > afterMs)];
    const firstMs = samples[0] === undefined ? toMs - HOUR_MS : Math.floor(samples[0].atMs / HOUR_MS) * HOUR_MS;
    return { trace: { emc: emcTrace(samples, firstMs, toMs), revision }, samples };
  }

  /** What a zone's air has tended to in ordinary days. */
  async shopAir(zoneId: string, asked: Asked = this.database): Promise<ShopAir> {
    return shopAir((await this.trace(zoneId, asked)).emc, this.clock.nowMs());
  }

  /** Every zone, with or without a sensor. */
  async zones(): Promise<{ id: string; name: string }[]> {
    const zones = await this.database.getRepository(ZoneEntity).find({ order: { name: 'ASC' } });
    return zones.map(({ id, name }) => ({ id, name }));
  }

  /** The latest of every zone. */
  async now(): Promise<ZoneNow[]> {
    const zones = await this.database.getRepository(ZoneEntity).find({ order: { name: 'ASC' } });
    const found = await Promise.all(
      zones.map(async (zone) => {
        const reading = await this.latest(zone.id);
        return reading
          ? [
              {
                id: zone.id,
                name: zone.name,
                tempC: reading.tempC,
                relativeHumidity: reading.relativeHumidity,
                emcPct: emcOfAirPct(reading),
                atMs: reading.atMs,
              },
            ]
          : [];
      }),
    );
    return found.flat();
  }

  /** What was last read of the air of one zone, as of a moment. */
  async air(zoneId: string, { manager = this.database.manager, nowMs = this.clock.nowMs() } = {}): Promise<AirSample | undefined> {
    return (await this.latest(zoneId, manager, nowMs)) ?? undefined;
  }
}
