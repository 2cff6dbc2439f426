import {
  gateFindings,
  groupBy,
  HOUR_MS,
  measureEvidence,
  type Batch,
  type Evidence,
  type Finding,
  Measure,
  needsOf,
  type TemperatureSample,
  livePieces,
  Piece,
  rowsBy,
} from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import { DataSource, type EntityManager } from 'typeorm';
import { ClimateService } from '../climate/climate.service.ts';
import { RowReader } from '../logbook/rowReader.ts';
import { Clock } from '../platform/clock/clock.ts';
import { nameOf, type Shop } from '../factory/shop.service.ts';

type Needs = (batch: Batch, ...fields: (keyof Evidence)[]) => boolean;

@Injectable()
export class EvidenceService {
  constructor(
    private readonly database: DataSource,
    private readonly climate: ClimateService,
    private readonly clock: Clock,
    private readonly reader: RowReader,
  ) {}

  /** The evidence for the gates of many batches; only what their rules look at is asked for, once for all of them. */
  async gather(batches: readonly Batch[], shop: Shop): Promise<Map<string, Evidence>> {
    const { manager } = this.database;
    const nowMs = this.clock.nowMs();
    const needs: Needs = (batch, ...fields) =>
      shop.factory.operationAt(batch).gate.some((rule) => needsOf(rule).some((field) => fields.includes(field)));
    const zoneOf = (batch: Batch) => shop.stations.get(batch.stationCode)?.zoneId ?? shop.settings.factory.woodRoomZoneId;
    const temperatures = await this.temperatures(
      batches.filter((b) => needs(b, 'temperatures')),
      zoneOf,
      nowMs,
      manager,
    );
    const measures = await this.measures(batches.filter((b) => needs(b, 'measures', 'courses')));
    const lastCoats = await this.lastCoats(
      batches.filter((b) => needs(b, 'lastCoatMs')),
      manager,
    );
    const airs = new Map<string, { tempC: number; relativeHumidity: number }>();
    for (const zoneId of new Set(batches.filter((b) => needs(b, 'air')).map(zoneOf))) {
      const air = await this.climate.air(zoneId, manager);
      if (air) airs.set(zoneId, air);
    }
    return new Map(
      batches.map((b) => {
        const lastCoatMs = lastCoats.get(b.id) ?? null;
        const air = airs.get(zoneOf(b));
        const evidence: Evidence = {
          nowMs,
          sinceMs: b.arrivedMs,
          temperatures: temperatures.get(zoneOf(b)) ?? [],
          signOffs: b.signOffs.map((s) => ({ skill: s.skill, by: nameOf(shop, s.personId) })),
          ...measureEvidence(measures.get(b.id) ?? []),
          ...(needs(b, 'shortParts') ? { shortParts: shop.factory.shortKits(b.modelId) } : {}),
          ...(needs(b, 'lastCoatMs') ? { lastCoatMs } : {}),
          ...(air ? { air } : {}),
        };
        return [b.id, evidence];
      }),
    );
  }

  private async temperatures(batches: readonly Batch[], zoneOf: (batch: Batch) => string, nowMs: number, manager: EntityManager) {
    const zones = new Map<string, number>();
    for (const b of batches) zones.set(zoneOf(b), Math.min(b.arrivedMs, zones.get(zoneOf(b)) ?? Infinity));
    const temperatures = new Map<string, TemperatureSample[]>();
    for (const [zoneId, fromMs] of zones)
      temperatures.set(zoneId, await this.climate.temperatures(zoneId, fromMs - HOUR_MS, nowMs, manager));
    return temperatures;
  }

  /** The measures of the pieces that are still in each batch, wherever they were taken. */
  private async measures(batches: readonly Batch[]): Promise<Map<string, Measure[]>> {
    if (batches.length === 0) return new Map();
    const ids = new Set(batches.map((b) => b.id));
    const pieces = (await this.reader.read([rowsBy(Piece, 'batchId', [...ids])])).all(Piece);
    const batchOf = new Map(livePieces(pieces).map((p) => [p.id, p.batchId]));
    const measures = (await this.reader.read([rowsBy(Measure, 'pieceId', [...batchOf.keys()])])).all(Measure);
    return groupBy<Measure, string>(measures, (m) => batchOf.get(m.pieceId) ?? m.batchId);
  }

  private async lastCoats(batches: readonly Batch[], manager: EntityManager): Promise<Map<string, number>> {
    if (batches.length === 0) return new Map();
    const rows: { batch_id: string; at: Date }[] = await manager.query(
      `select batch_id, max(at) as at from coat where batch_id = any($1) group by batch_id`,
      [batches.map((b) => b.id)],
    );
    return new Map(rows.map((r) => [r.batch_id, r.at.getTime()]));
  }

  /** The findings of the gate before each batch. */
  async findings(batches: readonly Batch[], shop: Shop): Promise<Map<string, Finding[]>> {
    const evidence = await this.gather(batches, shop);
    return new Map(
      batches.map((b) => {
        const atGate = b.status === 'dwelling' || b.status === 'finished';
        return [b.id, atGate ? gateFindings(b, shop.factory.operationAt(b), evidence.get(b.id) ?? { nowMs: this.clock.nowMs() }) : []];
      }),
    );
  }
}
