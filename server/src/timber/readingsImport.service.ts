import {
  asWritten,
  groupBy,
  guessMeterColumns,
  ImportReadings,
  readMeterFile,
  sessionContent,
  type MeterColumns,
  type MeterFile,
  type MeterSession,
} from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import { DataSource, In } from 'typeorm';
import { ClimateService } from '../climate/climate.service.ts';
import { CommandsService } from '../logbook/commands.service.ts';
import { Clock } from '../platform/clock/clock.ts';
import type { Actor } from '../platform/identity/actor.ts';
import { FileColumns, openQuestion, type UnderstoodFile } from './fileColumns.ts';
import type { ImportView, MeterCsvDto } from './import.dto.ts';
import { LotEntity, ReadingEntity, ReadingSessionEntity } from './timber.entity.ts';

/** The wood's temperature where neither the file nor the lot's room says. */
const ORDINARY_TEMP_C = 20;

interface Session extends Omit<MeterSession, 'readings'> {
  readings: (MeterSession['readings'][number] & { woodTempC: number })[];
  known: boolean;
}

interface Read extends UnderstoodFile<MeterColumns> {
  read: MeterFile;
  sessions: Session[];
}

/** Sessions of readings from a meter's file. */
@Injectable()
export class ReadingsImportService {
  constructor(
    private readonly database: DataSource,
    private readonly commands: CommandsService,
    private readonly columns: FileColumns,
    private readonly climate: ClimateService,
    private readonly clock: Clock,
  ) {}

  /** Reads a file of readings and says of each session whether it could be taken, and why not. Writes nothing. */
  async preview(dto: MeterCsvDto): Promise<ImportView> {
    return view(await this.read(dto), false);
  }

  /** Takes the good sessions of a file; the bad ones are told, not taken. The columns are remembered for the next. */
  async importReadings(actor: Actor, dto: MeterCsvDto): Promise<ImportView> {
    const file = await this.read(dto);
    if (file.read.question) throw openQuestion(file.read.question);
    const told = view(file, true);
    const sessions = file.sessions.flatMap(({ lotId, atMs, readings, problem }) =>
      problem === null && atMs !== null ? [{ lotId, atMs, readings }] : [],
    );
    await this.commands.give(
      actor,
      ImportReadings,
      { sessions },
      { seen: [], also: (manager) => this.columns.remember(manager, 'meter', file.table, told.columns) },
      (written) => ({ taken: written.length }),
    );
    return told;
  }

  private async read({ csv, columns, clock }: MeterCsvDto): Promise<Read> {
    const file = await this.columns.understand<MeterColumns>('meter', {
      csv,
      chosen: columns,
      guess: ({ header, rows }) => guessMeterColumns(header, rows),
      needs: 'lot, time and readings',
      named: (c) => [c.lot, c.time, c.timeOfDay, c.woodTemp, c.depth, ...c.readings],
    });
    const zone = { timeZone: file.timeZone, ...(clock === undefined ? {} : { clock }) };
    const read = readMeterFile(file.table.header, file.table.rows, file.columns, zone);
    const ids = [...new Set(read.sessions.map((s) => s.lotId))];
    const lots = new Map((await this.database.getRepository(LotEntity).findBy({ id: In(ids) })).map((l) => [l.id, l]));
    const airs = new Map((await this.climate.now()).map((z) => [z.id, z.tempC]));
    const known = await this.contents([...lots.keys()]);
    const nowMs = this.clock.nowMs();
    const sessions = read.sessions.map((session): Session => {
      const { line, lotId, atMs, readings, problem } = session;
      const lot = lots.get(lotId);
      const roomTempC = airs.get(lot?.zoneId ?? '') ?? ORDINARY_TEMP_C;
      const because = !lot
        ? `There is no lot ${lotId}`
        : (atMs ?? 0) > nowMs
          ? 'The date lies in the future'
          : (atMs ?? 0) < lot.receivedMs
            ? 'The lot was received after that'
            : null;
      return {
        ...session,
        line: file.table.lines[line - 2] ?? line,
        readings: readings.map((r) => ({ ...r, woodTempC: r.woodTempC ?? roomTempC })),
        problem: problem ?? because,
        known: known.has(`${lotId} ${sessionContent(atMs ?? 0, readings)}`),
      };
    });
    return { ...file, read, sessions };
  }

  /** What sessions of some lots hold already. */
  private async contents(lotIds: readonly string[]): Promise<ReadonlySet<string>> {
    const sessions = await this.database.getRepository(ReadingSessionEntity).findBy({ lotId: In([...lotIds]) });
    const readings = await this.database.getRepository(ReadingEntity).findBy({ sessionId: In(sessions.map((s) => s.id)) });
    const of = groupBy(readings, (r) => r.sessionId);
    return new Set(sessions.map((s) => `${s.lotId} ${sessionContent(s.atMs, (of.get(s.id) ?? []).map(asWritten))}`));
  }
}

function view({ table, columns, remembered, read, sessions }: Read, saved: boolean): ImportView {
  const good = sessions.filter((s) => s.problem === null);
  const { question, order, clock } = read;
  return {
    header: table.header,
    columns: { ...columns, readings: [...columns.readings], dateOrder: order ?? columns.dateOrder },
    remembered,
    question: question && { ...question, choices: [...question.choices] },
    clock,
    rows: sessions.map(({ line, lotId, text, readings, atMs, problem, known }) => ({
      line,
      lotId,
      // As it would be typed: what is of the core says so.
      text: readings.length === 0 ? text : readings.map((r) => `${r.depth === 'core' ? 'c' : ''}${r.rawPct}`).join(' '),
      atMs,
      problem,
      known,
    })),
    good: good.filter((s) => !s.known).length,
    known: good.filter((s) => s.known).length,
    bad: sessions.length - good.length,
    saved,
  };
}
