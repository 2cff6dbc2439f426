import { METER_RANGE_PCT } from './meter.ts';

export type Depth = 'shell' | 'core';

export interface TypedReading {
  depth: Depth;
  rawPct: number;
}

export interface ReadingProblem {
  /** which word, from 0 */
  index: number;
  word: string;
  message: string;
}

/**
 * Reads a row of meter values as people say them: `8.4 8.6 9,1 c10.2` — `c` before a value measured in the core.
 * A comma inside a figure is a decimal comma.
 *
 * @returns the readings understood and what could not be read, word by word; never throws
 */
export function parseReadings(text: string): { readings: TypedReading[]; problems: ReadingProblem[] } {
  const readings: TypedReading[] = [];
  const problems: ReadingProblem[] = [];
  text
    .split(/[\s;]+/)
    .filter((word) => word !== '')
    .forEach((word, index) => {
      const match = /^(c?)(\d+(?:[.,]\d+)?)%?$/i.exec(word);
      const rawPct = match?.[2] === undefined ? NaN : Number(match[2].replace(',', '.'));
      if (Number.isNaN(rawPct)) problems.push({ index, word, message: `"${word}" is not a reading` });
      else if (rawPct < METER_RANGE_PCT.low || rawPct > METER_RANGE_PCT.high)
        problems.push({
          index,
          word,
          message: `${rawPct} % is outside what a meter shows (${METER_RANGE_PCT.low}–${METER_RANGE_PCT.high} %)`,
        });
      else readings.push({ depth: match?.[1] ? 'core' : 'shell', rawPct });
    });
  return { readings, problems };
}
