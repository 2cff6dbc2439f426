import { pieceWord, STAGES } from '@ample-crane/core';
import dayjs from 'dayjs';
import timezone from 'dayjs/plugin/timezone.js';
import utc from 'dayjs/plugin/utc.js';
import { Injectable } from '@nestjs/common';
import { DataSource, In } from 'typeorm';
import { DevicesQueries } from '../devices/devices.queries.ts';
import { ClimateService } from '../climate/climate.service.ts';
import { FlowService } from '../flow/flow.service.ts';
import { LogbookEntity } from '../logbook/logbook.entity.ts';
import { toLogView } from '../factory/logbookWords.ts';
import { MakeNextService } from '../orders/makeNext.service.ts';
import { OrdersService } from '../orders/orders.ts';
import { Clock } from '../platform/clock/clock.ts';
import { rowsWith } from '../platform/database/rows.ts';
import { Snapshots, type Shelf } from '../platform/snapshots/snapshots.service.ts';
import { BatchLists } from '../batches/batches.lists.ts';
import { BatchEntity } from '../batches/batch.entity.ts';
import type { BatchView } from '../batches/batch.view.ts';
import { FactoryService, type FactoryNow } from '../factory/factory.service.ts';
import { LotLists } from '../timber/lots.lists.ts';
import { ClassesService } from '../flow/classes.service.ts';
import { CuttersQueries } from '../machining/cutters.queries.ts';
import { ProgramsQueries } from '../machining/programs.queries.ts';
import { DimensionsQueries } from '../quality/dimensions.queries.ts';
import type { LotView } from '../timber/lot.dto.ts';
import type { ComingFreeView, FloorView, MorningView, WalkView } from './morning.dto.ts';
import { decisionsOn } from './decisions.ts';
import { peopleDays } from './peopleOn.ts';

dayjs.extend(utc);
dayjs.extend(timezone);

/** What is worth telling the next morning; an index holds it, in these words. */
const NEWS = `kind in ('batch.held', 'lot.received', 'lot.released', 'instruments.fitted', 'instrument.shipped', 'setup.changed')
  or (payload ->> 'override') is not null`;
const MOST_NEWS = 60;

@Injectable()
export class MorningService {
  private readonly mornings: Shelf<MorningView>;
  private readonly walks: Shelf<WalkView[]>;
  private readonly floors: Shelf<FloorView>;

  constructor(
    private readonly database: DataSource,
    private readonly factories: FactoryService,
    private readonly batches: BatchLists,
    private readonly lots: LotLists,
    private readonly orders: OrdersService,
    private readonly stock: MakeNextService,
    private readonly flow: FlowService,
    private readonly climate: ClimateService,
    private readonly devices: DevicesQueries,
    private readonly dimensions: DimensionsQueries,
    private readonly programs: ProgramsQueries,
    private readonly cutters: CuttersQueries,
    private readonly classes: ClassesService,
    private readonly clock: Clock,
    snapshots: Snapshots,
  ) {
    this.mornings = snapshots.shelf();
    this.walks = snapshots.shelf();
    this.floors = snapshots.shelf('the floor');
  }

  /** What can move now, what comes free today, what is late, who is missing, what limits the factory. */
  morning(): Promise<MorningView> {
    return this.mornings.of('morning', () => this.readMorning());
  }

  private async readMorning(): Promise<MorningView> {
    const factory = await this.factories.load();
    const nowMs = this.clock.nowMs();
    const { timeZone } = factory.setUp.settings.workWeek;
    const endOfDayMs = dayjs(nowMs).tz(timeZone).endOf('day').valueOf();
    const sinceMs = dayjs(nowMs).tz(timeZone).startOf('day').subtract(1, 'day').valueOf();
    const [batches, lots, orders, flow, boothAir, makeNext, dimensions, programs, cutters, devices, unjudged] = await Promise.all([
      this.batches.inWork(),
      this.lots.list(['drying']),
      this.orders.open(),
      this.flow.view(),
      this.climate.air(factory.setUp.settings.factory.boothZoneId),
      this.stock.view(),
      this.dimensions.list(),
      this.programs.list(),
      this.cutters.list(),
      this.devices.troubled(),
      this.classes.unjudged(),
    ]);
    const decisions = decisionsOn({ batches, lots, dimensions, programs, cutters, devices, unjudged, boothAir }, factory, nowMs);
    const comingFree = free(batches, lots, nowMs, endOfDayMs);
    const lateOrders = orders.filter((o) => o.lateDays > 0).sort((a, b) => b.lateDays - a.lateDays);
    const news = await this.news(sinceMs, factory);
    return {
      nowMs,
      canMove: decisions.filter((d) => d.act === 'move').length,
      canRelease: decisions.filter((d) => d.act === 'release').length,
      comingFreeToday: comingFree.length,
      late: lateOrders.length,
      decisions,
      comingFree,
      lateOrders,
      people: peopleDays(factory, nowMs),
      makeNext,
      ...news,
      limit: flow.limit,
    };
  }

