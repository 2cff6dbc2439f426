import {
  isNewestFirst,
  longestRising,
  WallClock,
  type ClockKind,
  type DateOrder,
  type Interval,
  type TimesQuestion,
} from '../maths/index.ts';
import {
  cellFigure,
  cellTempC,
  clockProblem,
  findColumn,
  guessTempUnit,
  guessTimeColumns,
  widthProblem,
  writtenTime,
  type TempUnit,
  type TimeColumns,
} from '../units/index.ts';
import type { AirSample } from './air.ts';
import { LONGEST_SILENCE_MS } from './emcTrace.ts';

/** Which columns of a climate logger's file say what, and in what units. */
export interface LoggerColumns extends TimeColumns {
  /** how dates are written; null where the file tells */
  dateOrder: DateOrder | null;
  temp: string;
  humidity: string;
  tempUnit: TempUnit;
  humidityUnit: 'percent' | 'fraction';
}

export interface LoggerLine {
  /** in the file, the first line being 1 */
  line: number;
  text: string;
  sample: AirSample | null;
  problem: string | null;
}

export interface LoggerReading {
  /** what must be said before any line can be read */
  question: TimesQuestion | null;
  lines: LoggerLine[];
  samples: AirSample[];
  gaps: Interval[];
  /** how dates were read; null where they need no order, or it is asked about */
  order: DateOrder | null;
  /** null while it is asked about */
  clock: ClockKind | null;
  /** instants between two samples at which the zone's clocks were changed */
  clockChanges: number[];
}

const NOT_OF_THE_AIR = ['dew', 'dewpoint', 'taupunkt', 'frost', 'wet', 'bulb', 'setpoint', 'set', 'alarm', 'max', 'min', 'battery', 'chip'];

/**
 * Guesses which columns are which, and their units from heading or size of the values.
 *
 * @returns undefined when a column cannot be told
 */
export function guessLoggerColumns(header: readonly string[], rows: readonly (readonly string[])[]): LoggerColumns | undefined {
  const time = guessTimeColumns(header);
  const temp = findColumn(header, ['temp-'], NOT_OF_THE_AIR) ?? findColumn(header, ['c', 'f', 'celsius', 'fahrenheit'], NOT_OF_THE_AIR);
  const humidity = findColumn(
    header,
    ['rh', 'humid-', 'hum', 'feuchte', 'feuchtigkeit', 'luftfeuchte', 'luftfeuchtigkeit', 'rel'],
    [...NOT_OF_THE_AIR, 'temp-', 'absolute', 'abs', 'absolut', 'specific', 'mixing', 'ratio', 'g'],
  );
  if (time === undefined || temp === undefined || humidity === undefined) return undefined;
  const cells = (name: string) => rows.slice(0, 500).flatMap((row) => cellFigure(row[header.indexOf(name)] ?? '') ?? []);
  const humidities = cells(humidity);
  return {
    ...time,
    dateOrder: null,
    temp,
    humidity,
    tempUnit: guessTempUnit(temp, cells(temp)),
    humidityUnit: humidities.length > 0 && humidities.every((h) => h.unit === null && h.value <= 1) ? 'fraction' : 'percent',
  };
}

/**
 * Reads a climate logger's file: times at irregular intervals, gaps, clock changes, clocks that were reset. What cannot be
 * read is told line by line; what can be is in time order.
 *
 * @param rows the lines after the heading, as cells
 * @param firstLine number of the first of them in the file
 */
export function readLogger(
  header: readonly string[],
  rows: readonly (readonly string[])[],
  columns: LoggerColumns,
  zone: { timeZone: string; clock?: ClockKind },
  nowMs: number,
  firstLine = 2,
): LoggerReading {
  const cellsOf = (row: readonly string[]) => (name: string) => (row[header.indexOf(name)] ?? '').trim();
  const wallClock = new WallClock(zone.timeZone);
  const times = wallClock.instants(
    rows.map((row) => writtenTime(cellsOf(row), columns)),
    { order: columns.dateOrder ?? undefined, clock: zone.clock },
  );
  const { question, order, clock } = times;
  if (question) return { question, lines: [], samples: [], gaps: [], order, clock, clockChanges: [] };
  const inOrder = placesInOrder(times.atMs.map((at) => (at === null || at > nowMs || clockProblem(at) !== null ? null : at)));
  const seen = new Set<number>();
  const lines = rows.map((row, i): LoggerLine => {
    const line = firstLine + i;
    const text = row.join(', ');
    const cell = cellsOf(row);
    const bad = (problem: string): LoggerLine => ({ line, text, sample: null, problem });
    const width = widthProblem(header, row);
    if (width !== null) return bad(width);
    const atMs = times.atMs[i] ?? null;
    if (atMs === null) return bad(`"${writtenTime(cell, columns)}" is not a time, or not one that was`);
    if (atMs > nowMs) return bad('The time lies in the future');
    const reset = clockProblem(atMs);
    if (reset !== null) return bad(reset);
    if (seen.has(atMs)) return bad('The same time again');
    if (!inOrder.has(i)) return bad('The clock jumped: this time does not follow the lines around it');
    const [temp, humidity] = [cellFigure(cell(columns.temp)), cellFigure(cell(columns.humidity))];
    if (temp === null || temp.unit === '%') return bad(`"${cell(columns.temp)}" is not a temperature`);
    if (humidity === null || humidity.unit === 'C' || humidity.unit === 'F') return bad(`"${cell(columns.humidity)}" is not a humidity`);
    const tempC = cellTempC(temp, columns.tempUnit);
    const isPercent = humidity.unit === '%' || columns.humidityUnit === 'percent';
    const relativeHumidity = isPercent ? humidity.value / 100 : humidity.value;
    if (!(tempC >= -40 && tempC <= 100)) return bad(`${tempC.toFixed(1)} °C is no air wood lies in`);
    if (!(relativeHumidity > 0 && relativeHumidity <= 1)) return bad(`${(relativeHumidity * 100).toFixed(0)} % is no humidity`);
    seen.add(atMs);
    return { line, text, sample: { atMs, tempC, relativeHumidity }, problem: null };
  });
  const samples = lines.flatMap((l) => l.sample ?? []).sort((a, b) => a.atMs - b.atMs);
  const between = samples.slice(1).map((s, i) => ({ fromMs: samples[i]?.atMs ?? s.atMs, toMs: s.atMs }));
  return {
    question,
    lines,
    samples,
    gaps: between.filter((gap) => gap.toMs - gap.fromMs > LONGEST_SILENCE_MS),
    order,
    clock,
    clockChanges: between.filter((b) => wallClock.offsetMs(b.fromMs) !== wallClock.offsetMs(b.toMs)).map((b) => b.toMs),
  };
}

/** The stretches of time that samples speak for: none of them reaches over a silence. */
export function heldBy(samples: readonly AirSample[]): Interval[] {
  const held: Interval[] = [];
  for (const { atMs } of samples) {
    const last = held.at(-1);
    if (last && atMs - last.toMs <= LONGEST_SILENCE_MS) last.toMs = atMs;
    else held.push({ fromMs: atMs, toMs: atMs });
  }
  return held;
}

/** A logger writes in the order of time, the newest first or last; a line that breaks it is told by its clock's jump. */
function placesInOrder(atMs: readonly (number | null)[]): ReadonlySet<number> {
  return longestRising(isNewestFirst(atMs) ? atMs.map((at) => (at === null ? null : -at)) : atMs);
}
