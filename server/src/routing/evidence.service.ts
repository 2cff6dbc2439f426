import { gateFindings, HOUR_MS, type Batch, type Evidence, type Finding, type TemperatureSample } from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import type { EntityManager } from 'typeorm';
import { DataSource } from 'typeorm';
import { ClimateService } from '../climate/climate.service.ts';
import { Clock } from '../platform/clock/clock.ts';
import { operationAt, type Shop } from '../setup/shop.service.ts';

@Injectable()
export class EvidenceService {
  constructor(
    private readonly database: DataSource,
    private readonly climate: ClimateService,
    private readonly clock: Clock,
  ) {}

  /**
   * The evidence for the gates of many batches: one climate query a zone, however many batches wait in it.
   */
  async gather(batches: readonly Batch[], shop: Shop, manager: EntityManager = this.database.manager): Promise<Map<string, Evidence>> {
    const nowMs = this.clock.nowMs();
    const zoneOf = (batch: Batch) => shop.stations.get(batch.stationCode)?.zoneId ?? shop.settings.factory.woodRoomZoneId;
    const needsCure = batches.filter((b) => operationAt(shop, b).gate.some((r) => r.kind === 'equivalent'));
    const zones = new Map<string, number>();
    for (const b of needsCure) zones.set(zoneOf(b), Math.min(b.arrivedMs, zones.get(zoneOf(b)) ?? Infinity));
    const temperatures = new Map<string, TemperatureSample[]>();
    for (const [zoneId, fromMs] of zones)
      temperatures.set(zoneId, await this.climate.temperatures(zoneId, fromMs - HOUR_MS, nowMs, manager));
    return new Map(batches.map((b) => [b.id, { nowMs, sinceMs: b.arrivedMs, temperatures: temperatures.get(zoneOf(b)) ?? [] }]));
  }

  /** The findings of the gate before each batch. */
  async findings(batches: readonly Batch[], shop: Shop): Promise<Map<string, Finding[]>> {
    const evidence = await this.gather(batches, shop);
    return new Map(
      batches.map((b) => {
        const atGate = b.status === 'dwelling' || b.status === 'finished';
        return [b.id, atGate ? gateFindings(b, operationAt(shop, b), evidence.get(b.id) ?? { nowMs: this.clock.nowMs() }) : []];
      }),
    );
  }
}
