import { emcAt, groupBy, type EmcTrace } from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import { DataSource, In } from 'typeorm';
import { ZoneEntity } from '../climate/climate.entity.ts';
import { PersonEntity } from '../platform/identity/person.entity.ts';
import { notFound } from '../platform/problems/problems.ts';
import { OverrideEntity } from '../routing/override.entity.ts';
import { DryingService } from './drying.service.ts';
import { LotEntity, ReadingEntity, ReadingSessionEntity } from './timber.entity.ts';

const LOTS_AT_ONCE = 100;

/** What happened to a lot at one moment, or one reading of it: a line of the file. */
interface HistoryLine {
  event: 'received' | 'moved' | 'read' | 'released';
  atMs: number;
  by?: string | null;
  zoneId: string;
  session?: ReadingSessionEntity;
  reading?: ReadingEntity;
  note?: string | null;
}

/** The file's columns, each with the unit it is in. */
export const HISTORY_COLUMNS = [
  'lot',
  'species',
  'use',
  'form',
  'thickness_mm',
  'volume_m3',
  'supplier',
  'origin',
  'permit',
  'grade',
  'papers_pct',
  'event',
  'at_utc',
  'zone',
  'room_emc_pct',
  'by',
  'meter',
  'wood_temp_c',
  'reading',
  'depth',
  'raw_pct',
  'corrected_pct',
  'mass_g',
  'note',
] as const;

export type HistoryRow = Record<(typeof HISTORY_COLUMNS)[number], string | number | null>;

/** Everything known of lots' drying as lines of a table, for spreadsheets and statistics of one's own. */
@Injectable()
export class HistoriesService {
  constructor(
    private readonly database: DataSource,
    private readonly drying: DryingService,
  ) {}

  /** @throws Problem 404 when there is no such lot: a file that has begun cannot say so any more */
  async mustExist(lotId: string): Promise<void> {
    if (!(await this.database.manager.existsBy(LotEntity, { id: lotId }))) throw notFound('lot', lotId);
  }

  /** The history of one lot or of all, the oldest first. Reads a few lots at a time, however many there are. */
  async *rows(lotId?: string): AsyncGenerator<HistoryRow> {
    const { manager } = this.database;
    const zones = new Map((await manager.find(ZoneEntity)).map((z) => [z.id, z.name]));
    const people = new Map((await manager.find(PersonEntity)).map((p) => [p.id, p.name]));
    for (let skip = 0; ; skip += LOTS_AT_ONCE) {
      const lots = await manager.find(LotEntity, {
        ...(lotId === undefined ? {} : { where: { id: lotId } }),
        order: { number: 'ASC' },
        skip,
        take: LOTS_AT_ONCE,
      });
      yield* this.rowsOf(lots, zones, people);
      if (lots.length < LOTS_AT_ONCE) return;
    }
  }

  private async *rowsOf(
    lots: readonly LotEntity[],
    zones: ReadonlyMap<string, string>,
    people: ReadonlyMap<string, string>,
  ): AsyncGenerator<HistoryRow> {
    const { manager } = this.database;
    if (lots.length === 0) return;
    const lotIds = lots.map((l) => l.id);
    const sessions = await manager.find(ReadingSessionEntity, { where: { lotId: In(lotIds) }, order: { atMs: 'ASC', id: 'ASC' } });
    const readings = groupBy(
      await manager.find(ReadingEntity, { where: { sessionId: In(sessions.map((s) => s.id)) }, order: { seq: 'ASC' } }),
      (r) => r.sessionId,
    );
    const overrides = new Map((await manager.find(OverrideEntity, { where: { lotId: In(lotIds) } })).map((o) => [o.lotId, o]));
    const airs = await this.drying.airs(lots);
    const emcIn = (zoneId: string, atMs: number) => roomEmc(airs.get(zoneId)?.emc, atMs);
    const sessionsOf = groupBy(sessions, (s) => s.lotId);
    for (const lot of lots)
      for (const line of linesOf(lot, sessionsOf.get(lot.id) ?? [], readings, overrides.get(lot.id)))
        yield {
          lot: lot.id,
          species: lot.species,
          use: lot.use,
          form: lot.form,
          thickness_mm: lot.thicknessMm,
          volume_m3: lot.volumeM3,
          supplier: lot.supplier,
          origin: lot.origin,
          permit: lot.permit,
          grade: lot.grade,
          papers_pct: lot.papersPct,
          event: line.event,
          at_utc: new Date(line.atMs).toISOString(),
          zone: zones.get(line.zoneId) ?? line.zoneId,
          room_emc_pct: emcIn(line.zoneId, line.atMs),
          by: people.get(line.by ?? '') ?? null,
          meter: line.session?.meter ?? null,
          wood_temp_c: line.reading?.woodTempC ?? line.session?.woodTempC ?? null,
          reading: line.reading?.seq ?? null,
          depth: line.reading?.depth ?? null,
          raw_pct: line.reading?.rawPct ?? null,
          corrected_pct: line.reading ? round(line.reading.correctedPct) : null,
          mass_g: line.reading?.massG ?? null,
          note: line.note ?? null,
        };
  }
}

const round = (pct: number) => Math.round(pct * 100) / 100;

function noteOf({ struck, firstRawPct }: ReadingEntity): string | null {
  const notes = [firstRawPct === null ? [] : [`first written ${firstRawPct}`], struck === null ? [] : [`struck out: ${struck}`]].flat();
  return notes.length === 0 ? null : notes.join('; ');
}

const roomEmc = (trace: EmcTrace | undefined, atMs: number) => (trace ? round(emcAt(trace, atMs)) : null);

function linesOf(
  lot: LotEntity,
  sessions: readonly ReadingSessionEntity[],
  readings: ReadonlyMap<string, ReadingEntity[]>,
  override: OverrideEntity | undefined,
): HistoryLine[] {
  const stays = lot.stays.map(({ zoneId, fromMs }, i): HistoryLine => ({ event: i === 0 ? 'received' : 'moved', atMs: fromMs, zoneId }));
  const zoneAt = (atMs: number) => lot.stays.findLast((s) => s.fromMs <= atMs)?.zoneId ?? lot.zoneId;
  const read = sessions.flatMap((session) =>
    (readings.get(session.id) ?? []).map((reading): HistoryLine => {
      const { atMs, personId: by } = session;
      return { event: 'read', atMs, by, zoneId: zoneAt(atMs), session, reading, note: noteOf(reading) };
    }),
  );
  const { releasedMs } = lot;
  const released: HistoryLine[] =
    releasedMs === null
      ? []
      : [
          {
            event: 'released',
            atMs: releasedMs,
            zoneId: zoneAt(releasedMs),
            by: override?.personId ?? null,
            note: override ? `override: ${override.reason}` : null,
          },
        ];
  return [...stays, ...read, ...released].sort((a, b) => a.atMs - b.atMs);
}
