import {
  bandOf,
  CLIMATE_FORTNIGHT_MS,
  equilibriumMoisturePct,
  HOUR_MS,
  judgeLot,
  meanEmcPct,
  METER_NOISE_PCT,
  ORDINARY_EMC_PCT,
  outliers,
  readingsNeeded,
  rulesFor,
  worst,
  type Band,
  type Lot,
  type Species,
  type MoistureGateSettings,
  type Verdict,
} from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import { DataSource, In, type EntityManager } from 'typeorm';
import { ZoneEntity } from '../climate/climate.entity.ts';
import type { ZoneTrace } from '../climate/climate.service.ts';
import { LogbookEntity } from '../logbook/logbook.entity.ts';
import { toLogView } from '../factory/logbookWords.ts';
import { Clock } from '../platform/clock/clock.ts';
import { notFound } from '../platform/problems/problems.ts';
import { Snapshots, type Shelf } from '../platform/snapshots/snapshots.service.ts';
import { toOverrideView } from '../batches/history.view.ts';
import { BatchEntity, PieceEntity } from '../batches/batch.entity.ts';
import { OverrideEntity } from '../routing/override.entity.ts';
import { FactoryService, type FactoryNow } from '../factory/factory.service.ts';
import { CuttingQueries } from './cutting.queries.ts';
import { DryingService, type ReadSession } from './drying.service.ts';
import { dryingView, outlookView, readyView, type OutlookView } from './drying.view.ts';
import type { LotCardView, LotView } from './lot.dto.ts';
import { BoardEntity, LotEntity, PictureEntity, ReadingEntity, ReadingSessionEntity } from './timber.entity.ts';

/** What the wood room shows of its lots. */
@Injectable()
export class LotsQueries {
  private readonly lists: Shelf<LotView[]>;
  private readonly kept = new Map<string, { state: string; view: LotView }>();

  constructor(
    private readonly database: DataSource,
    private readonly factories: FactoryService,
    private readonly drying: DryingService,
    private readonly cutting: CuttingQueries,
    private readonly clock: Clock,
    snapshots: Snapshots,
  ) {
    this.lists = snapshots.shelf();
  }

  list(states: readonly string[] | undefined): Promise<LotView[]> {
    return this.lists.of(states?.join() ?? 'all', () => this.readList(states));
  }

  private async readList(states: readonly string[] | undefined): Promise<LotView[]> {
    const lots = await this.database.getRepository(LotEntity).find({
      ...(states ? { where: { state: In([...states]) } } : {}),
      order: { number: 'DESC' },
      take: 2000,
    });
    return this.views(lots, await this.factories.load());
  }

  /** Lots with their band, their latest readings, what the gate says, and when they will be ready. */
  async views(lots: readonly Lot[], factory: FactoryNow, manager: EntityManager = this.database.manager): Promise<LotView[]> {
    const { moistureGate, moistureBand, moistureExceptions, factory: house } = factory.setUp.settings;
    const nowMs = this.clock.nowMs();
    const airs = await this.drying.airs(lots, { also: [house.woodRoomZoneId], asked: manager });
    const shopEmc = shopEmcOf(airs.get(house.woodRoomZoneId), nowMs);
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
    for (const lot of unknown) {
      const { gate, band: settings, of } = rulesFor(lot, rules, moistureExceptions);
      const band = bandOf(settings, shopEmc);
      const view = this.view(lot, sessions.get(lot.id) ?? [], { gate, band, of, species: factory.species(lot.species) }, airs, nowMs);
      this.kept.set(lot.id, { state: stateOf(lot), view });
    }
    return lots.flatMap((lot) => known(lot) ?? []);
  }

  /** What the wood room's air has tended to over the last fortnight. */
  async shopEmcPct(zoneId: string, nowMs: number, manager: EntityManager): Promise<number> {
    return shopEmcOf((await this.drying.airs([], { also: [zoneId], asked: manager })).get(zoneId), nowMs);
  }

