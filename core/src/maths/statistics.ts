import { fsum, quantile as quantileOf } from 'd3-array';

/** Arithmetic mean, of a sum that loses no digit. @throws RangeError on an empty list */
export function mean(values: readonly number[]): number {
  if (values.length === 0) throw new RangeError('The mean of nothing is not defined');
  return fsum(values) / values.length;
}

/** Decimals that a typed value may have and still be reckoned with as it was typed. */
const MOST_DECIMALS = 6;

/**
 * Values as they were typed: 299.85 is no double, 29985 hundredths are. What was not typed with few decimals stays as it is.
 *
 * @returns whole numbers, and how many of them make one
 */
function asTyped(values: readonly number[]): { whole: readonly number[]; perUnit: number } {
  for (let perUnit = 1; perUnit <= 10 ** MOST_DECIMALS; perUnit *= 10) {
    const isWhole = (value: number) => {
      const n = Math.round(value * perUnit);
      return Number.isSafeInteger(n) && n / perUnit === value;
    };
    if (values.every(isWhole)) return { whole: values.map((value) => Math.round(value * perUnit)), perUnit };
  }
  return { whole: values, perUnit: 1 };
}

/**
 * Sum of squared deviations from the mean, in two passes; what rounding the mean left over is taken off again.
 *
 * @returns 0 for fewer than two values
 * @source Chan, Golub & LeVeque, "Algorithms for computing the sample variance", The American Statistician 37(3), 1983
 */
export function squaredDeviations(values: readonly number[]): number {
  if (values.length < 2) return 0;
  const { whole, perUnit } = asTyped(values);
  const middle = whole === values ? mean(values) : Math.round(mean(whole));
  const off = whole.map((value) => value - middle);
  return (fsum(off.map((d) => d * d)) - fsum(off) ** 2 / values.length) / perUnit ** 2;
}

/** Sample standard deviation (n − 1); 0 for fewer than two values. */
export const standardDeviation = (values: readonly number[]): number =>
  values.length < 2 ? 0 : Math.sqrt(squaredDeviations(values) / (values.length - 1));

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
