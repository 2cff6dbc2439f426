import type { TimesQuestion } from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import type { EntityManager } from 'typeorm';
import { csvTable, headingOf, type CsvTable } from '../platform/http/csvTable.ts';
import { badInput, type Problem } from '../platform/problems/problems.ts';
import { SettingsService } from '../platform/settings/settings.service.ts';

type Device = 'meter' | 'logger';

/** A file with how its columns are understood. */
export interface UnderstoodFile<Columns> {
  table: CsvTable;
  columns: Columns;
  /** as somebody chose for such a file before */
  remembered: boolean;
  timeZone: string;
}

interface Asked<Columns> {
  csv: string;
  /** as somebody says now */
  chosen: Columns | undefined;
  guess: (table: CsvTable) => Columns | undefined;
  /** what must be said where the guess fails */
  needs: string;
  named: (columns: Columns) => readonly (string | null)[];
}

/** How the columns of devices' files are understood: as somebody says, as they were before, or as they look. */
@Injectable()
export class FileColumns {
  constructor(private readonly settings: SettingsService) {}

  /** @throws Problem 400 where no column can be told, or the file lacks one that was said */
  async understand<Columns extends object>(device: Device, asked: Asked<Columns>): Promise<UnderstoodFile<Columns>> {
    const table = csvTable(asked.csv);
    const { importColumns, workWeek } = await this.settings.all();
    // What is kept there was checked when it was chosen; files came with less to say at first.
    const kept = importColumns[headingOf(device, table)] as Columns | undefined;
    const known = kept && { timeOfDay: null, dateOrder: null, ...kept };
    const columns = asked.chosen ?? known ?? asked.guess(table);
    if (!columns) throw badInput('csv', `Say which columns hold ${asked.needs}; the file has ${table.header.join(', ')}`);
    const missing = asked.named(columns).filter((name) => name !== null && !table.header.includes(name));
    if (missing.length > 0) throw badInput('columns', `The file has no column ${missing.join(', ')}`);
    return { table, columns, remembered: asked.chosen === undefined && known !== undefined, timeZone: workWeek.timeZone };
  }

  /** The next file with such a heading is understood the same way. */
  async remember(manager: EntityManager, device: Device, table: CsvTable, columns: object): Promise<void> {
    const known = await this.settings.get('importColumns', manager);
    await this.settings.set(manager, 'importColumns', { ...known, [headingOf(device, table)]: { ...columns } });
  }
}

/** Nothing is taken while only a person can say what a file's times mean. */
export function openQuestion({ about, choices }: TimesQuestion): Problem {
  const read = choices.map(({ value, fromMs, toMs }) => `${value}: ${dated(fromMs)} to ${dated(toMs)}`).join('; ');
  return about === 'order'
    ? badInput('columns.dateOrder', `The dates can be read in more than one way (${read}); say which stands first`)
    : badInput('clock', `The clock was not put back in autumn (${read}); say whether it kept standard time or summer time`);
}

const dated = (ms: number | null) => (ms === null ? 'no time' : new Date(ms).toISOString().slice(0, 16));
