import { deviation, mean as meanOf, quantile as quantileOf } from 'd3-array';

/** Arithmetic mean. @throws RangeError on an empty list */
export function mean(values: readonly number[]): number {
  const found = meanOf(values);
  if (found === undefined) throw new RangeError('The mean of nothing is not defined');
  return found;
}

/** Sample standard deviation (n − 1); 0 for fewer than two values. */
export const standardDeviation = (values: readonly number[]): number => deviation(values) ?? 0;

/**
 * Quantile by linear interpolation between order statistics (Hyndman & Fan type 7).
 *
 * @param values any order; not changed
 * @param p 0…1
 * @throws RangeError on an empty list or p outside 0…1
 */
export function quantile(values: readonly number[], p: number): number {
  const found = p >= 0 && p <= 1 ? quantileOf(values, p) : undefined;
  if (found === undefined) throw new RangeError('A quantile needs values and 0 ≤ p ≤ 1');
  return found;
}

/** Least-squares slope of y over x; 0 when x does not vary. @throws RangeError on different lengths */
export function slope(xs: readonly number[], ys: readonly number[]): number {
  if (xs.length !== ys.length) throw new RangeError('A slope needs as many x as y');
  if (xs.length < 2) return 0;
  const mx = mean(xs);
  const my = mean(ys);
  let above = 0;
  let below = 0;
  xs.forEach((x, i) => {
    above += (x - mx) * ((ys[i] ?? my) - my);
    below += (x - mx) ** 2;
  });
  return below === 0 ? 0 : above / below;
}

/** Middle of the values. @throws RangeError on an empty list */
export const median = (values: readonly number[]): number => quantile(values, 0.5);

/**
 * Which values stand apart from the rest: modified z-score above 3.5. They are told, never dropped.
 *
 * @param leastScale deviations smaller than the instrument can tell do not make an outlier
 * @returns positions; none among fewer than four values, which cannot tell
 * @source Iglewicz & Hoaglin, How to Detect and Handle Outliers, 1993
 */
export function outliers(values: readonly number[], leastScale = 0): number[] {
  if (values.length < 4) return [];
  const middle = median(values);
  const scale = Math.max(leastScale, median(values.map((v) => Math.abs(v - middle))) / 0.6745);
  return values.flatMap((v, i) => ((scale > 0 ? Math.abs(v - middle) / scale > 3.5 : v !== middle) ? [i] : []));
}
