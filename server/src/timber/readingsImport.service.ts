import { ImportReadings, guessMeterColumns, readMeterFile, type MeterColumns } from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import { DataSource, In, type EntityManager } from 'typeorm';
import { ClimateService } from '../climate/climate.service.ts';
import { CommandsService } from '../logbook/commands.service.ts';
import { Clock } from '../platform/clock/clock.ts';
import { csvTable, headingOf, type CsvTable } from '../platform/http/csvTable.ts';
import type { Actor } from '../platform/identity/actor.ts';
import { badInput } from '../platform/problems/problems.ts';
import { SettingsService } from '../platform/settings/settings.service.ts';
import type { ImportRowView, ImportView, MeterCsvDto } from './import.dto.ts';
import { LotEntity } from './timber.entity.ts';

type Row = ImportRowView & { woodTempC: number };

/** Sessions of readings from a meter's file. */
@Injectable()
export class ReadingsImportService {
  constructor(
    private readonly database: DataSource,
    private readonly commands: CommandsService,
    private readonly settings: SettingsService,
    private readonly climate: ClimateService,
    private readonly clock: Clock,
  ) {}

  /** Reads a file of readings and says of each session whether it could be taken, and why not. Writes nothing. */
  async preview(dto: MeterCsvDto): Promise<ImportView> {
    const { rows, ...told } = await this.read(dto);
    return this.view(told, rows, false);
  }

  /** Takes the good sessions of a file; the bad ones are told, not taken. The columns are remembered for the next. */
  async importReadings(actor: Actor, dto: MeterCsvDto): Promise<ImportView> {
    const { rows, ...told } = await this.read(dto);
    const good = rows.filter((r) => r.problem === null);
    const sessions = good.map(({ lotId, text, woodTempC, atMs }) => ({ lotId, text, woodTempC, atMs }));
    // The columns are remembered for the next file.
    const also = async (manager: EntityManager) => {
      const known = await this.settings.get('importColumns', manager);
      await this.settings.set(manager, 'importColumns', { ...known, [headingOf('meter', told.table)]: { ...told.columns } });
    };
    await this.commands.give(actor, ImportReadings, { sessions }, { seen: [], also }, () => ({ taken: good.length }));
    return this.view(told, rows, true);
  }

  private view(
    { table, columns, remembered }: { table: CsvTable; columns: MeterColumns; remembered: boolean },
    rows: readonly Row[],
    saved: boolean,
  ): ImportView {
    const good = rows.filter((r) => r.problem === null).length;
    return {
      header: table.header,
      columns: { ...columns, readings: [...columns.readings] },
      remembered,
      rows: rows.map(({ line, lotId, text, atMs, problem }) => ({ line, lotId, text, atMs, problem })),
      good,
      bad: rows.length - good,
      saved,
    };
  }

  private async read({ csv, columns: chosen }: MeterCsvDto): Promise<{
    table: CsvTable;
    columns: MeterColumns;
    remembered: boolean;
    rows: Row[];
  }> {
    const table = csvTable(csv);
    const { importColumns, workWeek } = await this.settings.all();
    // What is kept there was checked when it was chosen.
    const known = importColumns[headingOf('meter', table)] as MeterColumns | undefined;
    const columns = chosen ?? known ?? guessMeterColumns(table.header, table.rows);
    if (!columns) throw badInput('csv', `Say which columns hold lot, time and readings; the file has ${table.header.join(', ')}`);
    const missing = [columns.lot, columns.time, ...columns.readings].filter((name) => !table.header.includes(name));
    if (missing.length > 0) throw badInput('columns', `The file has no column ${missing.join(', ')}`);
    const sessions = readMeterFile(table.header, table.rows, columns, workWeek.timeZone);
    const ids = [...new Set(sessions.map((s) => s.lotId))];
    const lots = new Map((await this.database.getRepository(LotEntity).findBy({ id: In(ids) })).map((l) => [l.id, l]));
    const airs = new Map((await this.climate.now()).map((z) => [z.id, z.tempC]));
    const nowMs = this.clock.nowMs();
    const rows = sessions.map(({ line, lotId, readings, atMs, woodTempC, problem }): Row => {
      const lot = lots.get(lotId);
      const because =
        problem ??
        (!lot
          ? `There is no lot ${lotId}`
          : (atMs ?? 0) > nowMs
            ? 'The date lies in the future'
            : (atMs ?? 0) < lot.receivedMs
              ? 'The lot was received after that'
              : null);
      return {
        line: table.lines[line - 2] ?? line,
        lotId,
        // Written as it would be typed, so that it can be read as if it were.
        text: readings.map((r) => `${r.depth === 'core' ? 'c' : ''}${r.rawPct}`).join(' '),
        atMs,
        woodTempC: woodTempC ?? airs.get(lot?.zoneId ?? '') ?? 20,
        problem: because,
      };
    });
    return { table, columns, remembered: chosen === undefined && known !== undefined, rows };
  }
}
