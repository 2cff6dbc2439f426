import type { Limits } from './limits.ts';

/** What on a chart is hardly chance: beyond the limits, or a run on one side or in one direction. */
export const RUN_RULES = ['beyond', 'two of three', 'four of five', 'one side', 'trend'] as const;
export type RunRule = (typeof RUN_RULES)[number];

/** Where a rule fires: at the last of the points that make it. */
export interface Signal {
  rule: RunRule;
  side: 'above' | 'below';
  /** positions of the points that make it, in order */
  at: readonly number[];
}

interface Run {
  rule: RunRule;
  /** how many points are looked at, the last of them the one that is asked about */
  of: number;
  /** how many of them lie so far out, the last among them */
  needed: number;
  /** in deviations from the middle */
  beyond: number;
}

/**
 * The runs that are looked for, the plainest first.
 * @source Western Electric, Statistical Quality Control Handbook, 1956; trend: Nelson, Journal of Quality Technology 16(4), 1984
 */
const RUNS: readonly Run[] = [
  { rule: 'beyond', of: 1, needed: 1, beyond: 3 },
  { rule: 'two of three', of: 3, needed: 2, beyond: 2 },
  { rule: 'four of five', of: 5, needed: 4, beyond: 1 },
  { rule: 'one side', of: 8, needed: 8, beyond: 0 },
];
const TREND = 6;

/** How many points back the rules look at most. */
export const LONGEST_RUN = Math.max(TREND, ...RUNS.map((run) => run.of));

/** The rules that fire at one of some points, the plainest first. */
function firingAt(points: readonly number[], { centre, sigma }: Limits, last: number): Signal[] {
  const found: Signal[] = [];
  for (const sign of [1, -1] as const) {
    const side = sign > 0 ? 'above' : 'below';
    const off = (i: number) => sign * ((points[i] ?? centre) - centre);
    for (const { rule, of, needed, beyond } of RUNS) {
      const edge = beyond * sigma;
      if (!(off(last) > edge)) continue;
      let many = 0;
      for (let i = Math.max(0, last + 1 - of); i <= last; i++) if (off(i) > edge) many++;
      if (many >= needed) found.push({ rule, side, at: span(Math.max(0, last + 1 - of), last).filter((i) => off(i) > edge) });
    }
    let rising = 1;
    while (rising < TREND && last - rising >= 0 && off(last - rising + 1) > off(last - rising)) rising++;
    if (rising === TREND) found.push({ rule: 'trend', side, at: span(last + 1 - TREND, last) });
  }
  return found.length < 2 ? found : found.sort((a, b) => RUN_RULES.indexOf(a.rule) - RUN_RULES.indexOf(b.rule));
}

const span = (from: number, to: number) => Array.from({ length: to - from + 1 }, (_, i) => from + i);

/** Every firing of a rule on a chart, in the order of the points. */
export const signalsOn = (points: readonly number[], limits: Limits): Signal[] =>
  points.flatMap((_, last) => firingAt(points, limits, last));

/** The plainest rule that fires at the last point; undefined where none does. */
export const signalAtEnd = (points: readonly number[], limits: Limits): Signal | undefined =>
  points.length === 0 ? undefined : firingAt(points, limits, points.length - 1)[0];

/** A signal as one would say it at the machine. */
export function signalInWords({ rule, side, at }: Pick<Signal, 'rule' | 'side' | 'at'>): string {
  switch (rule) {
    case 'beyond':
      return `one value ${side === 'above' ? 'above the upper' : 'below the lower'} limit`;
    case 'two of three':
      return `2 of 3 values far ${side} the middle`;
    case 'four of five':
      return `4 of 5 values well ${side} the middle`;
    case 'one side':
      return `${at.length} values in a row ${side} the middle`;
    case 'trend':
      return `${at.length} values in a row ${side === 'above' ? 'rising' : 'falling'}`;
  }
}
