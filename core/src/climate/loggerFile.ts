import { median, WallClock, type ClockKind, type Interval } from '../maths/index.ts';
import { LONGEST_SILENCE_MS, type AirSample } from './emcTrace.ts';

/** Which columns of a climate logger's file say what, and in what units. */
export interface LoggerColumns {
  time: string;
  temp: string;
  humidity: string;
  tempUnit: 'C' | 'F';
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
  lines: LoggerLine[];
  samples: AirSample[];
  gaps: Interval[];
  clock: ClockKind;
  /** instants between two samples at which the zone's clocks were changed */
  clockChanges: number[];
  /** days and months could be the other way round */
  ambiguous: boolean;
}

const named = (header: readonly string[], pattern: RegExp) => header.find((h) => pattern.test(h));

/**
 * Guesses which columns are which, and their units from heading or size of the values.
 *
 * @returns undefined when a column cannot be told
 */
export function guessLoggerColumns(header: readonly string[], rows: readonly (readonly string[])[]): LoggerColumns | undefined {
  const time = named(header, /time|date|datum|zeit|stamp/i);
  const temp = named(header, /temp|°\s?[cf]/i);
  const humidity = named(header, /hum|feucht|\brh\b|r\.h/i);
  if (time === undefined || temp === undefined || humidity === undefined) return undefined;
  const values = (name: string) =>
    rows
      .slice(0, 500)
      .map((row) => figure(row[header.indexOf(name)] ?? ''))
      .filter((v): v is number => v !== null);
  const [temps, humidities] = [values(temp), values(humidity)];
  return {
    time,
    temp,
    humidity,
    // A shop at a median of 45 °C is a sauna; at 45 °F a shed.
    tempUnit: /°?\s?f\b|fahrenheit/i.test(temp) || (temps.length > 0 && median(temps) > 45) ? 'F' : 'C',
    humidityUnit: humidities.length > 0 && Math.max(...humidities) <= 1 ? 'fraction' : 'percent',
  };
}

/**
 * Reads a climate logger's file: times at irregular intervals, gaps, clock changes. What cannot be read is told line by
 * line; what can be is in time order.
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
  const cell = (row: readonly string[], name: string) => (row[header.indexOf(name)] ?? '').trim();
  const wallClock = new WallClock(zone.timeZone);
  const times = wallClock.instants(
    rows.map((row) => cell(row, columns.time)),
    zone.clock,
  );
  const seen = new Set<number>();
  const lines = rows.map((row, i): LoggerLine => {
    const line = firstLine + i;
    const text = row.join(', ');
    const bad = (problem: string): LoggerLine => ({ line, text, sample: null, problem });
    const atMs = times.atMs[i] ?? null;
    const raw = { temp: figure(cell(row, columns.temp)), humidity: figure(cell(row, columns.humidity)) };
    if (atMs === null) return bad(`"${cell(row, columns.time)}" is not a time, or not one that was`);
    if (atMs > nowMs) return bad('The time lies in the future');
    if (seen.has(atMs)) return bad('The same time again');
    if (raw.temp === null) return bad(`"${cell(row, columns.temp)}" is not a temperature`);
    if (raw.humidity === null) return bad(`"${cell(row, columns.humidity)}" is not a humidity`);
    const tempC = columns.tempUnit === 'F' ? (raw.temp - 32) / 1.8 : raw.temp;
    const relativeHumidity = columns.humidityUnit === 'percent' ? raw.humidity / 100 : raw.humidity;
    if (!(tempC >= -10 && tempC <= 100)) return bad(`${tempC.toFixed(1)} °C is no air wood lies in`);
    if (!(relativeHumidity > 0 && relativeHumidity <= 1)) return bad(`${(relativeHumidity * 100).toFixed(0)} % is no humidity`);
    seen.add(atMs);
    return { line, text, sample: { atMs, tempC, relativeHumidity }, problem: null };
  });
  const samples = lines.flatMap((l) => l.sample ?? []).sort((a, b) => a.atMs - b.atMs);
  const between = samples.slice(1).map((s, i) => ({ fromMs: samples[i]?.atMs ?? s.atMs, toMs: s.atMs }));
  return {
    lines,
    samples,
    gaps: between.filter((gap) => gap.toMs - gap.fromMs > LONGEST_SILENCE_MS),
    clock: times.clock,
    clockChanges: between.filter((b) => wallClock.offsetMs(b.fromMs) !== wallClock.offsetMs(b.toMs)).map((b) => b.toMs),
    ambiguous: times.ambiguous,
  };
}

/** A figure with a decimal point or comma, with or without its unit. */
function figure(text: string): number | null {
  const match = /^([-+−]?\d+(?:[.,]\d+)?)\s*(?:%|°?\s?[CF])?$/.exec(text.trim());
  return match?.[1] === undefined ? null : Number(match[1].replace('−', '-').replace(',', '.'));
}
