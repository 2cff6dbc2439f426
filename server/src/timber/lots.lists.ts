import {
  bandOf,
  HOUR_MS,
  judgeLot,
  METER_NOISE_PCT,
  outOfBand,
  outliers,
  readingsNeeded,
  rulesFor,
  shopAir,
  worst,
  type Band,
  type Lot,
  type MoistureGateSettings,
  type Species,
  type Verdict,
} from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import { LRUCache } from 'lru-cache';
import { DataSource, In, type EntityManager } from 'typeorm';
import type { ZoneTrace } from '../climate/climate.service.ts';
import { FactoryService, type FactoryNow } from '../factory/factory.service.ts';
import { Clock } from '../platform/clock/clock.ts';
import { inOrder, readPage, type Condition, type Listing, type Page, type Asked } from '../platform/paging/page.ts';
import { beginning, numbered, within } from '../platform/paging/typed.ts';
import { Snapshots, type Shelf } from '../platform/snapshots/snapshots.service.ts';
import { DryingService, type ReadSession } from './drying.service.ts';
import { readyView } from './drying.view.ts';
import type { LotView } from './lot.dto.ts';
import { OPEN_STATES, type OpenState } from './openStates.ts';
import { LotEntity } from './timber.entity.ts';

export interface UsedUpFilter extends Asked {
  /** how the number begins, or within the species or the supplier */
  text?: string;
}

/** Lots whose view is kept until something it rests on changes. */
const LOTS_KEPT = 5_000;

const USED_UP: Listing = { table: 'lot', key: 'id', sorts: { number: 'number', receivedMs: 'received_at' }, usually: '-number' };

/** Lots, many at once. */
@Injectable()
export class LotLists {
  private readonly lists: Shelf<LotView[]>;
  private readonly kept = new LRUCache<string, { state: string; view: LotView }>({ max: LOTS_KEPT });

  constructor(
    private readonly database: DataSource,
    private readonly factories: FactoryService,
    private readonly drying: DryingService,
    private readonly clock: Clock,
    snapshots: Snapshots,
  ) {
    this.lists = snapshots.shelf();
  }

  /** Every lot that dries or is free for the mill, the latest first. */
  list(states: readonly OpenState[] = OPEN_STATES): Promise<LotView[]> {
    return this.lists.of(states.join(), async () => {
      const lots = await this.database.getRepository(LotEntity).find({ where: { state: In([...states]) }, order: { number: 'DESC' } });
      return this.views(lots, await this.factories.load());
    });
  }

  /** Lots that are used up, by the page. */
  async usedUp({ text, ...asked }: UsedUpFilter): Promise<Page<LotView>> {
    const conditions: Condition[] = [[`state = 'used up'`]];
    if (text !== undefined)
      conditions.push(['id like ? or supplier ilike ? or species ilike ?', beginning(numbered('L', text)), within(text), within(text)]);
    const page = await readPage(this.database, USED_UP, asked, conditions);
    const lots = await this.database.getRepository(LotEntity).findBy({ id: In(page.rows) });
    return inOrder(page, await this.views(lots, await this.factories.load()), (view) => view.id);
  }

  /** Lots with their band, their latest readings, what the gate says, and when they will be ready. */
  async views(lots: readonly Lot[], factory: FactoryNow, manager: EntityManager = this.database.manager): Promise<LotView[]> {
    const { moistureGate, moistureBand, moistureExceptions, factory: house } = factory.setUp.settings;
    const nowMs = this.clock.nowMs();
    const airs = await this.drying.airs(lots, { also: [house.woodRoomZoneId], asked: manager });
    const shopEmc = shopAir(airs.get(house.woodRoomZoneId)?.emc, nowMs).emcPct;
    const rules = { gate: moistureGate, band: moistureBand };
    // Wood answers slowly: what was said of a lot this hour holds until it is read, moved, or its rules change.
    const circumstances = `${Math.floor(nowMs / HOUR_MS)} ${shopEmc} ${JSON.stringify([rules, moistureExceptions])}`;
    const stateOf = (lot: Lot) =>
      `${circumstances} ${factory.species(lot.species).ratePerDay} ${lot.version} ${lot.stays.map((s) => airs.get(s.zoneId)?.revision ?? 0).join()}`;
    const known = (lot: Lot) => {
      const kept = this.kept.get(lot.id);
      return kept?.state === stateOf(lot) ? kept.view : undefined;
    };
    const unknown = lots.filter((lot) => !known(lot));
    const sessions = await this.drying.sessions(
      unknown.filter((l) => l.state === 'drying').map((l) => l.id),
      manager,
    );
    const boards = await this.wholeBoards(unknown, manager);
    for (const lot of unknown) {
      const { gate, band: settings, of } = rulesFor(lot, rules, moistureExceptions);
      const band = bandOf(settings, shopEmc);
      const view = this.view(lot, sessions.get(lot.id) ?? [], { gate, band, of, species: factory.species(lot.species) }, airs, nowMs);
      this.kept.set(lot.id, { state: stateOf(lot), view: { ...view, wholeBoards: boards.get(lot.id) ?? 0 } });
    }
    return lots.flatMap((lot) => known(lot) ?? []);
  }

  /** Boards are measured of what is released. */
  private async wholeBoards(lots: readonly Lot[], manager: EntityManager): Promise<ReadonlyMap<string, number>> {
    const ids = lots.flatMap((lot) => (lot.state === 'released' ? [lot.id] : []));
    if (ids.length === 0) return new Map();
    const rows = await manager.query<{ lotId: string; boards: number }[]>(
      `select lot_id as "lotId", count(*)::int as boards from board where lot_id = any($1) and state = 'whole' group by lot_id`,
      [ids],
    );
    return new Map(rows.map((row) => [row.lotId, row.boards]));
  }

  private view(
    lot: Lot,
    sessions: readonly ReadSession[],
    { gate, band, of, species }: { gate: MoistureGateSettings; band: Band; of: string; species: Species },
    airs: ReadonlyMap<string, ZoneTrace>,
    nowMs: number,
  ): LotView {
    const { stays, samples, firstReadMs, ...plain } = lot;
    const shown = {
      ...plain,
      rulesOf: of,
      band,
      readingsNeeded: readingsNeeded(gate, lot.volumeM3),
      verdict: 'pass' as Verdict,
      findings: [],
      latest: [],
      ready: null,
      odd: [],
      outOfBand: outOfBand(lot, band),
      wholeBoards: 0,
    };
    if (lot.state !== 'drying') return shown;
    const latest = sessions.at(-1)?.readings ?? [];
    const findings = judgeLot(
      {
        nowMs,
        receivedMs: lot.receivedMs,
        thicknessMm: lot.thicknessMm,
        volumeM3: lot.volumeM3,
        readings: latest,
        series: sessions.map(({ session }) => ({ atMs: session.atMs, value: session.meanPct })),
        papers: lot.restricted ? (lot.permit === null ? 'missing' : 'present') : 'not needed',
      },
      band,
      gate,
    );
    const drying = this.drying.of(lot, species, sessions, airs, nowMs);
    const outlook = drying ? this.drying.outlook(drying, band, nowMs, { fanDays: 0 }) : undefined;
    return {
      ...shown,
      verdict: worst(findings),
      findings,
      latest: latest.map((r) => r.correctedPct),
      ready: drying && outlook ? readyView(drying.fit, outlook) : null,
      odd: outliers(
        latest.map((r) => r.correctedPct),
        METER_NOISE_PCT,
      ),
    };
  }
}
