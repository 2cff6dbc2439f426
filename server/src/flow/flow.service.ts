import {
  constraintViews,
  DAY_MS,
  FlowMeter,
  HOUR_MS,
  inTimeOrder,
  MINUTE_MS,
  touchMinutes,
  type ConstraintViews,
  type FlowEvent,
  type FlowFigures,
  type Interval,
  type RouteFacts,
  type WorkingTime,
} from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import { DataSource } from 'typeorm';
import { Clock } from '../platform/clock/clock.ts';
import { Snapshots, type Shelf } from '../platform/snapshots/snapshots.service.ts';
import { BatchEntity } from '../batches/batch.entity.ts';
import { FactoryService, type FactoryNow } from '../factory/factory.service.ts';
import type { ConstraintView, FlowView, StationFlowView } from './flow.dto.ts';

const DEFAULT_DAYS = 28;
/** What weeks come to changes little in a minute. */
const PAST_MS = 60_000;

/** What the last days came to. */
interface Past {
  window: Interval;
  time: WorkingTime;
  figures: FlowFigures;
  views: ConstraintViews;
  placesChanges: PlacesChange[];
}

interface PlacesChange {
  station: string;
  atMs: number;
  before: number;
  after: number;
}

@Injectable()
export class FlowService {
  private readonly pasts = new Map<number, { atMs: number; past: Promise<Past> }>();
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

  private past(days: number, factory: FactoryNow): Promise<Past> {
    const nowMs = this.clock.nowMs();
    const kept = this.pasts.get(days);
    if (kept && Math.abs(nowMs - kept.atMs) < PAST_MS) return kept.past;
    const past = this.look(days, nowMs, factory);
    this.pasts.set(days, { atMs: nowMs, past });
    past.catch(() => this.pasts.delete(days));
    return past;
  }

  private async look(days: number, nowMs: number, factory: FactoryNow): Promise<Past> {
    // A window is open at its end: what happened at this very instant counts.
    const window = { fromMs: nowMs - days * DAY_MS, toMs: nowMs + 1 };
    const time = factory.workingTime(window);
    const stations = [...factory.setUp.stations.values()].filter((s) => s.kind === 'work');
    const placesChanges = await this.placesChanges();
    const meter = new FlowMeter(
      stations.map((s) => ({ code: s.code, benches: placesChanges.find((c) => c.station === s.code)?.before ?? s.places })),
      window,
      time,
    );
    const changed = placesChanges.map(({ station, atMs, after }): FlowEvent => ({ kind: 'benches', atMs, station, count: after }));
    for (const event of inTimeOrder([...changed, ...(await this.events(factory, window.fromMs))])) meter.record(event);
    const figures = meter.figures();
    return { window, time, figures, views: constraintViews(figures), placesChanges };
  }

  private async compute(days: number): Promise<FlowView> {
    const factory = await this.factories.load();
    const { window, time, figures, views, placesChanges } = await this.past(days, factory);
    const queues = await this.queues(factory);
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

  /** What happened in the window, with what was already under way when it began. */
  private async events(factory: FactoryNow, fromMs: number): Promise<FlowEvent[]> {
    const from = new Date(fromMs);
    const query = <T>(sql: string) => this.database.query<T[]>(sql, [from]);
    const [bodies, visits, runs] = await Promise.all([
      // One line a body, from the batch it was started in to where it ended: shipped or scrapped, as itself or as an instrument.
      query<{ entered: Date; left: Date | null; shipped: boolean }>(
        `select b.started_at as entered, coalesce(i.shipped_at, scrap.at) as left, i.shipped_at is not null as shipped
         from piece p join batch b on b.id = p.trail->0->>'batchId' and not b.trial
         left join instrument i on i.serial = p.serial
         left join lateral (select min(d.at) as at from defect d where d.piece_id in (p.id, p.serial) and d.disposition = 'scrap') scrap on true
         where p.component = 'body' and coalesce(i.shipped_at, scrap.at, 'infinity') >= $1`,
      ),
      query<{
        batch_id: string;
        operation_id: string;
        station_code: string;
        quantity: number;
        arrived_at: Date;
        finished_at: Date | null;
        good: number;
        rework: number;
        scrap: number;
        route_id: string;
        facts: RouteFacts;
      }>(
        `select v.batch_id, v.operation_id, v.station_code, v.quantity, v.arrived_at, v.finished_at, v.good, v.rework, v.scrap, b.route_id, b.facts
         from visit v join batch b on b.id = v.batch_id where not b.trial and (v.arrived_at >= $1 or v.finished_at >= $1)`,
      ),
      query<{ station_code: string; from_at: Date; to_at: Date | null }>(
        `select station_code, from_at, to_at from job where to_at is null or to_at >= $1`,
      ),
    ]);
    const events: FlowEvent[] = [
      ...bodies.flatMap((b): FlowEvent[] => [
        { kind: 'enter', atMs: b.entered.getTime(), count: 1 },
        ...(b.left
          ? [{ kind: 'leave' as const, atMs: b.left.getTime(), count: 1, enteredMs: b.entered.getTime(), shipped: b.shipped }]
          : []),
      ]),
      ...runs.flatMap((r): FlowEvent[] => [
        { kind: 'begin', atMs: r.from_at.getTime(), station: r.station_code },
        ...(r.to_at ? [{ kind: 'stop' as const, atMs: r.to_at.getTime(), station: r.station_code }] : []),
      ]),
      ...visits.flatMap((v): FlowEvent[] => {
        const operation = factory.routeOf({ routeId: v.route_id, facts: v.facts }).operations.find((o) => o.id === v.operation_id);
        if (operation?.kind !== 'work') return [];
        return [
          {
            kind: 'arrive',
            atMs: v.arrived_at.getTime(),
            station: v.station_code,
            loadMs: touchMinutes(operation, v.quantity, v.station_code) * MINUTE_MS,
          },
          ...(v.finished_at
            ? [
                {
                  kind: 'finish' as const,
                  atMs: v.finished_at.getTime(),
                  station: v.station_code,
                  good: v.good,
                  rework: v.rework,
                  scrap: v.scrap,
                },
              ]
            : []),
        ];
      }),
    ];
    return events;
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
      queue.hours += touchMinutes(factory.operationAt(batch), batch.quantity) / 60;
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

function histogram(figures: FlowFigures): { days: number; count: number }[] {
  const counts = new Map<number, number>();
  for (const lead of figures.leadDays) counts.set(Math.floor(lead / 2) * 2, (counts.get(Math.floor(lead / 2) * 2) ?? 0) + 1);
  return [...counts].map(([days, count]) => ({ days, count })).sort((a, b) => a.days - b.days);
}
