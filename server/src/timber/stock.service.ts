import {
  allotByWeight,
  coverOf,
  DAY_MS,
  dayOf,
  groupBy,
  HOUR_MS,
  priorDryingRatePerDay,
  walkThrough,
  type Allotment,
  type Component,
  type Look,
  type Model,
  type WeighedBlank,
  type WeightSlot,
} from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import { DataSource, In, MoreThan, MoreThanOrEqual } from 'typeorm';
import { ClimateService } from '../climate/climate.service.ts';
import { OrdersService } from '../orders/orders.ts';
import { OrderEntity } from '../orders/order.entity.ts';
import { Clock } from '../platform/clock/clock.ts';
import { badInput } from '../platform/problems/problems.ts';
import { Snapshots, type Shelf } from '../platform/snapshots/snapshots.service.ts';
import { FactoryService, type FactoryNow } from '../factory/factory.service.ts';
import { CuttingQueries } from './cutting.queries.ts';
import { LotLists } from './lots.lists.ts';
import type { AllotmentView, CoverView, StockLineView, StockView, SupplierView } from './stock.view.ts';
import { SupplierRecordEntity, WoodUseEntity } from './tallies.entity.ts';
import { BlankEntity } from './timber.entity.ts';

/** Pieces that are under way and not yet an instrument. */
const PART_MADE = `from piece p join batch b on b.id = p.batch_id join lot l on l.id = p.lot_id
  where b.status <> 'done' and p.state in ('good', 'rework') and p.component <> 'instrument'`;

/** From what suppliers send down to the band, as a share of the way: about two time constants. */
const TIME_CONSTANTS = 2;
const USAGE_DAYS = 90;
const HORIZON_DAYS = 365;
/** Of fewer lots nothing is said of whom they came from. */
const LOTS_TO_JUDGE = 3;

/** What wood there is, how long it lasts, and which blank becomes what. */
@Injectable()
export class StockService {
  private readonly views: Shelf<StockView>;

  constructor(
    private readonly database: DataSource,
    private readonly lots: LotLists,
    private readonly cutting: CuttingQueries,
    private readonly orders: OrdersService,
    private readonly climate: ClimateService,
    private readonly factories: FactoryService,
    private readonly clock: Clock,
    snapshots: Snapshots,
  ) {
    this.views = snapshots.shelf();
  }

  view(): Promise<StockView> {
    return this.views.of('all', () => this.compute());
  }

  private async compute(): Promise<StockView> {
    const factory = await this.factories.load();
    const [lines, suppliers] = await Promise.all([this.lines(), this.suppliers()]);
    return { lines, cover: await this.cover(factory, lines), suppliers };
  }

  private lines(): Promise<StockLineView[]> {
    return this.database.query(
      `select species, use, form, grade, case when state = 'drying' and sessions = 0 then 'raw' else state end as state,
         count(*)::int as lots, null::int as pieces, sum(left_m3) as "leftM3"
       from lot where left_m3 > 0 group by 1, 2, 3, 4, 5
       union all
       select l.species, l.use, l.form, coalesce(board.grade, l.grade), case when b.order_id is null then 'blank' else 'reserved' end,
         count(distinct l.id)::int, count(*)::int, sum(b.length_mm * b.width_mm * b.thickness_mm) / 1e9
       from blank b join lot l on l.id = b.lot_id join board on board.id = b.board_id where b.state = 'free' group by 1, 2, 3, 4, 5
       union all
       select l.species, l.use, l.form, l.grade, 'part-made', count(distinct l.id)::int, count(*)::int, null ${PART_MADE} group by 1, 2, 3, 4
       order by 1, 2, 5`,
    );
  }

  /** How much wetter suppliers' lots come than their papers say. */
  private async suppliers(): Promise<SupplierView[]> {
    const records = await this.database.getRepository(SupplierRecordEntity).findBy({ lots: MoreThanOrEqual(LOTS_TO_JUDGE) });
    return records
      .map(({ supplier, lots, wetterMilliPct }) => ({ supplier, lots, wetterPct: wetterMilliPct / 1000 / lots }))
      .sort((x, y) => y.wetterPct - x.wetterPct);
  }

