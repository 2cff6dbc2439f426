import {
  constraintViews,
  ALL_BODIES,
  comesAlong,
  DAY_MS,
  flowFigures,
  fromWholeHour,
  HOUR_MS,
  hourOf,
  limitInWords,
  limitOf,
  touchMinutes,
  type ConstraintViews,
  type FlowFigures,
  type FlowRecord,
  type Limit,
  type PersonHours,
  type StationWork,
} from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import { DataSource, IsNull, Not } from 'typeorm';
import { Clock } from '../platform/clock/clock.ts';
import { rowsFrom } from '../platform/database/rows.ts';
import { Snapshots, type Shelf } from '../platform/snapshots/snapshots.service.ts';
import { BatchEntity, JobEntity } from '../batches/batch.entity.ts';
import { BodyHourEntity, StationHourEntity } from '../batches/flowTallies.entity.ts';
import { FactoryService, type FactoryNow } from '../factory/factory.service.ts';
import { BatchLists } from '../batches/batches.lists.ts';
import type { BatchView } from '../batches/batch.view.ts';
import { OrdersService } from '../orders/orders.ts';
import { PlacesChanges } from './placesChanges.ts';
import type { FlowView, LimitView, StationFlowView } from './flow.dto.ts';

const DEFAULT_DAYS = 28;

@Injectable()
export class FlowService {
  private readonly shelf: Shelf<FlowView>;

  constructor(
    private readonly database: DataSource,
    private readonly factories: FactoryService,
    private readonly batches: BatchLists,
    private readonly orders: OrdersService,
    private readonly places: PlacesChanges,
    private readonly clock: Clock,
    snapshots: Snapshots,
  ) {
    this.shelf = snapshots.shelf('the floor');
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
    const [placesChanges, record, queues, inWork, lacks] = await Promise.all([
      this.places.all(),
      this.record(hourOf(window.fromMs)),
      this.queues(factory),
      this.batches.inWork(),
      this.orders.lacks(),
    ]);
    const stations = this.places.placesAtFirst(factory, placesChanges);
    const figures = flowFigures({ ...record, stations, places: placesChanges }, window, time);
    const views = constraintViews(figures);
    const nameOf = (code: string) => factory.stationName(code);
    const weeklyMs = (time.between(window.fromMs, window.toMs) / days) * 7;
    const people = [...factory.setUp.people.values()]
      .filter((p) => p.active)
      .map((p) => ({ id: p.id, name: p.name, hoursMs: factory.people.hoursMs(p, window) }));
    const limit = limitOf(this.stationWork(figures, queues, weeklyMs, factory, people), people, {
      startedPerDay: record.bodyHours.reduce((sum, hour) => sum + hour.entered, 0) / days,
      shippedPerDay: figures.throughputPerDay,
      notBegun: lacks.reduce((sum, order) => sum + Math.max(0, ...order.lacks.map((l) => l.count)), 0),
      noRoom: inWork.filter((b) => b.findings.some((f) => f.rule === 'places' && f.verdict === 'wait')).length,
    });
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
    const since = sinceOf(limit, inWork);
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
      limit: toLimit(limit, views, nameOf, since === null ? null : dayOf(since, factory)),
      spans: views.spans.map((s) => ({ ...s, stationName: nameOf(s.station) })),
      placesChanges: placesChanges
        .filter((c) => c.atMs >= window.fromMs)
        .map((c) => ({ ...c, stationName: nameOf(c.station) }))
        .reverse(),
    };
  }

  /** What is kept of the floor since an hour, and what goes on. */
  private async record(hour: number): Promise<Omit<FlowRecord, 'stations' | 'places'>> {
    const [hours, goingOn, bodies, bodyHours, leads] = await Promise.all([
      rowsFrom(this.database, StationHourEntity, 'hour', hour),
      this.database.getRepository(JobEntity).find({ where: { openAt: Not(IsNull()) }, select: { stationCode: true, fromMs: true } }),
      this.database.getRepository(BodyHourEntity).findOneBy({ id: ALL_BODIES }),
      rowsFrom(this.database, BodyHourEntity, 'hour', hour),
      this.database.query<FlowRecord['leads']>(
        'select lead_class as "leadClass", sum(shipped)::int as shipped from lead_times where hour >= $1 group by lead_class',
        [hour],
      ),
    ]);
    return { hours, goingOn, bodies: bodies ?? undefined, bodyHours, leads };
  }

  /** What came to each station against the hours of its places, or of those who can work there where these are fewer. */
  private stationWork(
    figures: FlowFigures,
    queues: ReadonlyMap<string, { batches: number; hours: number }>,
    weeklyMs: number,
    factory: FactoryNow,
    people: readonly PersonHours[],
  ): StationWork[] {
    const nowMs = this.clock.nowMs();
    const [holders, followers] = [factory.holdersByStation(nowMs), factory.followersByStation(nowMs)];
    const hoursOf = new Map(people.map((p) => [p.id, p.hoursMs]));
    const queued = (code: string) => queues.get(code)?.hours ?? 0;
    return figures.stations.map((s) => {
      const able = holders.get(s.code) ?? null;
      const theirs = able?.reduce((sum, id) => sum + (hoursOf.get(id) ?? 0), 0) ?? Infinity;
      const after = [...(followers.get(s.code) ?? [])].filter((code) => code !== s.code && figures.stations.some((f) => f.code === code));
      return {
        code: s.code,
        name: factory.stationName(s.code),
        arrivedMs: s.arrivedLoadMs,
        hoursMs: Math.min(s.availableMs, theirs),
        queuedMs: queued(s.code) * HOUR_MS,
        weeklyMs: weeklyMs * Math.min(factory.setUp.stations.get(s.code)?.places ?? 1, able?.length ?? Infinity),
        holders: able,
        starves: after.length > 0 && after.every((code) => queued(code) === 0),
      };
    });
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

/** Since when work waits where the narrow is. */
function sinceOf(limit: Limit, inWork: readonly BatchView[]): number | null {
  const narrow = limit.kind === 'station' ? [limit.station.code] : limit.kind === 'people' ? limit.stations.map((s) => s.code) : [];
  const waiting = inWork.filter((b) => b.status === 'queued' && narrow.includes(b.stationCode));
  return waiting.length === 0 ? null : Math.min(...waiting.map((b) => b.arrivedMs));
}

const dayOf = (atMs: number, { setUp }: FactoryNow): string =>
  new Intl.DateTimeFormat('en-GB', { timeZone: setUp.settings.workWeek.timeZone, day: 'numeric', month: 'long' }).format(atMs);

/** What limits the factory, and what the other view of it says. */
function toLimit(limit: Limit, { byActivePeriod }: ConstraintViews, nameOf: (code: string) => string, since: string | null): LimitView {
  const narrow = limit.kind === 'station' ? limit.station : null;
  const longest = byActivePeriod && byActivePeriod.station !== narrow?.code ? byActivePeriod : null;
  const also =
    narrow && longest
      ? ` ${nameOf(longest.station)} works longest without a break (${(longest.meanMs / HOUR_MS).toFixed(1)} h); where the two views differ, look at both.`
      : '';
  return {
    kind: limit.kind,
    stationCode: narrow?.code ?? null,
    stationName: narrow?.name ?? null,
    sentence: `${limitInWords(limit)}${since === null ? '' : ` The longest waiting there came on ${since}.`}${also}`,
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
