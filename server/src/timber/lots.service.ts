import {
  correctedMoisturePct,
  forecastDrying,
  judgeLot,
  mean,
  parseReadings,
  priorDryingRatePerDay,
  shopBand,
  worst,
  type Lot,
} from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import { parse } from 'csv-parse/sync';
import { DataSource, In, type EntityManager } from 'typeorm';
import { ClimateService } from '../climate/climate.service.ts';
import { ZoneEntity } from '../climate/climate.entity.ts';
import { LogbookEntity } from '../logbook/logbook.entity.ts';
import { LogbookService, type UnitOfWork } from '../logbook/logbook.service.ts';
import { sentenceOf } from '../logbook/sentence.ts';
import { Clock } from '../platform/clock/clock.ts';
import type { Actor } from '../platform/identity/actor.ts';
import { mayActAs } from '../platform/identity/role.ts';
import { badInput, notFound, Problem, refused, stale } from '../platform/problems/problems.ts';
import { nextNumber } from '../routing/batches.service.ts';
import { BatchEntity, OverrideEntity, PieceEntity } from '../routing/routing.entity.ts';
import { nameOf, ShopService, type Shop } from '../setup/shop.service.ts';
import { LotEntity, ReadingEntity, ReadingSessionEntity } from './timber.entity.ts';
import type { ImportRowView, ImportView, LotCardView, LotView, ReadingsDto, ReceiveLotDto, ReleaseLotDto, StrikeDto } from './lot.dto.ts';

const RELEASE_OVERRIDE_ROLE = 'manager';
const IMPORT_COLUMNS = ['lot', 'date', 'wood_temp_c', 'readings'] as const;

@Injectable()
export class LotsService {
  constructor(
    private readonly database: DataSource,
    private readonly logbook: LogbookService,
    private readonly shops: ShopService,
    private readonly climate: ClimateService,
    private readonly clock: Clock,
  ) {}

  async receive(actor: Actor, dto: ReceiveLotDto): Promise<{ id: string }> {
    const zone = await this.database.getRepository(ZoneEntity).findOneBy({ id: dto.zoneId });
    if (!zone) throw badInput('zoneId', `There is no zone ${dto.zoneId}`);
    return this.logbook.perform(actor, { name: 'receive lot', request: dto, concerns: {} }, async (unit) => {
      const number = Math.max(101, await nextNumber(unit, 'lot'));
      const id = `L${number}`;
      await unit.record('lot.received', { lotId: id }, { lot: { ...dto, id, number } });
      return { id };
    });
  }

  async read(actor: Actor, lotId: string, dto: ReadingsDto): Promise<{ id: string }> {
    const { readings, problems } = parseReadings(dto.text);
    if (problems.length > 0) throw badInput('text', problems.map((p) => p.message).join('. '));
    if (readings.length === 0) throw badInput('text', 'Type at least one reading');
    return this.logbook.perform(actor, { name: 'read lot', request: { lotId, ...dto }, concerns: { lots: [lotId] } }, async (unit) => {
      const lot = current(unit, lotId, dto.version);
      const atMs = dto.atMs ?? unit.nowMs;
      if (atMs > unit.nowMs) throw badInput('atMs', 'A reading cannot lie in the future');
      if (atMs < lot.receivedMs) throw badInput('atMs', 'The lot was received after that');
      const sessionId = `${lotId}/${lot.sessions + 1}`;
      await unit.record(
        'lot.read',
        { lotId },
        {
          sessionId,
          meter: dto.meter,
          woodTempC: dto.woodTempC,
          readings: readings.map((r) => ({
            ...r,
            correctedPct: dto.meter === 'pin' ? Math.round(correctedMoisturePct(r.rawPct, dto.woodTempC) * 100) / 100 : r.rawPct,
          })),
        },
        atMs,
      );
      return { id: sessionId };
    });
  }

  /** Takes a reading out of the reckoning; it stays on record with the reason. */
  async strike(actor: Actor, lotId: string, dto: StrikeDto): Promise<{ id: string }> {
    return this.logbook.perform(
      actor,
      {
        name: 'strike reading',
        request: { lotId, ...dto },
        concerns: { lots: [lotId], sessions: [dto.sessionId] },
      },
      async (unit) => {
        current(unit, lotId, dto.version);
        const session = unit.state.get('session', dto.sessionId);
        if (session.lotId !== lotId) throw badInput('sessionId', `That session is not of lot ${lotId}`);
        const readings = unit.state.all('reading');
        const struck = readings.find((r) => r.seq === dto.seq);
        if (!struck) throw badInput('seq', `That session has no reading ${dto.seq}`);
        if (struck.struck !== null) throw refused([{ rule: 'state', verdict: 'stop', sentence: 'That reading is struck out already' }]);
        const left = readings.filter((r) => r.struck === null && r.seq !== dto.seq).map((r) => r.correctedPct);
        if (left.length === 0)
          throw refused([
            {
              rule: 'state',
              verdict: 'stop',
              sentence: 'The last reading of a session cannot be struck out',
            },
          ]);
        await unit.record(
          'reading.struck',
          { lotId },
          {
            sessionId: dto.sessionId,
            seq: dto.seq,
            reason: dto.reason,
            meanPct: mean(left),
            spreadPct: Math.max(...left) - Math.min(...left),
          },
        );
        return { id: `${dto.sessionId}/${dto.seq}` };
      },
    );
  }

