import { guessLoggerColumns, heldBy, readLogger, type LoggerColumns, type LoggerReading } from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import { Between, DataSource, type EntityManager, type FindOptionsWhere } from 'typeorm';
import { ZoneEntity, ZoneReadingEntity } from '../climate/climate.entity.ts';
import { ChangesService } from '../factory/changes.service.ts';
import { Clock } from '../platform/clock/clock.ts';
import { upsertRows } from '../platform/database/rows.ts';
import type { Actor } from '../platform/identity/actor.ts';
import { badInput } from '../platform/problems/problems.ts';
import { FileColumns, openQuestion, type UnderstoodFile } from './fileColumns.ts';
import type { LoggerCsvDto, LoggerView } from './import.dto.ts';

/** A file may be all wrong; nobody reads more than this of what is. */
const PROBLEMS_SHOWN = 200;

interface Read extends UnderstoodFile<LoggerColumns> {
  reading: LoggerReading;
}

/** The climate of a zone from a logger's file. */
@Injectable()
export class LoggerImportService {
  constructor(
    private readonly database: DataSource,
    private readonly changes: ChangesService,
    private readonly columns: FileColumns,
    private readonly clock: Clock,
  ) {}

  /** What a file says, with its gaps and clock changes. Writes nothing. */
  async preview(dto: LoggerCsvDto): Promise<LoggerView> {
    const read = await this.read(dto);
    return this.view(dto.zoneId, read, false, this.database.manager);
  }

  /** Takes the good lines; where they speak, what the zone's log held is replaced, and where they are silent it stays. */
  async take(actor: Actor, dto: LoggerCsvDto): Promise<LoggerView> {
    const read = await this.read(dto);
    const { samples, question, gaps } = read.reading;
    if (question) throw openQuestion(question);
    const [first, last] = [samples[0], samples.at(-1)];
    if (!first || !last) throw badInput('csv', 'No line of the file can be taken');
    let answer: LoggerView | undefined;
    await this.changes.make(actor, 'climate log', dto.zoneId, dto, async (manager) => {
      answer = await this.view(dto.zoneId, read, true, manager);
      for (const held of heldIn(dto.zoneId, read.reading)) await manager.delete(ZoneReadingEntity, held);
      await upsertRows(
        manager,
        ZoneReadingEntity,
        samples.map((s) => ({ zoneId: dto.zoneId, ...s })),
      );
      await manager.increment(ZoneEntity, { id: dto.zoneId }, 'revision', 1);
      await this.columns.remember(manager, 'logger', read.table, answer.columns);
      return {
        before: { samples: answer.replaced },
        after: { samples: samples.length, fromMs: first.atMs, toMs: last.atMs, gaps },
      };
    });
    // Sent again under the same key, it was taken before.
    return answer ?? this.view(dto.zoneId, read, true, this.database.manager);
  }

  private async read({ zoneId, csv, columns, clock }: LoggerCsvDto): Promise<Read> {
    if (!(await this.database.getRepository(ZoneEntity).existsBy({ id: zoneId }))) throw badInput('zoneId', `There is no zone ${zoneId}`);
    const file = await this.columns.understand<LoggerColumns>('logger', {
      csv,
      chosen: columns,
      guess: ({ header, rows }) => guessLoggerColumns(header, rows),
      needs: 'time, temperature and humidity',
      named: (c) => [c.time, c.timeOfDay, c.temp, c.humidity],
    });
    const zone = { timeZone: file.timeZone, ...(clock === undefined ? {} : { clock }) };
    return { ...file, reading: readLogger(file.table.header, file.table.rows, file.columns, zone, this.clock.nowMs()) };
  }

  private async view(
    zoneId: string,
    { table, columns, remembered, reading }: Read,
    saved: boolean,
    manager: EntityManager,
  ): Promise<LoggerView> {
    const { question, samples, lines, gaps, order, clock, clockChanges } = reading;
    const held = heldIn(zoneId, reading);
    return {
      header: table.header,
      columns: { ...columns, dateOrder: order ?? columns.dateOrder },
      remembered,
      question: question && { ...question, choices: [...question.choices] },
      clock,
      good: samples.length,
      problems: lines
        .flatMap(({ line, text, problem }) => (problem === null ? [] : [{ line: table.lines[line - 2] ?? line, text, problem }]))
        .slice(0, PROBLEMS_SHOWN),
      gaps: gaps.map(({ fromMs, toMs }) => ({ fromMs, toMs })),
      clockChanges,
      fromMs: samples[0]?.atMs ?? null,
      toMs: samples.at(-1)?.atMs ?? null,
      replaced: held.length === 0 ? 0 : await manager.count(ZoneReadingEntity, { where: held }),
      saved,
    };
  }
}

/** A zone's samples in the stretches that a file speaks for. */
const heldIn = (zoneId: string, { samples }: LoggerReading): FindOptionsWhere<ZoneReadingEntity>[] =>
  heldBy(samples).map(({ fromMs, toMs }) => ({ zoneId, atMs: Between(fromMs, toMs) }));
