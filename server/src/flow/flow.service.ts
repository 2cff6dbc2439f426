import {
  constraintViews,
  ALL_BODIES,
  comesAlong,
  DAY_MS,
  flowFigures,
  fromWholeHour,
  HOUR_MS,
  hourOf,
  touchMinutes,
  type FlowFigures,
  type FlowRecord,
} from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import { DataSource, IsNull, MoreThanOrEqual, Not } from 'typeorm';
import { Clock } from '../platform/clock/clock.ts';
import { Snapshots, type Shelf } from '../platform/snapshots/snapshots.service.ts';
import { BatchEntity, JobEntity } from '../batches/batch.entity.ts';
import { BodyHourEntity, StationHourEntity } from '../batches/flowTallies.entity.ts';
import { FactoryService, type FactoryNow } from '../factory/factory.service.ts';
import type { ConstraintView, FlowView, StationFlowView } from './flow.dto.ts';

const DEFAULT_DAYS = 28;

interface PlacesChange {
  station: string;
  atMs: number;
  before: number;
  after: number;
}

@Injectable()
export class FlowService {
  private readonly shelf: Shelf<FlowView>;

  constructor(
    private readonly database: DataSource,
    private readonly factories: FactoryService,
    private readonly clock: Clock,
    snapshots: Snapshots,
  ) {
    this.shelf = snapshots.shelf();
  }

  /** Figures of the last days, with the queues as they stand now. */
  view(days = DEFAULT_DAYS): Promise<FlowView> {
    return this.shelf.of(String(days), () => this.compute(days));
  }

  private async compute(days: number): Promise<FlowView> {
    const factory = await this.factories.load();
    const nowMs = this.clock.nowMs();
    // A window is open at its end: what happened at this very instant counts.
    const window = fromWholeHour({ fromMs: nowMs - days * DAY_MS, toMs: nowMs + 1 });
    const time = factory.workingTime(window);
    const [placesChanges, record, queues] = await Promise.all([
      this.placesChanges(),
      this.record(hourOf(window.fromMs)),
      this.queues(factory),
    ]);
    const stations = [...factory.setUp.stations.values()]
      .filter((s) => s.kind === 'work')
      .map((s) => ({ code: s.code, benches: placesChanges.find((c) => c.station === s.code)?.before ?? s.places }));
    const figures = flowFigures({ ...record, stations, places: placesChanges }, window, time);
    const views = constraintViews(figures);
    const nameOf = (code: string) => factory.stationName(code);
    const weeklyMs = (time.between(window.fromMs, window.toMs) / days) * 7;
    const rows: StationFlowView[] = figures.stations.map((s) => {
      const station = factory.setUp.stations.get(s.code);
      const queue = queues.get(s.code) ?? { batches: 0, hours: 0 };
      return {
        code: s.code,
        name: nameOf(s.code),
        stage: station?.stage ?? 'roughMill',
        benches: station?.places ?? 1,
        workedHours: s.workedMs / HOUR_MS,
        availableHours: s.availableMs / HOUR_MS,
        loadRatio: s.loadRatio,
        meanActiveHours: s.meanActiveMs / HOUR_MS,
        good: s.good,
        rework: s.rework,
        scrap: s.scrap,
        firstPassYield: s.good + s.rework + s.scrap === 0 ? null : s.good / (s.good + s.rework + s.scrap),
        queuedBatches: queue.batches,
        queuedHours: queue.hours,
        weeklyHours: (weeklyMs * (station?.places ?? 1)) / HOUR_MS,
        goodByShift: s.goodByShift,
      };
    });
    return {
      days,
      fromMs: window.fromMs,
      toMs: window.toMs,
      stations: rows,
      shiftsMs: time.windows.map((w) => w.fromMs),
      meanWip: figures.meanWip,
      wipByDay: figures.wipByDay,
      throughputPerDay: figures.throughputPerDay,
      shipped: figures.shipped,
      meanLeadDays: figures.meanLeadDays,
      leadP50Days: figures.leadQuantilesDays?.p50 ?? null,
      leadP85Days: figures.leadQuantilesDays?.p85 ?? null,
      leadHistogram: histogram(figures),
      littleResidual: figures.littleResidual,
      constraint: toConstraint(rows, views),
      spans: views.spans.map((s) => ({ ...s, stationName: nameOf(s.station) })),
      placesChanges: placesChanges
        .filter((c) => c.atMs >= window.fromMs)
        .map((c) => ({ ...c, stationName: nameOf(c.station) }))
        .reverse(),
    };
  }

