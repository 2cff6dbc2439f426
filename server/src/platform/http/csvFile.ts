import { Logger, StreamableFile } from '@nestjs/common';
import { stringify } from 'csv-stringify';
import { pipeline, Readable } from 'node:stream';

const logger = new Logger('CsvFile');

/**
 * A CSV file written while its rows are read, under a name to save it by. Text that a spreadsheet would take for a
 * formula is marked as text.
 */
export function csvFile<Column extends string>(
  name: string,
  columns: readonly Column[],
  rows: AsyncIterable<Record<Column, string | number | null>>,
): StreamableFile {
  const csv = stringify({
    header: true,
    bom: true,
    columns: [...columns],
    cast: { string: (value) => ({ value, escape_formulas: true }) },
  });
  // The answer has begun: a failure can only cut it short, and be told in the server's log.
  pipeline(Readable.from(rows), csv, (error) => {
    if (error) logger.error(`${name}.csv was cut short: ${error.message}`);
  });
  return new StreamableFile(csv, { type: 'text/csv; charset=utf-8', disposition: `attachment; filename="${name}.csv"` });
}
