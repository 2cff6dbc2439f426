import { emcOfAirPct } from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import { DataSource, In, type EntityManager } from 'typeorm';
import { ZoneEntity } from '../climate/climate.entity.ts';
import { LogbookEntity } from '../logbook/logbook.entity.ts';
import { toLogView } from '../factory/logbookWords.ts';
import { Clock } from '../platform/clock/clock.ts';
import { notFound } from '../platform/problems/problems.ts';
import { toOverrideView } from '../batches/history.view.ts';
import { BatchEntity, PieceEntity } from '../batches/batch.entity.ts';
import { OverrideEntity } from '../routing/override.entity.ts';
import { FactoryService } from '../factory/factory.service.ts';
import { CuttingQueries } from './cutting.queries.ts';
import { DryingService } from './drying.service.ts';
import { dryingView, outlookView, type OutlookView } from './drying.view.ts';
import type { KeptWoodView, LotCardView } from './lot.dto.ts';
import { LotLists } from './lots.lists.ts';
import { BoardEntity, LotEntity, PictureEntity, ReadingEntity, ReadingSessionEntity } from './timber.entity.ts';

/** What orders that are not all sent keep of a lot. */
const keptOf = (manager: EntityManager, lotId: string): Promise<KeptWoodView[]> =>
  manager.query(
    `select k.order_id as "orderId", o.customer, k.volume_m3 as "volumeM3" from kept_wood k join customer_order o on o.id = k.order_id
     where k.lot_id = $1 and o.shipped < o.quantity order by o.due_at`,
    [lotId],
  );

/** All that is known of one lot. */
@Injectable()
export class LotsQueries {
  constructor(
    private readonly database: DataSource,
    private readonly factories: FactoryService,
    private readonly drying: DryingService,
    private readonly cutting: CuttingQueries,
    private readonly lists: LotLists,
    private readonly clock: Clock,
  ) {}

  async card(lotId: string): Promise<LotCardView> {
    const { manager } = this.database;
    const lot = await manager.findOneBy(LotEntity, { id: lotId });
    if (!lot) throw notFound('lot', lotId);
    const factory = await this.factories.load();
    const [views, zones, sessions, batches, overrides, log] = await Promise.all([
      this.lists.views([lot], factory),
      manager.find(ZoneEntity).then((all) => new Map(all.map((z) => [z.id, z.name]))),
      manager.find(ReadingSessionEntity, { where: { lotId }, order: { atMs: 'ASC' } }),
      manager.find(BatchEntity, { where: { lotId }, order: { number: 'ASC' } }),
      manager.find(OverrideEntity, { where: { lotId }, order: { atMs: 'ASC' } }),
      manager.find(LogbookEntity, { where: { lotId }, order: { atMs: 'DESC', id: 'DESC' } }),
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
      kept: await keptOf(manager, lotId),
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
    const [view] = await this.lists.views([lot], factory);
    const read = (await this.drying.sessions([lotId])).get(lotId) ?? [];
    const known = this.drying.of(lot, factory.species(lot.species), read, await this.drying.airs([lot]), nowMs);
    if (!view || !known) throw notFound('drying curve of lot', lotId);
    const ahead = { emcPct: emcOfAirPct(air), driftPct: 0, season: null };
    return outlookView(known.fit, this.drying.outlook(known, view.band, nowMs, { ahead }));
  }
}