  private async cover(factory: FactoryNow, lines: readonly StockLineView[]): Promise<CoverView[]> {
    const partMade = (species: string, use: string) =>
      lines.reduce((sum, l) => sum + (l.state === 'part-made' && l.species === species && l.use === use ? (l.pieces ?? 0) : 0), 0);
    const nowMs = this.clock.nowMs();
    const { manager } = this.database;
    const [lots, needs, used, blanks] = await Promise.all([
      this.lots.list(['drying', 'released']),
      this.needs(factory, nowMs),
      this.usage(nowMs),
      manager.findBy(BlankEntity, { state: 'free' }),
    ]);
    const kinds = new Map<string, { species: string; use: string; thicknessMm: number }>();
    for (const model of factory.setUp.models.values())
      for (const need of Object.values(model.wood)) kinds.set(`${need.species} ${need.use}`, need);
    const lotOf = new Map(lots.map((l) => [l.id, l]));
    return [...kinds].map(([key, { species, use, thicknessMm }]): CoverView => {
      const own = lots.filter((l) => l.species === species && l.use === use);
      const asked = needs.filter((n) => n.key === key);
      const usedM3PerDay = (used.get(key) ?? 0) / USAGE_DAYS;
      const lastMs = Math.max(nowMs, ...asked.map((n) => n.atMs));
      // Beyond the order book it goes on as it went.
      const beyond = Array.from({ length: HORIZON_DAYS }, (_, i) => ({ atMs: nowMs + (i + 1) * DAY_MS, volumeM3: usedM3PerDay })).filter(
        (n) => n.atMs > lastMs,
      );
      const ratePerDay = priorDryingRatePerDay(factory.species(species), thicknessMm);
      const cover = coverOf(
        own.map((l) => ({
          volumeM3: l.leftM3,
          readyMs: l.state === 'released' || l.ready?.kind === 'in band' ? nowMs : (l.ready?.piecesMs ?? l.ready?.lateMs ?? null),
        })),
        [...asked, ...beyond],
        nowMs,
        ratePerDay === null ? null : factory.setUp.settings.woodBuying.deliveryDays + TIME_CONSTANTS / ratePerDay,
        HORIZON_DAYS,
      );
      const kept = blanks.filter((b) => {
        const need = Object.entries(factory.setUp.models.get(b.modelId)?.wood ?? {}).find(([c]) => c === b.component)?.[1];
        return need?.species === species && need.use === use;
      });
      const [first] = own.filter((l) => l.state === 'released').sort((a, b) => (a.releasedMs ?? 0) - (b.releasedMs ?? 0));
      const { shortMs } = cover;
      return {
        species,
        use,
        readyM3: cover.readyM3,
        dryingM3: cover.dryingM3,
        blanks: kept.length,
        reserved: kept.filter((b) => b.orderId !== null).length,
        partMade: partMade(species, use),
        usedM3PerDay,
        days: cover.days,
        shortMs,
        shortM3: cover.shortM3,
        buyByMs: cover.buyByMs,
        ordersAtRisk: shortMs === null ? [] : [...new Set(asked.filter((n) => n.atMs >= shortMs).map((n) => n.orderId))],
        cutFirst: first ? (lotOf.get(first.id)?.id ?? null) : null,
      };
    });
  }

  /** What open orders still ask for, and when it must be cut for them to be on time. */
  private async needs(factory: FactoryNow, nowMs: number): Promise<{ key: string; orderId: string; volumeM3: number; atMs: number }[]> {
    // Orders that ask for the same take as long.
    const leads = new Map<string, number>();
    return (await this.orders.lacks()).flatMap(({ order, model, routeId, lacks }) => {
      const same = JSON.stringify([routeId, order.choices]);
      const leadMs = leads.get(same) ?? leadOf(factory, model, routeId, order.choices);
      leads.set(same, leadMs);
      return lacks.flatMap(({ component, count }) => {
        const need = model.wood[component];
        if (!need) return [];
        return [
          {
            key: `${need.species} ${need.use}`,
            orderId: order.id,
            volumeM3: count * need.volumeM3,
            atMs: Math.max(nowMs, order.dueMs - leadMs),
          },
        ];
      });
    });
  }

