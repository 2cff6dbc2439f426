import { groupBy, WallClock, type ClockKind, type DateOrder, type TimesQuestion } from '../maths/index.ts';
import {
  cellFigure,
  cellTempC,
  clockProblem,
  findColumn,
  guessTempUnit,
  guessTimeColumns,
  saysAny,
  widthProblem,
  writtenTime,
  type TempUnit,
  type TimeColumns,
} from '../units/index.ts';
import { parseReadings, type Depth, type TypedReading } from './readings.ts';

/** Which columns of a meter's file say what. */
export interface MeterColumns extends TimeColumns {
  lot: string;
  /** how dates are written; null where the file tells */
  dateOrder: DateOrder | null;
  /** nothing where the file does not say: the room's temperature is taken */
  woodTemp: string | null;
  tempUnit: TempUnit;
  /** says shell or core; nothing where readings carry a c, have a column each, or are all of the shell */
  depth: string | null;
  /** one column with a row of values, or one for each; a heading that says core makes its values the core's */
  readings: readonly string[];
}

/** A reading of a file, with the temperature of the wood when it was taken, if the file says. */
export interface FileReading extends TypedReading {
  woodTempC: number | null;
}

/** A session of one lot, from one line or from several with the same lot and time. */
export interface MeterSession {
  /** first of its lines in the file */
  line: number;
  lotId: string;
  text: string;
  atMs: number | null;
  readings: FileReading[];
  problem: string | null;
}

export interface MeterFile {
  /** what must be said before any line can be read */
  question: TimesQuestion | null;
  /** how dates were read; null where they need no order, or it is asked about */
  order: DateOrder | null;
  clock: ClockKind | null;
  sessions: MeterSession[];
}

const CORE_WORDS = ['core', 'centre', 'center', 'middle', 'inner', 'kern'];
const SHELL_WORDS = ['shell', 'surface', 'case', 'outer', 'mantel'];
const LOT_WORDS = ['lot', 'pack', 'charge', 'batch', 'bundle', 'stack'];
const OF_THE_WOOD = ['wood', 'board', 'timber', 'material', 'holz'];
const READING_WORDS = ['reading', 'readings', 'value', 'values', 'moisture', 'moist', 'mc', 'm', 'r', 'holzfeuchte'];
const NO_READING = [
  'humid-',
  'hum',
  'rh',
  'air',
  'room',
  'ambient',
  'emc',
  'temp-',
  'dew',
  'battery',
  'batt',
  'voltage',
  'signal',
  'mean',
  'avg',
  'average',
  'max',
  'min',
  'limit',
  'target',
  'no',
  'nr',
  'number',
  'count',
  'species',
  'time',
  'date',
];

/** Guesses which columns are which, and the unit of temperature; undefined when a column cannot be told. */
export function guessMeterColumns(header: readonly string[], rows: readonly (readonly string[])[]): MeterColumns | undefined {
  const cells = (name: string) => rows.slice(0, 200).map((row) => (row[header.indexOf(name)] ?? '').trim());
  const lot = findColumn(header, LOT_WORDS) ?? findColumn(header, ['id']);
  const time = guessTimeColumns(header);
  const temps = header.filter((h) => findColumn([h], ['temp-'], ['dew', 'chip', 'battery']));
  const woodTemp = temps.find((h) => saysAny(h, OF_THE_WOOD)) ?? temps[0] ?? null;
  const holdsFigures = (name: string) => cells(name).some((text) => text !== '' && parseReadings(evened(text)).problems.length === 0);
  const ofOneDepth = header.filter((h) => depthOfHeading(h) !== null && holdsFigures(h));
  const depth = header.find((h) => !ofOneDepth.includes(h) && saysAny(h, ['depth', 'layer', ...CORE_WORDS, ...SHELL_WORDS])) ?? null;
  const taken = [lot, time?.time, time?.timeOfDay, woodTemp, depth];
  const isReading = (h: string) => saysAny(h, READING_WORDS) || /^\s*\d+\s*$|^\s*%\s*$/.test(h) || ofOneDepth.includes(h);
  const readings = header.filter((h) => !taken.includes(h) && isReading(h) && !saysAny(h, NO_READING));
  if (lot === undefined || time === undefined || readings.length === 0) return undefined;
  const tempUnit =
    woodTemp === null
      ? 'C'
      : guessTempUnit(
          woodTemp,
          cells(woodTemp).flatMap((text) => cellFigure(text) ?? []),
        );
  return { lot, ...time, dateOrder: null, woodTemp, tempUnit, depth, readings };
}