  private view(
    lot: Lot,
    sessions: readonly ReadSession[],
    { gate, band, of, species }: { gate: MoistureGateSettings; band: Band; of: string; species: Species },
    airs: ReadonlyMap<string, ZoneTrace>,
    nowMs: number,
  ): LotView {
    const { stays, samples, ...plain } = lot;
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
      firstPct: sessions[0]?.session.meanPct ?? null,
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

  async card(lotId: string): Promise<LotCardView> {
    const { manager } = this.database;
    const lot = await manager.findOneBy(LotEntity, { id: lotId });
    if (!lot) throw notFound('lot', lotId);
    const factory = await this.factories.load();
    const [views, zones, sessions, batches, overrides, log] = await Promise.all([
      this.views([lot], factory),
      manager.find(ZoneEntity).then((all) => new Map(all.map((z) => [z.id, z.name]))),
      manager.find(ReadingSessionEntity, { where: { lotId }, order: { atMs: 'ASC' } }),
      manager.find(BatchEntity, { where: { lotId }, order: { number: 'ASC' } }),
      manager.find(OverrideEntity, { where: { lotId }, order: { atMs: 'ASC' } }),
      manager.find(LogbookEntity, { where: { lotId }, order: { atMs: 'DESC', id: 'DESC' }, take: 300 }),
    ]);
    const readings = await manager.find(ReadingEntity, {
      where: { sessionId: In(sessions.map((s) => s.id)) },
      order: { seq: 'ASC' },
    });
    const pieces = await manager.find(PieceEntity, { where: { lotId } });
    const [view] = views;
    if (!view) throw notFound('lot', lotId);
    const nowMs = this.clock.nowMs();
    const untilMs = lot.releasedMs ?? nowMs;
    const read = (await this.drying.sessions([lotId])).get(lotId) ?? [];
    const known = this.drying.of(lot, factory.species(lot.species), read, await this.drying.airs([lot]), untilMs);
    const drying = known
      ? dryingView(known, this.drying.outlook(known, view.band, untilMs), read, view.band, lot.receivedMs, untilMs)
      : null;
    return {
      lot: view,
      zoneName: zones.get(lot.zoneId) ?? lot.zoneId,
      stays: lot.stays.map((s) => ({ ...s, zoneName: zones.get(s.zoneId) ?? s.zoneId })),
      samples: Object.entries(lot.samples).map(([name, dryMassG]) => ({ name, dryMassG })),
      drying,
      sessions: sessions.map((s) => ({
        ...s,
        by: factory.personName(s.personId),
        readings: readings.filter((r) => r.sessionId === s.id),
      })),
      batches: batches
        .filter((b) => b.component !== 'instrument')
        .map((b) => ({
          batchId: b.id,
          modelName: factory.modelName(b.modelId),
          component: b.component,
          startedMs: b.startedMs,
        })),
      boards: await manager.find(BoardEntity, { where: { lotId }, order: { ordinal: 'ASC' } }),
      blanks: await this.cutting.blanks({ lotId }),
      pictures: await manager.find(PictureEntity, { where: { lotId }, order: { atMs: 'DESC' } }),
      serials: [...new Set(pieces.flatMap((p) => p.serial ?? []))].sort(),
      overrides: overrides.map((o) => toOverrideView(o, factory, null)),
      log: log.map((row) => toLogView(row, factory, null)),
    };
  }

  /** Where a lot would go in other air. */
  async outlook(lotId: string, air: { tempC: number; relativeHumidity: number }): Promise<OutlookView> {
    const lot = await this.database.manager.findOneBy(LotEntity, { id: lotId });
    if (!lot) throw notFound('lot', lotId);
    const nowMs = this.clock.nowMs();
    const factory = await this.factories.load();
    const [view] = await this.views([lot], factory);
    const read = (await this.drying.sessions([lotId])).get(lotId) ?? [];
    const known = this.drying.of(lot, factory.species(lot.species), read, await this.drying.airs([lot]), nowMs);
    if (!view || !known) throw notFound('drying curve of lot', lotId);
    const ahead = { emcPct: equilibriumMoisturePct(air.tempC, air.relativeHumidity), driftPct: 0 };
    return outlookView(known.fit, this.drying.outlook(known, view.band, nowMs, { ahead }));
  }
}

const shopEmcOf = (trace: ZoneTrace | undefined, nowMs: number): number =>
  trace?.emc ? meanEmcPct(trace.emc, nowMs - CLIMATE_FORTNIGHT_MS, nowMs) : ORDINARY_EMC_PCT;
