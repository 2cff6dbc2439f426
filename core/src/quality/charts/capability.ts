import { chiSquareQuantile, mean, normalQuantile, standardDeviation } from '../../maths/index.ts';

/** A tolerance; a side that is open is left out. */
export interface Tolerance {
  low?: number;
  high?: number;
}

/** An index and where it lies with 95 % confidence. */
export interface Index {
  value: number;
  from: number;
  to: number;
}

export interface Capability {
  /** how many values it rests on */
  count: number;
  mean: number;
  /** of the values as they come, with all that changed between them */
  sigmaOverall: number;
  /** width of the tolerance against the whole spread; null where a side is open */
  pp: Index | null;
  /** distance to the nearer edge against half the whole spread */
  ppk: Index;
  /** the same against the spread of short stretches: only of what is in control, null otherwise */
  cp: Index | null;
  cpk: Index | null;
}

const CONFIDENCE = 0.95;
/** Fewer values than these tell no spread. */
export const LEAST_FOR_CAPABILITY = 10;

/**
 * Where an index of width lies, from how sure a deviation of so many degrees of freedom is.
 * @source Kushler & Hurley, "Confidence bounds for capability indices", Journal of Quality Technology 24(4), 1992
 */
export function widthIndex(value: number, freedom: number): Index {
  const at = (p: number) => value * Math.sqrt(chiSquareQuantile(p, freedom) / freedom);
  return { value, from: at((1 - CONFIDENCE) / 2), to: at((1 + CONFIDENCE) / 2) };
}

/**
 * Where an index of distance lies, which rests on a mean and on a deviation.
 * @source Bissell, "How reliable is your capability index?", Applied Statistics 39(3), 1990
 */
export function distanceIndex(value: number, count: number, freedom: number): Index {
  const half = normalQuantile((1 + CONFIDENCE) / 2) * Math.sqrt(1 / (9 * count) + value ** 2 / (2 * freedom));
  return { value, from: value - half, to: value + half };
}

/**
 * Degrees of freedom of a deviation that is read of the moving ranges of n values; fewer than n − 1, for they overlap.
 * @source Cryer & Ryan, "The estimation of sigma for an X chart", Journal of Quality Technology 22(3), 1990
 */
export function movingRangeFreedom(n: number): number {
  const overlap = Math.PI / 6 - 2 + Math.sqrt(3);
  const single = (2 * Math.PI) / 3 - 3 + Math.sqrt(3);
  return (n - 1) ** 2 / (2 * (single * (n - 1) - overlap));
}

/**
 * How well a process keeps a tolerance.
 *
 * @param values of one characteristic in the order in which they came
 * @param within deviation of short stretches, of a chart in control; left out where it is not, and then only the overall
 *   indices are told
 * @returns null of fewer than ten values, of values that do not vary, or without any tolerance
 */
export function capability(values: readonly number[], { low, high }: Tolerance, within?: number): Capability | null {
  const count = values.length;
  const sigmaOverall = standardDeviation(values);
  if (count < LEAST_FOR_CAPABILITY || sigmaOverall === 0 || (low === undefined && high === undefined)) return null;
  const middle = mean(values);
  const indices = (sigma: number, freedom: number) => ({
    width: low === undefined || high === undefined ? null : widthIndex((high - low) / (6 * sigma), freedom),
    distance: distanceIndex(
      Math.min(high === undefined ? Infinity : high - middle, low === undefined ? Infinity : middle - low) / (3 * sigma),
      count,
      freedom,
    ),
  });
  const overall = indices(sigmaOverall, count - 1);
  const short = within ? indices(within, movingRangeFreedom(count)) : undefined;
  return {
    count,
    mean: middle,
    sigmaOverall,
    pp: overall.width,
    ppk: overall.distance,
    cp: short?.width ?? null,
    cpk: short?.distance ?? null,
  };
}