/**
 * Reads a meter's file into sessions. Lines with the same lot and time are one session, each reading with the temperature
 * of its own line; a line that cannot be read is told, and keeps its session from being taken by halves.
 *
 * @param rows the lines after the heading, as cells
 */
export function readMeterFile(
  header: readonly string[],
  rows: readonly (readonly string[])[],
  columns: MeterColumns,
  zone: { timeZone: string; clock?: ClockKind },
  firstLine = 2,
): MeterFile {
  const cellsOf = (row: readonly string[]) => (name: string | null) => (name === null ? '' : (row[header.indexOf(name)] ?? '').trim());
  const times = new WallClock(zone.timeZone).instants(
    rows.map((row) => writtenTime(cellsOf(row), columns)),
    { order: columns.dateOrder ?? undefined, clock: zone.clock },
  );
  const { question, order, clock } = times;
  if (question) return { question, order, clock, sessions: [] };
  const lines = rows.map((row, i): MeterSession => {
    const cell = cellsOf(row);
    const atMs = times.atMs[i] ?? null;
    const { text, readings, problem } = readLine(cell, columns);
    const timeProblem = atMs === null ? `"${writtenTime(cell, columns)}" is not a time, or not one that was` : clockProblem(atMs);
    return {
      line: firstLine + i,
      lotId: cell(columns.lot).toUpperCase(),
      text,
      atMs,
      readings,
      problem: widthProblem(header, row) ?? timeProblem ?? problem,
    };
  });
  const sessions = [...groupBy(lines, ({ lotId, atMs, line }) => `${lotId} ${atMs ?? `line ${line}`}`).values()];
  return { question, order, clock, sessions: sessions.flatMap(together) };
}

/** Lines of one lot and time as one session, which none of them may spoil. */
function together([first, ...rest]: MeterSession[]): MeterSession[] {
  if (!first) return [];
  const bad = rest.find((l) => l.problem !== null);
  return [
    {
      ...first,
      text: [first, ...rest].map((l) => l.text).join(' '),
      readings: [first, ...rest].flatMap((l) => l.readings),
      problem: first.problem ?? (bad ? `Line ${bad.line}: ${bad.problem ?? ''}` : null),
    },
  ];
}

function readLine(cell: (name: string | null) => string, columns: MeterColumns): Pick<MeterSession, 'text' | 'readings' | 'problem'> {
  const problems: string[] = [];
  const tempText = cell(columns.woodTemp);
  const figure = cellFigure(tempText);
  const woodTempC = figure === null || figure.unit === '%' ? null : cellTempC(figure, columns.tempUnit);
  if (tempText !== '' && !(woodTempC !== null && woodTempC >= -20 && woodTempC <= 60))
    problems.push(`Wood temperature "${tempText}" is not between −20 and 60 °C`);
  const depthText = cell(columns.depth);
  const lineDepth = depthOfCell(depthText);
  if (depthText !== '' && lineDepth === null) problems.push(`"${depthText}" says neither shell nor core`);
  const readings: FileReading[] = [];
  const texts = columns.readings
    .map((name) => ({ text: evened(cell(name)), depth: lineDepth ?? depthOfHeading(name) }))
    .filter((r) => r.text !== '');
  for (const { text, depth } of texts) {
    const typed = parseReadings(text);
    problems.push(...typed.problems.map((p) => p.message));
    readings.push(...typed.readings.map((r) => ({ ...r, depth: depth ?? r.depth, woodTempC })));
  }
  if (readings.length === 0 && problems.length === 0) problems.push('No readings');
  return { text: texts.map((r) => r.text).join(' '), readings, problem: problems.length > 0 ? problems.join('. ') : null };
}

/** The depth that a heading names. */
const depthOfHeading = (heading: string): Depth | null =>
  saysAny(heading, CORE_WORDS) ? 'core' : saysAny(heading, SHELL_WORDS) ? 'shell' : null;

/** The depth that a cell names, by a word or its first letter. */
const depthOfCell = (text: string): Depth | null =>
  depthOfHeading(text) ?? (saysAny(text, ['c']) ? 'core' : saysAny(text, ['s']) ? 'shell' : null);

/** A unit set apart from its figure belongs to it. */
const evened = (text: string): string => text.trim().replace(/(?<=\d)\s+%/g, '%');
