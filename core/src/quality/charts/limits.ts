import { mean, standardDeviation } from '../../maths/index.ts';
import { deviationConstant, rangeConstants } from './constants.ts';

/** Where the points of one chart are expected: three deviations of a point to each side of the middle. */
export interface Limits {
  centre: number;
  lower: number;
  upper: number;
  /** deviation of one point */
  sigma: number;
}

/** Two charts that are read together, and what they rest on. */
export interface ChartPair {
  /** of the values, or of the means of subgroups */
  values: Limits;
  /** of moving ranges, ranges or deviations */
  spread: Limits;
  /** deviation of one value, as short stretches show it */
  sigmaWithin: number;
  /** how many values it rests on */
  count: number;
}

const around = (centre: number, sigma: number): Limits => ({ centre, lower: centre - 3 * sigma, upper: centre + 3 * sigma, sigma });
/** A spread is never below nothing. */
const spreadAround = (centre: number, sigma: number): Limits => ({ ...around(centre, sigma), lower: Math.max(0, centre - 3 * sigma) });

/** How far each value lies from the one before it; one fewer than values. */
export const movingRanges = (values: readonly number[]): number[] =>
  values.slice(1).map((value, i) => Math.abs(value - (values[i] ?? value)));

/**
 * Individuals and moving range: the chart of values that come one by one.
 *
 * @throws RangeError below two values
 * @source ISO 7870-2
 */
export function individualsLimits(values: readonly number[]): ChartPair {
  if (values.length < 2) throw new RangeError('A chart takes two values at least');
  const { d2, d3 } = rangeConstants(2);
  const meanRange = mean(movingRanges(values));
  const sigmaWithin = meanRange / d2;
  return {
    values: around(mean(values), sigmaWithin),
    spread: spreadAround(meanRange, d3 * sigmaWithin),
    sigmaWithin,
    count: values.length,
  };
}

/** How the spread of a subgroup is read. */
export type SpreadBy = 'range' | 'deviation';

const range = (values: readonly number[]) => Math.max(...values) - Math.min(...values);

/** What a chart of subgroups plots: their means, and their ranges or deviations. */
export const subgroupPoints = (groups: readonly (readonly number[])[], by: SpreadBy): { values: number[]; spread: number[] } => ({
  values: groups.map(mean),
  spread: groups.map(by === 'range' ? range : standardDeviation),
});

/**
 * Means of subgroups with their ranges, or with their deviations.
 *
 * @param groups of one size, from 2; up to 10 where ranges are read
 * @param points what the chart plots of them, where that is worked out already
 * @throws RangeError without a subgroup, or for sizes that differ or cannot be read
 * @source ISO 7870-2
 */
export function subgroupLimits(
  groups: readonly (readonly number[])[],
  by: SpreadBy,
  points: ReturnType<typeof subgroupPoints> = subgroupPoints(groups, by),
): ChartPair {
  const n = groups[0]?.length ?? 0;
  if (groups.some((group) => group.length !== n)) throw new RangeError('The subgroups of a chart are of one size');
  const meanSpread = mean(points.spread);
  const { perSigma, spreadOf } = by === 'range' ? rangeScale(n) : deviationScale(n);
  const sigmaWithin = meanSpread / perSigma;
  return {
    values: around(mean(points.values), sigmaWithin / Math.sqrt(n)),
    spread: spreadAround(meanSpread, spreadOf * sigmaWithin),
    sigmaWithin,
    count: groups.length * n,
  };
}

const rangeScale = (n: number) => {
  const { d2, d3 } = rangeConstants(n);
  return { perSigma: d2, spreadOf: d3 };
};
const deviationScale = (n: number) => {
  const c4 = deviationConstant(n);
  return { perSigma: c4, spreadOf: Math.sqrt(1 - c4 ** 2) };
};
