import {
  coverOf,
  DAY_MS,
  dayOf,
  groupBy,
  HOUR_MS,
  priorDryingRatePerDay,
  walkThrough,
  type Component,
  type Model,
  type WoodNeed,
} from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import { DataSource, MoreThan, MoreThanOrEqual } from 'typeorm';
import { OrdersService } from '../orders/orders.ts';
import { Clock } from '../platform/clock/clock.ts';
import { Snapshots, type Shelf } from '../platform/snapshots/snapshots.service.ts';
import { FactoryService, type FactoryNow } from '../factory/factory.service.ts';
import { LotLists } from './lots.lists.ts';
import type { CoverView, StockLineView, StockView, SupplierView } from './stock.view.ts';
import { SupplierRecordEntity, WoodUseEntity } from './tallies.entity.ts';

/** Pieces that are under way and not yet an instrument. */
const PART_MADE = `from piece p join batch b on b.id = p.batch_id join lot l on l.id = p.lot_id
  where b.status <> 'done' and p.state in ('good', 'rework') and p.component <> 'instrument'`;

/** From what suppliers send down to the band, as a share of the way: about two time constants. */
const TIME_CONSTANTS = 2;
const USAGE_DAYS = 90;
const HORIZON_DAYS = 365;
/** Of fewer lots nothing is said of whom they came from. */
const LOTS_TO_JUDGE = 3;

/** What wood there is, and how long it lasts. */
@Injectable()
export class StockService {
  private readonly views: Shelf<StockView>;

  constructor(
    private readonly database: DataSource,
    private readonly lots: LotLists,
    private readonly orders: OrdersService,
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
    const [lots, needs, used, blanks, keptM3] = await Promise.all([
      this.lots.list(['drying', 'released']),
      this.needs(factory, nowMs),
      this.usage(nowMs),
      manager.query<{ species: string; use: string; orderId: string | null }[]>(
        `select l.species, l.use, b.order_id as "orderId" from blank b join lot l on l.id = b.lot_id where b.state = 'free'`,
      ),
      this.keptM3(),
    ]);
    const kinds = new Map(woodsAsked(factory, nowMs).map((need) => [`${need.species} ${need.use}`, need]));
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
      const kept = blanks.filter((b) => b.species === species && b.use === use);
      const [first] = own.filter((l) => l.state === 'released').sort((a, b) => (a.releasedMs ?? 0) - (b.releasedMs ?? 0));
      const { shortMs } = cover;
      return {
        species,
        use,
        readyM3: cover.readyM3,
        dryingM3: cover.dryingM3,
        keptM3: keptM3.get(key) ?? 0,
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
    return (await this.orders.lacks()).flatMap(({ order, model, routeId, facts, lacks }) => {
      const same = JSON.stringify([routeId, order.choices]);
      const leadMs = leads.get(same) ?? leadOf(factory, model, routeId, order.choices);
      leads.set(same, leadMs);
      return lacks.flatMap(({ component, count }) => {
        const need = factory.woodNeed(model, component, facts);
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

  /** Wood of each kind that orders keep of lots, m³. */
  private async keptM3(): Promise<Map<string, number>> {
    const rows = await this.database.query<{ species: string; use: string; m3: number }[]>(
      `select l.species, l.use, sum(k.volume_m3) as m3 from kept_wood k join lot l on l.id = k.lot_id
         join customer_order o on o.id = k.order_id and o.shipped < o.quantity group by 1, 2`,
    );
    return new Map(rows.map(({ species, use, m3 }) => [`${species} ${use}`, m3]));
  }

  /** Wood of each kind that went to the mill lately, m³. */
  private async usage(nowMs: number): Promise<Map<string, number>> {
    const days = await this.database.getRepository(WoodUseEntity).findBy({ day: MoreThan(dayOf(nowMs) - USAGE_DAYS) });
    const kinds = groupBy(days, (d) => `${d.species} ${d.use}`);
    return new Map([...kinds].map(([key, of]) => [key, of.reduce((sum, d) => sum + d.volumeCm3, 0) / 1e6]));
  }
}

/** The woods that models are made of, usually or where an order chooses so. */
function woodsAsked(factory: FactoryNow, nowMs: number): WoodNeed[] {
  return [...factory.setUp.models.values()].flatMap((model) => {
    const values = (factory.routeInForce(model.id, nowMs)?.options ?? []).flatMap((o) => o.values);
    return Object.entries(model.wood).flatMap(([component, need]) => [
      need,
      ...values.flatMap(({ wood }) => {
        const species = wood?.[component as Component];
        return species === undefined ? [] : [{ ...need, species }];
      }),
    ]);
  });
}

/** How long before it is due an order's wood must be cut. */
function leadOf(factory: FactoryNow, model: Model, routeId: string, choices: Readonly<Record<string, string>>): number {
  const facts = factory.factsOf(model, routeId, choices);
  const { longest } = walkThrough(factory.routeOf({ routeId, facts }), facts, model.batchSize, factory);
  return longest.waitHours * HOUR_MS + (longest.touchMinutes / 480) * DAY_MS;
}
