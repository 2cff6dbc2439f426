/** The words of a column's heading: "Wood temp. (°F)" has wood, temp, f. Figures stand apart: "MC1" has mc, 1. */
export const headingWords = (heading: string): string[] =>
  heading
    .replace(/(\p{Ll})(\p{Lu})/gu, '$1 $2')
    .toLowerCase()
    .match(/\p{L}+|\d+|%/gu) ?? [];

/**
 * Finds a column by the words of its heading: whole words, or beginnings that end in a stroke ("temp-").
 *
 * @param said any of these
 * @param never a column with one of these is something else
 */
export function findColumn(header: readonly string[], said: readonly string[], never: readonly string[] = []): string | undefined {
  return header.find((heading) => saysAny(heading, said) && !saysAny(heading, never));
}

/** Whether a heading has one of these words, or a word that begins as one that ends in a stroke. */
export const saysAny = (heading: string, said: readonly string[]): boolean =>
  headingWords(heading).some((word) => said.some((s) => (s.endsWith('-') ? word.startsWith(s.slice(0, -1)) : word === s)));

export const TEMP_UNITS = ['C', 'F'] as const;
export type TempUnit = (typeof TEMP_UNITS)[number];

/** The unit that a heading names, if it names one. */
export function tempUnitOf(heading: string): TempUnit | undefined {
  if (saysAny(heading, ['f', 'degf', 'fahrenheit'])) return 'F';
  return saysAny(heading, ['c', 'degc', 'celsius']) ? 'C' : undefined;
}

/** A figure in a cell, with a decimal point or comma, and the unit written after it. */
export interface CellFigure {
  value: number;
  unit: '%' | TempUnit | null;
}

/** @returns null where a cell holds anything else */
export function cellFigure(text: string): CellFigure | null {
  const [, figure, unit] = /^([-+−]?\d+(?:[.,]\d+)?)\s*(%|(?:°|deg)?\s?[CF])?(?:\s?RH)?$/i.exec(text.trim()) ?? [];
  if (figure === undefined) return null;
  const letter = unit?.slice(-1).toUpperCase();
  return {
    value: Number(figure.replace('−', '-').replace(',', '.')),
    unit: letter === '%' || letter === 'C' || letter === 'F' ? letter : null,
  };
}

/** °C from a figure in a column, whose own unit goes before the column's. */
export const cellTempC = ({ value, unit }: CellFigure, columnUnit: TempUnit): number =>
  (unit === 'F' || unit === 'C' ? unit : columnUnit) === 'F' ? (value - 32) / 1.8 : value;

/** Where a file says when. */
export interface TimeColumns {
  /** date and time, or the date where times of day have a column of their own */
  time: string;
  timeOfDay: string | null;
}

const TIME_WORDS = ['time', 'timestamp', 'datetime', 'date', 'datum', 'zeit', 'uhrzeit', 'stamp', 'when'];
const DATE_WORDS = ['date', 'datum', 'day'];
const CLOCK_WORDS = ['time', 'zeit', 'uhrzeit', 'clock', 'hour'];

/** The columns of date and time: one, or one for each. */
export function guessTimeColumns(header: readonly string[]): TimeColumns | undefined {
  const date = findColumn(header, DATE_WORDS, [...CLOCK_WORDS, 'datetime', 'timestamp']);
  const clock = findColumn(header, CLOCK_WORDS, [...DATE_WORDS, 'datetime', 'timestamp']);
  const whole =
    findColumn(header, ['timestamp', 'datetime']) ?? header.find((h) => findColumn([h], DATE_WORDS) && findColumn([h], CLOCK_WORDS));
  if (whole !== undefined) return { time: whole, timeOfDay: null };
  if (date !== undefined && clock !== undefined) return { time: date, timeOfDay: clock };
  const time = findColumn(header, TIME_WORDS);
  return time === undefined ? undefined : { time, timeOfDay: null };
}

/** A row's date and time of day as one text. */
export const writtenTime = (cell: (name: string) => string, { time, timeOfDay }: TimeColumns): string =>
  timeOfDay === null ? cell(time) : `${cell(time)} ${cell(timeOfDay)}`.trim();

/** °F where the heading says so; or, where neither heading nor cells do, where wood and people would not bear such a °C. */
export function guessTempUnit(heading: string, cells: readonly CellFigure[]): TempUnit {
  const values = cells.filter((c) => c.unit === null && c.value !== 0).map((c) => c.value);
  return tempUnitOf(heading) ?? (values.filter((v) => v > 45).length * 2 > values.length ? 'F' : 'C');
}

/** A row with more or fewer cells than the heading cannot be told apart into columns. */
export const widthProblem = (header: readonly string[], row: readonly string[]): string | null =>
  row.length === header.length ? null : `The line has ${row.length} cells, the heading ${header.length}: a comma too many, or one missing`;

/** Nothing that a device brings is older: a clock that lost its battery begins again at 1970, 1980 or 2000. */
const EARLIEST_MS = Date.UTC(2005, 0, 1);
/** East of Greenwich a year begins in UTC’s year before. */
const HALF_DAY_MS = 43_200_000;
export const clockProblem = (atMs: number): string | null =>
  atMs < EARLIEST_MS ? `The device’s clock stood at ${new Date(atMs + HALF_DAY_MS).getUTCFullYear()}: it had been reset` : null;
