import {
  climateAhead,
  dryingPrior,
  fitDrying,
  forecastLot,
  groupBy,
  HOUR_MS,
  livedThrough,
  sessionErrorPct,
  standardDeviation,
  type Band,
  type ClimateAhead,
  type DryingFit,
  type DryingOutlook,
  type EmcTrace,
  type Lot,
  type Species,
} from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import { LRUCache } from 'lru-cache';
import { DataSource, In, IsNull, type EntityManager } from 'typeorm';
import type { Asked } from '../platform/database/prepared.ts';
import { ClimateService, type ZoneTrace } from '../climate/climate.service.ts';
import { ReadingEntity, ReadingSessionEntity } from './timber.entity.ts';

/** Lots whose fit is kept. */
const FITS_KEPT = 5_000;
/** Pieces of a lot differ about this much before readings tell. */
const PIECE_SD_PCT = 0.5;

/** A lot's sessions with those of their readings that count. */
export interface ReadSession {
  session: ReadingSessionEntity;
  readings: ReadingEntity[];
}

/** What is known of a lot's drying. */
export interface LotDrying {
  fit: DryingFit;
  trace: EmcTrace;
  /** the air it lies in, carried on */
  ahead: ClimateAhead;
  pieceSdPct: number;
}

/** Fits each lot's drying through the rooms it has lain in, and keeps the fit until something it rests on changes. */
@Injectable()
export class DryingService {
  private readonly fits = new LRUCache<string, { state: string; fit: DryingFit; pieceSdPct: number }>({ max: FITS_KEPT });
  private readonly aheads = new WeakMap<EmcTrace, { hour: number; ahead: ClimateAhead }>();

  constructor(
    private readonly database: DataSource,
    private readonly climate: ClimateService,
  ) {}

  /** The climate of every zone some lots have lain in. */
  async airs(
    lots: readonly Lot[],
    { also = [], asked = this.database }: { also?: readonly string[]; asked?: Asked } = {},
  ): Promise<Map<string, ZoneTrace>> {
    const ids = [...new Set([...also, ...lots.flatMap((l) => [l.zoneId, ...l.stays.map((s) => s.zoneId)])])];
    return new Map(await Promise.all(ids.map(async (id) => [id, await this.climate.trace(id, asked)] as const)));
  }

  /** Sessions of lots in time order, with the readings that were not struck out. */
  async sessions(lotIds: readonly string[], manager: EntityManager = this.database.manager): Promise<Map<string, ReadSession[]>> {
    if (lotIds.length === 0) return new Map();
    const sessions = await manager.find(ReadingSessionEntity, { where: { lotId: In([...lotIds]) }, order: { atMs: 'ASC' } });
    const readings = await manager.find(ReadingEntity, {
      where: { sessionId: In(sessions.map((s) => s.id)), struck: IsNull() },
      order: { seq: 'ASC' },
    });
    const bySession = groupBy(readings, (r) => r.sessionId);
    const read = sessions.map((session) => ({ session, readings: bySession.get(session.id) ?? [] }));
    return groupBy(read, ({ session }) => session.lotId);
  }

  /** What a lot's sessions tell of its drying; nothing before the first, or while nobody knows how fast its wood dries. */
  of(
    lot: Lot,
    species: Species,
    sessions: readonly ReadSession[],
    airs: ReadonlyMap<string, ZoneTrace>,
    nowMs: number,
  ): LotDrying | undefined {
    const prior = dryingPrior(species, lot.thicknessMm, sessions.length);
    if (sessions.length === 0 || prior === null) return undefined;
    const air = airs.get(lot.zoneId);
    if (!air) return undefined;
    const stays = lot.stays.flatMap(({ zoneId, fromMs }) => {
      const trace = airs.get(zoneId)?.emc;
      return trace ? [{ fromMs, trace }] : [];
    });
    const trace = livedThrough(stays.length > 0 ? stays : [{ fromMs: lot.receivedMs, trace: air.emc }]);
    const state = `${lot.version}/${prior.ratePerDay}/${lot.stays.map((s) => airs.get(s.zoneId)?.revision ?? 0).join()}`;
    let kept = this.fits.get(lot.id);
    if (kept?.state !== state) {
      const means = sessions.map(({ session, readings }) => ({
        atMs: session.atMs,
        meanPct: session.meanPct,
        errorPct: sessionErrorPct(readings.map((r) => r.correctedPct)),
      }));
      const latest = sessions.at(-1)?.readings.filter((r) => r.depth === 'shell') ?? [];
      kept = {
        state,
        fit: fitDrying(means, trace, prior),
        pieceSdPct: latest.length >= 3 ? standardDeviation(latest.map((r) => r.correctedPct)) : PIECE_SD_PCT,
      };
      this.fits.set(lot.id, kept);
    }
    return { fit: kept.fit, pieceSdPct: kept.pieceSdPct, trace, ahead: this.ahead(air.emc, nowMs) };
  }

  /** Where a lot goes from here, in its own air or in another. */
  outlook(drying: LotDrying, band: Band, nowMs: number, over: { ahead?: ClimateAhead; fanDays?: number } = {}): DryingOutlook {
    const { ahead = drying.ahead, fanDays } = over;
    return forecastLot(drying.fit, drying.trace, {
      nowMs,
      band,
      ahead,
      pieceSdPct: drying.pieceSdPct,
      ...(fanDays === undefined ? {} : { fanDays }),
    });
  }

  /** The air of a room carried on; worked out once an hour for all that lie in it. */
  private ahead(trace: EmcTrace, nowMs: number): ClimateAhead {
    const hour = Math.floor(nowMs / HOUR_MS);
    const known = this.aheads.get(trace);
    if (known?.hour === hour) return known.ahead;
    const ahead = climateAhead(trace, nowMs);
    this.aheads.set(trace, { hour, ahead });
    return ahead;
  }
}
