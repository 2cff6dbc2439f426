import { forecastDrying, judgeLot, priorDryingRatePerDay, shopBand, worst, type Lot } from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import { DataSource, In, type EntityManager } from 'typeorm';
import { ZoneEntity } from '../climate/climate.entity.ts';
import { ClimateService } from '../climate/climate.service.ts';
import { LogbookEntity } from '../logbook/logbook.entity.ts';
import { toLogView } from '../logbook/sentence.ts';
import { Clock } from '../platform/clock/clock.ts';
import { notFound } from '../platform/problems/problems.ts';
import { Snapshots, type Shelf } from '../platform/snapshots/snapshots.service.ts';
import { toOverrideView } from '../routing/history.view.ts';
import { BatchEntity, OverrideEntity, PieceEntity } from '../routing/routing.entity.ts';
import { nameOf, ShopService, type Shop } from '../setup/shop.service.ts';
import type { LotCardView, LotView } from './lot.dto.ts';
import { LotEntity, ReadingEntity, ReadingSessionEntity } from './timber.entity.ts';

/** What the wood room shows of its lots. */
@Injectable()
export class LotsQueries {
  private readonly lists: Shelf<LotView[]>;

  constructor(
    private readonly database: DataSource,
    private readonly shops: ShopService,
    private readonly climate: ClimateService,
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
    return this.views(lots, await this.shops.load());
  }

  /** Lots with their band, their latest readings and what the gate says. */
  async views(lots: readonly Lot[], shop: Shop, manager: EntityManager = this.database.manager): Promise<LotView[]> {
    const { moistureGate, moistureBand, factory } = shop.settings;
    const shopEmc = await this.climate.meanEmcPct(factory.woodRoomZoneId, manager);
    const band =
      moistureBand.school === 'shop'
        ? shopBand(shopEmc, moistureBand.halfWidthPct)
        : { low: moistureBand.fixedLowPct, high: moistureBand.fixedHighPct };
    const zoneEmc = new Map<string, number>();
    for (const zoneId of new Set(lots.map((l) => l.zoneId))) zoneEmc.set(zoneId, await this.climate.meanEmcPct(zoneId, manager));
    const drying = lots.filter((l) => l.state === 'drying').map((l) => l.id);
    const sessions = await manager.find(ReadingSessionEntity, {
      where: { lotId: In(drying) },
      order: { atMs: 'ASC' },
    });
    const latestIds = new Map(sessions.map((s) => [s.lotId, s.id]));
    const readings = await manager.find(ReadingEntity, {
      where: { sessionId: In([...latestIds.values()]) },
      order: { seq: 'ASC' },
    });
    return lots.map((lot) => {
      const latest = readings.filter((r) => r.sessionId === latestIds.get(lot.id) && r.struck === null);
      const findings =
        lot.state === 'drying'
          ? judgeLot(
              {
                nowMs: this.clock.nowMs(),
                receivedMs: lot.receivedMs,
                thicknessMm: lot.thicknessMm,
                readings: latest,
                series: sessions.filter((s) => s.lotId === lot.id).map((s) => ({ atMs: s.atMs, value: s.meanPct })),
                papers: lot.restricted ? (lot.permit === null ? 'missing' : 'present') : 'not needed',
              },
              band,
              moistureGate,
            )
          : [];
      const emc = zoneEmc.get(lot.zoneId) ?? shopEmc;
      const forecast =
        lot.state === 'drying' && lot.meanPct !== null
          ? forecastDrying(lot.meanPct, emc, priorDryingRatePerDay(lot.species, lot.thicknessMm), band)
          : null;
      return {
        ...lot,
        band,
        verdict: worst(findings),
        findings,
        latest: latest.map((r) => r.correctedPct),
        daysToBand: forecast?.kind === 'in-days' ? forecast.days : forecast?.kind === 'in-band' ? 0 : null,
        never: forecast?.kind === 'never' ? forecast.because : null,
      };
    });
  }

  async card(lotId: string): Promise<LotCardView> {
    const { manager } = this.database;
    const lot = await manager.findOneBy(LotEntity, { id: lotId });
    if (!lot) throw notFound('lot', lotId);
    const shop = await this.shops.load();
    const [views, zone, sessions, batches, overrides, log] = await Promise.all([
      this.views([lot], shop),
      manager.findOneBy(ZoneEntity, { id: lot.zoneId }),
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
    return {
      lot: view,
      zoneName: zone?.name ?? lot.zoneId,
      roomEmcPct: await this.climate.meanEmcPct(lot.zoneId),
      ratePerDay: priorDryingRatePerDay(lot.species, lot.thicknessMm),
      sessions: sessions.map((s) => ({
        ...s,
        by: nameOf(shop, s.personId),
        readings: readings.filter((r) => r.sessionId === s.id),
      })),
      batches: batches
        .filter((b) => b.component !== 'instrument')
        .map((b) => ({
          batchId: b.id,
          modelName: shop.models.get(b.modelId)?.name ?? b.modelId,
          component: b.component,
          startedMs: b.startedMs,
        })),
      serials: [...new Set(pieces.flatMap((p) => p.serial ?? []))].sort(),
      overrides: overrides.map((o) => toOverrideView(o, shop, null)),
      log: log.map((row) => toLogView(row, shop, null)),
    };
  }
}
