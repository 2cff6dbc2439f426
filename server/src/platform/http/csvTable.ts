import { parse } from 'csv-parse/sync';
import { badInput } from '../problems/problems.ts';

/** A CSV file as cells. */
export interface CsvTable {
  header: string[];
  rows: string[][];
  /** line of each row in the file, the first being 1 */
  lines: number[];
}

interface Told {
  record: string[];
  info: { lines: number };
}

/** Reads a file with commas, semicolons or tabs, whichever its first line has most of. */
export function csvTable(csv: string): CsvTable {
  const [heading = ''] = csv.split(/\r?\n/, 1);
  const [delimiter = ','] = [',', ';', '\t'].sort((a, b) => heading.split(b).length - heading.split(a).length);
  let records: Told[];
  try {
    // With `info` each record comes with its line, which the package's types do not say.
    records = parse(csv, {
      bom: true,
      trim: true,
      skip_empty_lines: true,
      delimiter,
      relax_column_count: true,
      info: true,
    }) as unknown as Told[];
  } catch (error) {
    throw badInput('csv', `This is not a CSV file: ${error instanceof Error ? error.message : 'unreadable'}`);
  }
  const [first, ...rest] = records;
  if (!first || rest.length === 0) throw badInput('csv', 'The file needs a first line with the names of its columns, and lines below it');
  return { header: first.record, rows: rest.map((r) => r.record), lines: rest.map((r) => r.info.lines) };
}

/** A name under which the understanding of a file's columns is remembered. */
export const headingOf = (kind: string, { header }: CsvTable): string => `${kind}: ${header.join(', ')}`;