  private async news(
    sinceMs: number,
    factory: FactoryNow,
  ): Promise<Pick<MorningView, 'changed' | 'shippedSinceYesterday' | 'finishedSinceYesterday'>> {
    const latest = await this.database.query<{ id: number }[]>(
      `select id from logbook where at >= $1 and (${NEWS}) order by at desc, id desc limit ${MOST_NEWS}`,
      [new Date(sinceMs)],
    );
    const found = await rowsWith(
      this.database,
      LogbookEntity,
      'id',
      latest.map((e) => e.id),
    );
    const rows = found.sort((a, b) => b.atMs - a.atMs || b.id - a.id);
    // Steps are called by their names, which stand in the route.
    const batches = await this.database
      .getRepository(BatchEntity)
      .find({ where: { id: In(rows.flatMap((row) => row.batchId ?? [])) }, select: { id: true, routeId: true } });
    const routeOf = new Map(batches.map((b) => [b.id, b.routeId]));
    const counts: { shipped: number; finished: number }[] = await this.database.query(
      `select count(*) filter (where kind = 'instrument.shipped')::int as shipped, count(*) filter (where kind = 'work.finished')::int as finished from logbook where at >= $1`,
      [new Date(sinceMs)],
    );
    return {
      changed: rows.map((row) => toLogView(row, factory, routeOf.get(row.batchId ?? '') ?? null, `${row.batchId ?? row.lotId ?? ''} `)),
      shippedSinceYesterday: counts[0]?.shipped ?? 0,
      finishedSinceYesterday: counts[0]?.finished ?? 0,
    };
  }

  /** The rail: how much waits at each stage, and where a decision is due. */
  walk(): Promise<WalkView[]> {
    return this.walks.of('walk', () => this.readWalk());
  }

  private async readWalk(): Promise<WalkView[]> {
    const factory = await this.factories.load();
    const [batches, lots, dimensions, programs, cutters, devices, unjudged] = await Promise.all([
      this.batches.inWork(),
      this.lots.list(['drying']),
      this.dimensions.list(),
      this.programs.list(),
      this.cutters.list(),
      this.devices.troubled(),
      this.classes.unjudged(),
    ]);
    const decisions = decisionsOn(
      { batches, lots, dimensions, programs, cutters, devices, unjudged, boothAir: undefined },
      factory,
      this.clock.nowMs(),
    );
    return STAGES.map((stage) => ({
      stage,
      waiting: stage === 'woodRoom' ? lots.length : batches.filter((b) => b.stage === stage).length,
      decisions: decisions.filter((d) => d.stage === stage).length,
      zoneId: [...factory.setUp.stations.values()].find((s) => s.stage === stage)?.zoneId ?? factory.setUp.settings.factory.woodRoomZoneId,
    }));
  }

  /** The line as it stands: every station with its queue, every batch in work. */
  floor(): Promise<FloorView> {
    return this.floors.of('floor', () => this.readFloor());
  }

  private async readFloor(): Promise<FloorView> {
    const [batches, flow] = await Promise.all([this.batches.inWork(), this.flow.view()]);
    return { nowMs: this.clock.nowMs(), stations: flow.stations, batches, limit: flow.limit };
  }
}

function free(batches: readonly BatchView[], lots: readonly LotView[], nowMs: number, endMs: number): ComingFreeView[] {
  const found: ComingFreeView[] = batches
    .filter((b) => b.verdict === 'wait' && b.untilMs !== null && b.untilMs <= endMs && b.status !== 'held')
    .map((b) => ({
      subject: 'batch',
      id: b.id,
      stage: b.stage,
      sentence: `${b.id} · ${b.quantity} ${b.modelName} ${pieceWord(b.quantity, b.component)}, for ${b.nextOperationName ?? 'the next step'}`,
      untilMs: b.untilMs ?? nowMs,
    }));
  for (const { id, ready } of lots)
    if (ready?.kind === 'on its way' && ready.likelyMs !== null && ready.likelyMs <= endMs)
      found.push({ subject: 'lot', id, stage: 'woodRoom', sentence: `Lot ${id} should enter its band`, untilMs: ready.likelyMs });
  return found.sort((a, b) => a.untilMs - b.untilMs);
}
