import { groupBy } from '../../maths/index.ts';
import { LARGEST_RANGED, rangeConstants } from './constants.ts';
import { individualsLimits, movingRanges, subgroupLimits, subgroupPoints, type ChartPair } from './limits.ts';
import { signalsOn, type Signal } from './runs.ts';

export const CHART_KINDS = ['individuals', 'range', 'deviation'] as const;
/** Values one by one with their moving ranges; or the means of what was measured together, with their ranges or deviations. */
export type ChartKind = (typeof CHART_KINDS)[number];

/** A value to be charted, with what it was measured together with. */
export interface Charted {
  value: number;
  /** one visit of a batch, one load */
  together: string;
}

/** Two charts one above the other. */
export interface Chart {
  kind: ChartKind;
  /** values, or means of what was measured together; each stands for the charted values at these positions */
  points: readonly { value: number; spread: number | null; of: readonly number[] }[];
  limits: ChartPair;
  /** rules that fire on the points */
  signals: readonly Signal[];
  /** how many values each point stands for */
  size: number;
  /** subgroups with too few values to be shown */
  leftOut: number;
}

/** Fewer points than these make no chart. */
export const LEAST_POINTS = 2;

/**
 * The chart of some values in the order in which they came.
 *
 * @param fixed limits that were set before, of a chart of individuals; made of the values themselves where there are none
 * @returns null of too few values, or where nothing was measured together
 */
export function chartOf(values: readonly Charted[], kind: ChartKind, fixed?: { centre: number; sigma: number }): Chart | null {
  return kind === 'individuals' ? individuals(values, fixed) : subgroups(values, kind);
}

function individuals(charted: readonly Charted[], fixed?: { centre: number; sigma: number }): Chart | null {
  if (charted.length < LEAST_POINTS) return null;
  const values = charted.map((c) => c.value);
  const limits = fixed ? fixedLimits(fixed, values.length) : individualsLimits(values);
  const ranges = [null, ...movingRanges(values)];
  return {
    kind: 'individuals',
    points: values.map((value, i) => ({ value, spread: ranges[i] ?? null, of: [i] })),
    limits,
    signals: signalsOn(values, limits.values),
    size: 1,
    leftOut: 0,
  };
}

function fixedLimits({ centre, sigma }: { centre: number; sigma: number }, count: number): ChartPair {
  const { d2, d3 } = rangeConstants(2);
  return {
    values: { centre, sigma, lower: centre - 3 * sigma, upper: centre + 3 * sigma },
    spread: { centre: d2 * sigma, sigma: d3 * sigma, lower: 0, upper: (d2 + 3 * d3) * sigma },
    sigmaWithin: sigma,
    count,
  };
}

function subgroups(charted: readonly Charted[], kind: 'range' | 'deviation'): Chart | null {
  const groups = [
    ...groupBy(
      charted.map((c, i) => ({ ...c, i })),
      (c) => c.together,
    ).values(),
  ];
  const size = usualSize(groups.map((g) => g.length));
  const shown = groups.filter((g) => g.length >= size).map((g) => g.slice(0, size));
  if (size < 2 || shown.length < LEAST_POINTS) return null;
  const values = shown.map((g) => g.map((c) => c.value));
  const plotted = subgroupPoints(values, kind);
  const limits = subgroupLimits(values, kind, plotted);
  return {
    kind,
    points: shown.map((g, i) => ({ value: plotted.values[i] ?? 0, spread: plotted.spread[i] ?? null, of: g.map((c) => c.i) })),
    limits,
    signals: signalsOn(plotted.values, limits.values),
    size,
    leftOut: groups.length - shown.length,
  };
}

/** The size that most subgroups reach, as large as a range is read of. */
function usualSize(sizes: readonly number[]): number {
  const sorted = [...sizes].sort((a, b) => a - b);
  return Math.min(LARGEST_RANGED, sorted[Math.floor((sorted.length - 1) / 4)] ?? 0);
}