  /** What is kept of the floor since an hour, and what goes on. */
  private async record(hour: number): Promise<Omit<FlowRecord, 'stations' | 'places'>> {
    const since = MoreThanOrEqual(hour);
    const [hours, goingOn, bodies, bodyHours, leads] = await Promise.all([
      this.database.getRepository(StationHourEntity).findBy({ hour: since }),
      this.database.getRepository(JobEntity).find({ where: { openAt: Not(IsNull()) }, select: { stationCode: true, fromMs: true } }),
      this.database.getRepository(BodyHourEntity).findOneBy({ id: ALL_BODIES }),
      this.database.getRepository(BodyHourEntity).findBy({ hour: since }),
      this.database.query<FlowRecord['leads']>(
        'select lead_class as "leadClass", sum(shipped)::int as shipped from lead_times where hour >= $1 group by lead_class',
        [hour],
      ),
    ]);
    return { hours, goingOn, bodies: bodies ?? undefined, bodyHours, leads };
  }

  /** When stations were given other numbers of places, in time order. */
  private async placesChanges(): Promise<PlacesChange[]> {
    const rows = await this.database.query<{ station: string; at: Date; before: number; after: number }[]>(
      `select payload->>'id' as station, at, (payload->'before'->>'places')::int as before, (payload->'after'->>'places')::int as after
       from logbook where kind = 'setup.changed' and payload->>'what' = 'station'
         and payload->'before'->>'places' <> payload->'after'->>'places' order by id`,
    );
    return rows.map(({ at, ...change }) => ({ ...change, atMs: at.getTime() }));
  }

  /** Hours of work waiting at each station now. */
  async queues(factory: FactoryNow): Promise<Map<string, { batches: number; hours: number }>> {
    const waiting = await this.database.getRepository(BatchEntity).findBy({ status: 'queued' });
    const queues = new Map<string, { batches: number; hours: number }>();
    for (const batch of waiting) {
      const queue = queues.get(batch.stationCode) ?? { batches: 0, hours: 0 };
      queue.batches += 1;
      const operation = factory.operationAt(batch);
      if (!comesAlong(operation, batch.component)) queue.hours += touchMinutes(operation, batch.quantity) / 60;
      queues.set(batch.stationCode, queue);
    }
    return queues;
  }
}

function toConstraint(rows: readonly StationFlowView[], views: ReturnType<typeof constraintViews>): ConstraintView | null {
  const named = (code: string | undefined) => rows.find((r) => r.code === code);
  const byLoad = named(views.byLoad?.station);
  if (!byLoad) return null;
  const byActive = named(views.byActivePeriod?.station);
  const percent = `${Math.round(byLoad.loadRatio * 100)} %`;
  const holds = `${byLoad.name} holds the line: work for ${percent} of its hours came in, ${byLoad.queuedHours.toFixed(0)} h queued, ${byLoad.weeklyHours.toFixed(0)} h a week available`;
  const sentence =
    views.agree || !byActive
      ? `${holds}.`
      : `${holds}. ${byActive.name} works longest without a break (${byActive.meanActiveHours.toFixed(1)} h); where the two views differ, look at both.`;
  return {
    stationCode: byLoad.code,
    stationName: byLoad.name,
    loadRatio: byLoad.loadRatio,
    queuedHours: byLoad.queuedHours,
    weeklyHours: byLoad.weeklyHours,
    byActivePeriod: byActive?.name ?? null,
    meanActiveHours: byActive?.meanActiveHours ?? null,
    agree: views.agree,
    sentence,
  };
}

/** By two days, those between in which none was shipped too. */
function histogram({ leads }: FlowFigures): { days: number; count: number }[] {
  const counts = new Map<number, number>();
  for (const { days, shipped } of leads) {
    const from = Math.floor(days / 2) * 2;
    counts.set(from, (counts.get(from) ?? 0) + shipped);
  }
  const all = [...counts.keys()];
  const first = Math.min(...all);
  const classes = all.length === 0 ? 0 : (Math.max(...all) - first) / 2 + 1;
  return Array.from({ length: classes }, (_, i) => ({ days: first + 2 * i, count: counts.get(first + 2 * i) ?? 0 }));
}
