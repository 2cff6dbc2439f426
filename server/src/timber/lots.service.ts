import { mean, readSession, worst, Lot, Reading, ReadingSession, rowsOf } from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import { DataSource } from 'typeorm';
import { ZoneEntity } from '../climate/climate.entity.ts';
import { LogbookService, type UnitOfWork } from '../logbook/logbook.service.ts';
import type { Actor } from '../platform/identity/actor.ts';
import { mayActAs } from '../platform/identity/role.ts';
import { badInput, Problem, refused, stale } from '../platform/problems/problems.ts';
import { SettingsService } from '../platform/settings/settings.service.ts';
import { nextNumber } from '../logbook/nextNumber.ts';
import { ShopService } from '../factory/shop.service.ts';
import type { DescribeLotDto, MoveLotDto, ReadingsDto, ReceiveLotDto, ReleaseLotDto, StrikeDto } from './lot.dto.ts';
import { LotsQueries } from './lots.queries.ts';

const RELEASE_OVERRIDE_ROLE = 'manager';

@Injectable()
export class LotsService {
  constructor(
    private readonly database: DataSource,
    private readonly logbook: LogbookService,
    private readonly shops: ShopService,
    private readonly queries: LotsQueries,
    private readonly settings: SettingsService,
  ) {}

  async receive(actor: Actor, dto: ReceiveLotDto): Promise<{ id: string }> {
    const zone = await this.database.getRepository(ZoneEntity).findOneBy({ id: dto.zoneId });
    if (!zone) throw badInput('zoneId', `There is no zone ${dto.zoneId}`);
    return this.logbook.perform(actor, { name: 'receive lot', request: dto, concerns: { about: [] } }, async (unit) => {
      const number = Math.max(101, await nextNumber(unit, 'lot'));
      const id = `L${number}`;
      unit.record('lot.received', { lotId: id }, { lot: { ...dto, id, number } });
      return { id };
    });
  }

  async read(actor: Actor, lotId: string, dto: ReadingsDto): Promise<{ id: string }> {
    // The commonest command of all: it asks for the one setting it needs, not for the whole set-up.
    const meterSpecies = await this.settings.get('meterSpecies');
    return this.logbook.perform(
      actor,
      { name: 'read lot', request: { lotId, ...dto }, concerns: { about: [rowsOf(Lot, [lotId])] } },
      (unit) => {
        const lot = current(unit, lotId, dto.version);
        const species = meterSpecies[lot.species];
        const { readings, samples, problems } = readSession(dto.meter, dto.text, {
          woodTempC: dto.woodTempC,
          samples: lot.samples,
          ...(species ? { species } : {}),
        });
        if (problems.length > 0) throw badInput('text', problems.map((p) => p.message).join('. '));
        if (readings.length === 0) throw badInput('text', 'Type at least one reading');
        const atMs = dto.atMs ?? unit.nowMs;
        if (atMs > unit.nowMs) throw badInput('atMs', 'A reading cannot lie in the future');
        if (atMs < lot.receivedMs) throw badInput('atMs', 'The lot was received after that');
        const sessionId = `${lotId}/${lot.sessions + 1}`;
        unit.record(
          'lot.read',
          { lotId },
          {
            sessionId,
            meter: dto.meter,
            woodTempC: dto.woodTempC,
            readings,
            ...(species ? { species } : {}),
            ...(Object.keys(samples).length > 0 ? { samples } : {}),
          },
          atMs,
        );
        return { id: sessionId };
      },
    );
  }

  /** What is known of a lot better than before: papers, grade, place. */
  async describe(actor: Actor, lotId: string, { version, ...dto }: DescribeLotDto): Promise<{ id: string }> {
    if (Object.keys(dto).length === 0) throw badInput('version', 'Nothing is said of the lot');
    return this.logbook.perform(
      actor,
      { name: 'describe lot', request: { lotId, version, ...dto }, concerns: { about: [rowsOf(Lot, [lotId])] } },
      (unit) => {
        current(unit, lotId, version);
        unit.record('lot.described', { lotId }, dto);
        return { id: lotId };
      },
    );
  }

  /** Takes a lot to another room or place, or puts it on a kiln's schedule. */
  async move(actor: Actor, lotId: string, { version, ...dto }: MoveLotDto): Promise<{ id: string }> {
    const zone = await this.database.getRepository(ZoneEntity).findOneBy({ id: dto.zoneId });
    if (!zone) throw badInput('zoneId', `There is no zone ${dto.zoneId}`);
    const { kilnSchedules } = (await this.shops.load()).settings;
    if (dto.scheduleId !== null && !kilnSchedules.some((k) => k.id === dto.scheduleId))
      throw badInput('scheduleId', `There is no schedule ${dto.scheduleId}`);
    return this.logbook.perform(
      actor,
      { name: 'move lot', request: { lotId, version, ...dto }, concerns: { about: [rowsOf(Lot, [lotId])] } },
      (unit) => {
        const lot = current(unit, lotId, version);
        if (lot.zoneId === dto.zoneId && lot.place === dto.place && lot.scheduleId === dto.scheduleId)
          throw badInput('zoneId', 'It lies there already');
        unit.record('lot.moved', { lotId }, dto);
        return { id: lotId };
      },
    );
  }

  /** Takes a reading out of the reckoning; it stays on record with the reason. */
  async strike(actor: Actor, lotId: string, dto: StrikeDto): Promise<{ id: string }> {
    return this.logbook.perform(
      actor,
      {
        name: 'strike reading',
        request: { lotId, ...dto },
        concerns: { about: [rowsOf(Lot, [lotId]), rowsOf(ReadingSession, [dto.sessionId])] },
      },
      (unit) => {
        current(unit, lotId, dto.version);
        const session = unit.rows.get(ReadingSession, dto.sessionId);
        if (session.lotId !== lotId) throw badInput('sessionId', `That session is not of lot ${lotId}`);
        const readings = unit.rows.all(Reading);
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
        unit.record(
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
    return this.logbook.perform(
      actor,
      { name: 'release lot', request: { lotId, ...dto }, concerns: { about: [rowsOf(Lot, [lotId])] } },
      async (unit) => {
        const lot = current(unit, lotId, dto.version);
        if (lot.state !== 'drying') throw refused([{ rule: 'state', verdict: 'stop', sentence: `Lot ${lotId} is ${lot.state} already` }]);
        const [judged] = await this.queries.views([lot], shop, unit.manager);
        const findings = judged?.findings ?? [];
        if (worst(findings) === 'pass') {
          unit.record('lot.released', { lotId }, { override: null, findings });
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
        unit.record('lot.released', { lotId }, { override: { reason: dto.overrideReason, findings }, findings });
        return { id: lotId };
      },
    );
  }
}

function current(unit: UnitOfWork, lotId: string, version: number): Lot {
  const lot = unit.rows.get(Lot, lotId);
  if (lot.version !== version) throw stale(`Lot ${lotId}`, lot);
  return lot;
}
