import { guessLoggerColumns, readLogger, type LoggerColumns, type LoggerReading } from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import { Between, DataSource, type EntityManager } from 'typeorm';
import { ZoneEntity, ZoneReadingEntity } from '../climate/climate.entity.ts';
import { Clock } from '../platform/clock/clock.ts';
import { upsertRows } from '../platform/database/rows.ts';
import { csvTable, headingOf, type CsvTable } from '../platform/http/csvTable.ts';
import type { Actor } from '../platform/identity/actor.ts';
import { badInput } from '../platform/problems/problems.ts';
import { SettingsService } from '../platform/settings/settings.service.ts';
import { ChangesService } from '../factory/changes.service.ts';
import type { LoggerCsvDto, LoggerView } from './import.dto.ts';

/** A file may be all wrong; nobody reads more than this of what is. */
const PROBLEMS_SHOWN = 200;

interface Read {
  table: CsvTable;
  columns: LoggerColumns;
  remembered: boolean;
  reading: LoggerReading;
}

/** The climate of a zone from a logger's file. */
@Injectable()
export class LoggerImportService {
  constructor(
    private readonly database: DataSource,
    private readonly changes: ChangesService,
    private readonly settings: SettingsService,
    private readonly clock: Clock,
  ) {}

  /** What a file says, with its gaps and clock changes. Writes nothing. */
  async preview(dto: LoggerCsvDto): Promise<LoggerView> {
    const read = await this.read(dto);
    return this.view(dto.zoneId, read, false, this.database.manager);
  }

  /** Takes the good lines; what the zone's log held between the first and the last of them is replaced. */
  async take(actor: Actor, dto: LoggerCsvDto): Promise<LoggerView> {
    const read = await this.read(dto);
    const { samples } = read.reading;
    const [first, last] = [samples[0], samples.at(-1)];
    if (!first || !last) throw badInput('csv', 'No line of the file can be taken');
    let answer: LoggerView | undefined;
    await this.changes.make(actor, 'climate log', dto.zoneId, dto, async (manager) => {
      answer = await this.view(dto.zoneId, read, true, manager);
      const span = Between(first.atMs, last.atMs);
      await manager.delete(ZoneReadingEntity, { zoneId: dto.zoneId, atMs: span });
      await upsertRows(
        manager,
        ZoneReadingEntity,
        samples.map((s) => ({ zoneId: dto.zoneId, ...s })),
      );
      await manager.increment(ZoneEntity, { id: dto.zoneId }, 'revision', 1);
      const known = await this.settings.get('importColumns', manager);
      await this.settings.set(manager, 'importColumns', { ...known, [headingOf('logger', read.table)]: { ...read.columns } });
      return {
        before: { samples: answer.replaced },
        after: { samples: samples.length, fromMs: first.atMs, toMs: last.atMs, gaps: read.reading.gaps },
      };
    });
    // Sent again under the same key, it was taken before.
    return answer ?? this.view(dto.zoneId, read, true, this.database.manager);
  }

  private async read({ zoneId, csv, columns: chosen, clock }: LoggerCsvDto): Promise<Read> {
    if (!(await this.database.getRepository(ZoneEntity).existsBy({ id: zoneId }))) throw badInput('zoneId', `There is no zone ${zoneId}`);
    const table = csvTable(csv);
    const { importColumns, workWeek } = await this.settings.all();
    // What is kept there was checked when it was chosen.
    const known = importColumns[headingOf('logger', table)] as LoggerColumns | undefined;
    const columns = chosen ?? known ?? guessLoggerColumns(table.header, table.rows);
    if (!columns) throw badInput('csv', `Say which columns hold time, temperature and humidity; the file has ${table.header.join(', ')}`);
    const missing = [columns.time, columns.temp, columns.humidity].filter((name) => !table.header.includes(name));
    if (missing.length > 0) throw badInput('columns', `The file has no column ${missing.join(', ')}`);
    const zone = { timeZone: workWeek.timeZone, ...(clock === undefined ? {} : { clock }) };
    const reading = readLogger(table.header, table.rows, columns, zone, this.clock.nowMs());
    return { table, columns, remembered: chosen === undefined && known !== undefined, reading };
  }

  private async view(
    zoneId: string,
    { table, columns, remembered, reading }: Read,
    saved: boolean,
    manager: EntityManager,
  ): Promise<LoggerView> {
    const { samples, lines, gaps, clock, clockChanges, ambiguous } = reading;
    const [first, last] = [samples[0], samples.at(-1)];
    const replaced = first && last ? await manager.countBy(ZoneReadingEntity, { zoneId, atMs: Between(first.atMs, last.atMs) }) : 0;
    return {
      header: table.header,
      columns,
      remembered,
      clock,
      ambiguous,
      good: samples.length,
      problems: lines
        .flatMap(({ line, text, problem }) => (problem === null ? [] : [{ line: table.lines[line - 2] ?? line, text, problem }]))
        .slice(0, PROBLEMS_SHOWN),
      gaps: gaps.map(({ fromMs, toMs }) => ({ fromMs, toMs })),
      clockChanges,
      fromMs: first?.atMs ?? null,
      toMs: last?.atMs ?? null,
      replaced,
      saved,
    };
  }
}
