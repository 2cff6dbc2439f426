import { mean } from '../maths/index.ts';
import { correctedMoisturePct, dryMassG, moistureFromMassPct, NO_SPECIES_CORRECTION, pinlessMoisturePct } from './meter.ts';
import { parseReadings, type Depth, type ReadingProblem, type TypedReading } from './readings.ts';
import type { MeterCorrection } from './species.ts';

/** How moisture is measured: through pins, through a plate, by drying slices in an oven, by weighing a sample board. */
export const METHODS = ['pin', 'pinless', 'oven', 'sample board'] as const;
export type Method = (typeof METHODS)[number];

/** A reading with what it means. */
export interface MeasuredReading {
  depth: Depth;
  rawPct: number;
  correctedPct: number;
  massG?: number;
  dryMassG?: number;
  /** of the wood, where it was not the session's */
  woodTempC?: number;
}

/** What a session comes to, over the readings that count. */
export interface SessionFigures {
  meanPct: number;
  spreadPct: number;
}

/** @throws RangeError without a reading */
export function figuresOf(readings: readonly { correctedPct: number }[]): SessionFigures {
  const values = readings.map((r) => r.correctedPct);
  return { meanPct: mean(values), spreadPct: Math.max(...values) - Math.min(...values) };
}

export interface MeasuredSession {
  readings: MeasuredReading[];
  /** dry masses of sample boards begun here */
  samples: Record<string, number>;
  problems: ReadingProblem[];
}

export interface SessionCircumstances {
  woodTempC: number;
  /** dry masses of the lot's sample boards so far */
  samples: Readonly<Record<string, number>>;
  /** what the meter's handbook says of the species */
  species?: MeterCorrection;
}

/** What to type for each method. */
export const SESSION_HINTS: Readonly<Record<Method, string>> = {
  pin: 'As you say them: 8.4 8.6 9.1 c9.6 — c for the core',
  pinless: 'As you say them: 8.4 8.6 9.1',
  oven: 'Wet and oven-dry grams of each slice: 52.31/48.10 51.2/47.1',
  'sample board': 'Name=grams@moisture begins a board: S1=1190@19. Later its grams: S1=1085',
};

const round = (value: number) => Math.round(value * 100) / 100;

/**
 * Reads a session as it is typed, by the method it was measured with.
 *
 * @returns what was understood and, word by word, what was not; never throws
 */
export function readSession(method: Method, text: string, { woodTempC, samples, species }: SessionCircumstances): MeasuredSession {
  if (method === 'oven') return readWords(text, ovenTest);
  if (method === 'sample board') return readBoards(text, samples);
  const typed = parseReadings(text);
  const readings: MeasuredReading[] = [];
  const problems = [...typed.problems];
  // The temperature is asked for beside the readings, and refused by itself.
  if (woodTempC >= -20 && woodTempC <= 60)
    typed.readings.forEach((reading, index) => {
      try {
        readings.push(metered(method, reading, woodTempC, species));
      } catch (error) {
        problems.push({ index, word: String(reading.rawPct), message: error instanceof Error ? error.message : String(error) });
      }
    });
  return { readings, samples: {}, problems };
}

/**
 * What a meter's reading means.
 *
 * @throws RangeError for what no meter shows, or what comes to less than none
 */
export function metered(
  method: 'pin' | 'pinless',
  typed: TypedReading,
  woodTempC: number,
  species?: MeterCorrection | null,
): MeasuredReading {
  const correctedPct =
    method === 'pin'
      ? correctedMoisturePct(typed.rawPct, woodTempC, species ?? NO_SPECIES_CORRECTION)
      : pinlessMoisturePct(typed.rawPct, species?.densityOffsetPct ?? 0);
  return { ...typed, correctedPct: round(correctedPct) };
}

const FIGURE = '(\\d+(?:[.,]\\d+)?)';
const number = (text: string | undefined) => Number((text ?? '').replace(',', '.'));

function weighed(massG: number, dryG: number): MeasuredReading | string {
  const pct = moistureFromMassPct(massG, dryG);
  if (pct < 0) return 'It cannot weigh less than it does dry';
  if (pct > 200) return `${pct.toFixed(0)} % is more than wood holds`;
  return { depth: 'shell', rawPct: round(pct), correctedPct: round(pct), massG, dryMassG: round(dryG) };
}

function ovenTest(word: string): MeasuredReading | string {
  const match = new RegExp(`^(c?)${FIGURE}/${FIGURE}$`, 'i').exec(word);
  if (!match || number(match[3]) === 0) return `"${word}" is not wet/dry grams`;
  const reading = weighed(number(match[2]), number(match[3]));
  return typeof reading === 'string' ? reading : { ...reading, depth: match[1] ? 'core' : 'shell' };
}

function readBoards(text: string, known: Readonly<Record<string, number>>): MeasuredSession {
  const begun: Record<string, number> = {};
  const session = readWords(text, (word) => {
    const match = new RegExp(`^([a-z][\\w-]*)=${FIGURE}(?:@${FIGURE})?$`, 'i').exec(word);
    const name = match?.[1]?.toUpperCase();
    if (!match || name === undefined) return `"${word}" is not a board and its grams`;
    const massG = number(match[2]);
    if (!(massG > 0)) return `${name} weighs nothing`;
    if (match[3] !== undefined) {
      if (number(match[3]) > 200) return `${match[3]} % is more than wood holds`;
      begun[name] = round(dryMassG(massG, number(match[3])));
    }
    const dry = begun[name] ?? known[name];
    return dry === undefined ? `${name} has not been begun: type its moisture too, ${name}=${massG}@19` : weighed(massG, dry);
  });
  return { ...session, samples: begun };
}

function readWords(text: string, read: (word: string) => MeasuredReading | string): MeasuredSession {
  const session: MeasuredSession = { readings: [], samples: {}, problems: [] };
  text
    .split(/[\s;]+/)
    .filter((word) => word !== '')
    .forEach((word, index) => {
      const reading = read(word);
      if (typeof reading === 'string') session.problems.push({ index, word, message: reading });
      else session.readings.push(reading);
    });
  return session;
}
