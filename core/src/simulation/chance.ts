import type { Random } from '../maths/index.ts';

/** How something turns out, drawn anew each time. */
export type Chance = (random: Random) => number;

/** Always the same. */
export const always =
  (value: number): Chance =>
  () =>
    value;

/** Without memory: what is still to come does not depend on how long it has been. */
export const exponential =
  (mean: number): Chance =>
  (random) =>
    -mean * Math.log(1 - random.next());

/**
 * Never below zero, with a tail to the right, as times of manual work have.
 *
 * @param mean of what is drawn
 * @param variation standard deviation ÷ mean
 */
export function lognormal(mean: number, variation: number): Chance {
  const variance = Math.log(1 + variation ** 2);
  const mu = Math.log(mean) - variance / 2;
  return (random) => Math.exp(random.normal(mu, Math.sqrt(variance)));
}

/** How many of so many, each with the same probability. */
export function howMany(of: number, probability: number, random: Random): number {
  if (probability === 0) return 0;
  let count = 0;
  for (let i = 0; i < of; i++) if (random.next() < probability) count += 1;
  return count;
}
