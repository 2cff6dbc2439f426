/** Largest subgroup whose range is read; a larger one is judged by its deviation. */
export const LARGEST_RANGED = 10;

/**
 * Mean and deviation of the range of n values of a normal distribution of deviation 1, n from 2.
 * @source ASTM Manual 7, Presentation of Data and Control Chart Analysis, table 49
 */
const RANGES: readonly (readonly [d2: number, d3: number])[] = [
  [1.128379, 0.852502],
  [1.692569, 0.888368],
  [2.058751, 0.879808],
  [2.325929, 0.864082],
  [2.534413, 0.84804],
  [2.704357, 0.833205],
  [2.847201, 0.819831],
  [2.970026, 0.807834],
  [3.077505, 0.797051],
];

/** What the range of n values says of their deviation. @throws RangeError outside 2…10 */
export function rangeConstants(n: number): { d2: number; d3: number } {
  const known = RANGES[n - 2];
  if (!known) throw new RangeError(`Ranges are read of 2 to ${LARGEST_RANGED} values, not of ${n}`);
  return { d2: known[0], d3: known[1] };
}

/**
 * What the sample deviation of n values says of the deviation they come from: its mean, c4, is a little below it.
 *
 * @returns √(2/(n−1)) · Γ(n/2) / Γ((n−1)/2), by the recursion of Γ
 * @throws RangeError below 2
 * @source ASTM Manual 7
 */
export function deviationConstant(n: number): number {
  if (!Number.isInteger(n) || n < 2) throw new RangeError('A deviation takes two values at least');
  // Γ(n/2)/Γ((n−1)/2): √(1/π) at 2, and each next one is (n−2)/2 over the one before.
  let ratio = 1 / Math.sqrt(Math.PI);
  for (let m = 3; m <= n; m++) ratio = (m - 2) / 2 / ratio;
  return Math.sqrt(2 / (n - 1)) * ratio;
}