  async release(actor: Actor, lotId: string, dto: ReleaseLotDto): Promise<{ id: string }> {
    const shop = await this.shops.load();
    return this.logbook.perform(actor, { name: 'release lot', request: { lotId, ...dto }, concerns: { lots: [lotId] } }, async (unit) => {
      const lot = current(unit, lotId, dto.version);
      if (lot.state !== 'drying') throw refused([{ rule: 'state', verdict: 'stop', sentence: `Lot ${lotId} is ${lot.state} already` }]);
      const [judged] = await this.views([lot], shop, unit.manager);
      const findings = judged?.findings ?? [];
      if (worst(findings) === 'pass') {
        await unit.record('lot.released', { lotId }, { override: null, findings });
        return { id: lotId };
      }
      if (dto.overrideReason === undefined) throw refused(findings.filter((f) => f.verdict !== 'pass'));
      if (!mayActAs(actor.role, RELEASE_OVERRIDE_ROLE))
        throw new Problem(
          403,
          'not-allowed',
          'Not allowed',
          `Wet or dry wood can be released by a ${RELEASE_OVERRIDE_ROLE} only; you are ${actor.role}.`,
        );
      if (dto.overrideReason.trim().length < 5) throw badInput('overrideReason', 'An override needs a reason that others will understand');
      await unit.record('lot.released', { lotId }, { override: { reason: dto.overrideReason.trim(), findings }, findings });
      return { id: lotId };
    });
  }

  async list(states: readonly string[] | undefined): Promise<LotView[]> {
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
      manager.find(LogbookEntity, { where: { lotId }, order: { id: 'DESC' }, take: 300 }),
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
      overrides: overrides.map((o) => ({
        atMs: o.atMs,
        by: nameOf(shop, o.personId),
        reason: o.reason,
        operationName: null,
        findings: [...o.findings],
      })),
      log: log.map((row) => ({
        id: row.id,
        atMs: row.atMs,
        by: nameOf(shop, row.personId),
        kind: row.kind,
        sentence: sentenceOf(row, shop, null),
      })),
    };
  }

  /** Reads a file of readings and says of each line whether it could be taken, and why not. Writes nothing. */
  async preview(csv: string): Promise<ImportView> {
    const rows = await this.importRows(csv);
    return {
      rows,
      good: rows.filter((r) => r.problem === null).length,
      bad: rows.filter((r) => r.problem !== null).length,
      saved: false,
    };
  }

  /** Takes the good lines of a file, each as a session of its lot; the bad ones are told, not taken. */
  async importReadings(actor: Actor, csv: string): Promise<ImportView> {
    const rows = await this.importRows(csv);
    const good = rows.filter((r) => r.problem === null);
    await this.logbook.perform(
      actor,
      { name: 'import readings', request: { csv }, concerns: { lots: good.map((r) => r.lotId) } },
      async (unit) => {
        for (const row of good) {
          const lot = unit.state.get('lot', row.lotId);
          await unit.record(
            'lot.read',
            { lotId: lot.id },
            {
              sessionId: `${lot.id}/${lot.sessions + 1}`,
              meter: 'pin',
              woodTempC: row.woodTempC,
              readings: parseReadings(row.text).readings.map((r) => ({
                ...r,
                correctedPct: Math.round(correctedMoisturePct(r.rawPct, row.woodTempC) * 100) / 100,
              })),
            },
            row.atMs ?? unit.nowMs,
          );
        }
        return { taken: good.length };
      },
    );
    return { rows, good: good.length, bad: rows.length - good.length, saved: true };
  }

  private async importRows(csv: string): Promise<(ImportRowView & { woodTempC: number })[]> {
    let records: Record<string, string>[];
    try {
      records = parse(csv, {
        columns: (header: string[]) => header.map((h) => h.trim().toLowerCase()),
        bom: true,
        trim: true,
        skip_empty_lines: true,
        delimiter: [',', ';', '\t'],
        relax_column_count: true,
      });
    } catch (error) {
      throw badInput('csv', `This is not a CSV file: ${error instanceof Error ? error.message : 'unreadable'}`);
    }
    const [first] = records;
    const missing = IMPORT_COLUMNS.filter((c) => first === undefined || !(c in first));
    if (missing.length > 0)
      throw badInput('csv', `The file needs a first line with the columns ${IMPORT_COLUMNS.join(', ')}; missing: ${missing.join(', ')}`);
    const lots = new Map(
      (await this.database.getRepository(LotEntity).findBy({ id: In(records.map((r) => r['lot'] ?? '')) })).map((l) => [l.id, l]),
    );
    const nowMs = this.clock.nowMs();
    return records.map((record, i) => {
      const lot = lots.get(record['lot'] ?? '');
      const atMs = Date.parse(record['date'] ?? '');
      const woodTempC = Number(record['wood_temp_c'] === '' ? NaN : record['wood_temp_c']);
      const text = record['readings'] ?? '';
      const { readings, problems } = parseReadings(text);
      const problem = !lot
        ? `There is no lot ${record['lot'] ?? ''}`
        : Number.isNaN(atMs)
          ? `"${record['date'] ?? ''}" is not a date like 2026-03-09T08:15`
          : atMs > nowMs
            ? 'The date lies in the future'
            : atMs < lot.receivedMs
              ? 'The lot was received after that'
              : !(woodTempC >= -20 && woodTempC <= 60)
                ? `Wood temperature "${record['wood_temp_c'] ?? ''}" is not between −20 and 60 °C`
                : problems.length > 0
                  ? problems.map((p) => p.message).join('. ')
                  : readings.length === 0
                    ? 'No readings'
                    : null;
      return {
        line: i + 2,
        lotId: record['lot'] ?? '',
        text,
        atMs: Number.isNaN(atMs) ? null : atMs,
        woodTempC,
        problem,
      };
    });
  }
}

function current(unit: UnitOfWork, lotId: string, version: number): Lot {
  const lot = unit.state.get('lot', lotId);
  if (lot.version !== version) throw stale(`Lot ${lotId}`, lot);
  return lot;
}