  /** Wood of each kind that went to the mill lately, m³. */
  private async usage(nowMs: number): Promise<Map<string, number>> {
    const days = await this.database.getRepository(WoodUseEntity).findBy({ day: MoreThan(dayOf(nowMs) - USAGE_DAYS) });
    const kinds = groupBy(days, (d) => `${d.species} ${d.use}`);
    return new Map([...kinds].map(([key, of]) => [key, of.reduce((sum, d) => sum + d.volumeCm3, 0) / 1e6]));
  }

  /** Which blanks best become which instruments of one model. */
  async allotment(modelId: string, component: Component): Promise<AllotmentView> {
    const factory = await this.factories.load();
    const model = factory.setUp.models.get(modelId);
    const need = model?.wood[component];
    if (!need?.weight) throw badInput('modelId', 'No target weight is set for this part of the model');
    const { weight, species, use } = need;
    const blanks = (await this.cutting.blanks({ state: 'free' })).filter((b) => b.modelId === modelId && b.component === component);
    const wanted = (await this.cutting.needs()).filter((n) => n.modelId === modelId && n.component === component);
    const kept = new Map<string, number>();
    for (const b of blanks) if (b.orderId !== null) kept.set(b.orderId, (kept.get(b.orderId) ?? 0) + 1);
    const counts = new Map(wanted.map((n) => [n.orderId ?? '', n.count]));
    const known = await this.database.getRepository(OrderEntity).findBy({ id: In([...counts.keys(), ...kept.keys()]) });
    const orders = new Map(known.map((o) => [o.id, o]));
    const slots: WeightSlot[] = [...new Set([...counts.keys(), ...kept.keys()])].flatMap((orderId) =>
      Array.from({ length: (counts.get(orderId) ?? 0) + (kept.get(orderId) ?? 0) }, (_, i) => ({
        id: `${orderId} ${i + 1}`,
        kind: `${species} ${use}`,
        orderId,
        finish: finishOf(orders.get(orderId)?.choices),
        ...weight,
      })),
    );
    const weighed = blanks.flatMap((b): WeighedBlank[] =>
      b.massG === null || b.moisturePct === null
        ? []
        : [
            {
              id: b.id,
              kind: `${species} ${use}`,
              massG: b.massG,
              volumeCm3: (b.lengthMm * b.widthMm * b.thicknessMm) / 1000,
              moisturePct: b.moisturePct,
              look: b.look,
              reservedFor: b.orderId,
            },
          ],
    );
    const { emcPct } = await this.climate.shopAir(factory.setUp.settings.factory.woodRoomZoneId);
    const result: Allotment = allotByWeight(weighed, slots, emcPct);
    const byId = new Map(blanks.map((b) => [b.id, b]));
    const orderOf = new Map(slots.map((s) => [s.id, s.orderId ?? '']));
    return {
      lowG: weight.lowG,
      highG: weight.highG,
      allotted: result.allotted.map((a) => ({
        ...a,
        orderId: orderOf.get(a.slotId) ?? '',
        blankVersion: byId.get(a.blankId)?.version ?? 0,
        reserved: byId.get(a.blankId)?.orderId != null,
      })),
      unmet: result.unmet.length,
      left: result.left,
      inBandAsTheyCome: result.inBandAsTheyCome,
    };
  }
}

/** Whether the wood will show: an order's own choices say so, with clear, natural or burst; else it is painted. */
function finishOf(choices: Readonly<Record<string, string>> | undefined): Look {
  return Object.values(choices ?? {}).some((choice) => /clear|natural|burst/i.test(choice)) ? 'clear' : 'solid';
}

/** How long before it is due an order's wood must be cut. */
function leadOf(factory: FactoryNow, model: Model, routeId: string, choices: Readonly<Record<string, string>>): number {
  const facts = factory.factsOf(model, choices);
  const { longest } = walkThrough(factory.routeOf({ routeId, facts }), facts, model.batchSize);
  return longest.waitHours * HOUR_MS + (longest.touchMinutes / 480) * DAY_MS;
}
