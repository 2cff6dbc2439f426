import { median, WallClock } from '../maths/index.ts';
import { parseReadings, type Depth, type TypedReading } from './readings.ts';

/** Which columns of a meter's file say what. */
export interface MeterColumns {
  lot: string;
  time: string;
  /** nothing where the file does not say: the room's temperature is taken */
  woodTemp: string | null;
  tempUnit: 'C' | 'F';
  /** says shell or core; nothing where readings carry a c, or all are of the shell */
  depth: string | null;
  /** one column with a row of values, or one for each */
  readings: readonly string[];
}

/** A session of one lot, from one line or from several with the same lot and time. */
export interface MeterSession {
  /** first of its lines in the file */
  line: number;
  lotId: string;
  text: string;
  atMs: number | null;
  woodTempC: number | null;
  readings: TypedReading[];
  problem: string | null;
}

/** Guesses which columns are which, and the unit of temperature; undefined when a column cannot be told. */
export function guessMeterColumns(header: readonly string[], rows: readonly (readonly string[])[]): MeterColumns | undefined {
  const find = (pattern: RegExp) => header.find((h) => pattern.test(h));
  const lot = find(/^(lot|pack|charge|batch|id)\b/i) ?? find(/lot|pack/i);
  const time = find(/date|time|datum|when/i);
  const woodTemp = find(/temp/i) ?? null;
  const depth = find(/depth|shell|core|pin length/i) ?? null;
  const readings = header.filter((h) => ![lot, time, woodTemp, depth].includes(h) && /reading|value|moist|mc\b|^(mc|m|r)?\d+$|%/i.test(h));
  if (lot === undefined || time === undefined || readings.length === 0) return undefined;
  const temps = rows
    .slice(0, 200)
    .map((row) => Number((row[header.indexOf(woodTemp ?? '')] ?? '').replace(',', '.')))
    .filter((t) => Number.isFinite(t) && t !== 0);
  const tempUnit = /f\b|fahrenheit/i.test(woodTemp ?? '') || (temps.length > 0 && median(temps) > 45) ? 'F' : 'C';
  return { lot, time, woodTemp, tempUnit, depth, readings };
}

/**
 * Reads a meter's file into sessions. Lines with the same lot and time are one session; a line that cannot be read is
 * told, and keeps its session from being taken by halves.
 *
 * @param rows the lines after the heading, as cells
 */
export function readMeterFile(
  header: readonly string[],
  rows: readonly (readonly string[])[],
  columns: MeterColumns,
  timeZone: string,
  firstLine = 2,
): MeterSession[] {
  const cell = (row: readonly string[], name: string | null) => (name === null ? '' : (row[header.indexOf(name)] ?? '').trim());
  const times = new WallClock(timeZone).instants(rows.map((row) => cell(row, columns.time))).atMs;
  const sessions = new Map<string, MeterSession>();
  rows.forEach((row, i) => {
    const lotId = cell(row, columns.lot).toUpperCase();
    const atMs = times[i] ?? null;
    const text = columns.readings
      .map((name) => cell(row, name))
      .filter((t) => t !== '')
      .join(' ');
    const { readings, problems } = parseReadings(text);
    const depth: Depth | null = columns.depth === null ? null : /c/i.test(cell(row, columns.depth)) ? 'core' : 'shell';
    const tempText = cell(row, columns.woodTemp);
    const temp = Number(tempText.replace(',', '.'));
    const woodTempC = tempText === '' ? null : columns.tempUnit === 'F' ? (temp - 32) / 1.8 : temp;
    const problem =
      atMs === null
        ? `"${cell(row, columns.time)}" is not a time, or not one that was`
        : woodTempC !== null && !(woodTempC >= -20 && woodTempC <= 60)
          ? `Wood temperature "${tempText}" is not between −20 and 60 °C`
          : problems.length > 0
            ? problems.map((p) => p.message).join('. ')
            : readings.length === 0
              ? 'No readings'
              : null;
    const key = `${lotId} ${atMs ?? `line ${i}`}`;
    const session = sessions.get(key);
    const told = depth === null ? readings : readings.map((r) => ({ ...r, depth }));
    if (!session) {
      sessions.set(key, { line: firstLine + i, lotId, text, atMs, woodTempC, readings: told, problem });
      return;
    }
    session.readings.push(...told);
    session.text = `${session.text} ${text}`;
    session.problem ??= problem === null ? null : `Line ${firstLine + i}: ${problem}`;
  });
  return [...sessions.values()];
}
