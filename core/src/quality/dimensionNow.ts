import { capability, driftOf, type Capability, type Drift, type Index, type Tolerance } from './charts/index.ts';
import { said } from '../units/index.ts';
import type { Dimension } from './dimension.ts';

export const CONTROL_STATES = ['too few', 'in control', 'out of control'] as const;
export type ControlState = (typeof CONTROL_STATES)[number];

/** What the latest values of a dimension come to. */
export interface DimensionNow {
  state: ControlState;
  /** null of too few values, or of values that do not vary */
  capability: Capability | null;
  /** how it has moved from part to part since it was settled; null where it does not, as far as can be told */
  drift: Drift | null;
}

/** Whether a dimension is in control, how well it keeps a tolerance, and whether it drifts; of the values kept with it. */
export function dimensionNow(
  { latest, limits, signal, settledMs }: Pick<Dimension, 'latest' | 'limits' | 'signal' | 'settledMs'>,
  tolerance: Tolerance,
): DimensionNow {
  const values = latest.map((v) => v.value);
  const state = signal !== null ? 'out of control' : limits === null ? 'too few' : 'in control';
  // An index of short stretches is one of a process that stays as it is.
  const within = state === 'in control' ? limits?.sigma : undefined;
  const since = latest.filter((v) => v.atMs > settledMs).map(({ value }, x) => ({ x, value }));
  return {
    state,
    capability: capability(values, tolerance, within),
    drift: driftOf(since, tolerance),
  };
}

/** Decimals that tell values apart that lie within a band of so many. */
export const digitsFor = ({ low, high }: { low: number; high: number }): number =>
  high > low ? Math.min(4, Math.max(0, Math.ceil(1.7 - Math.log10(high - low)))) : 2;

/** An index with what it may as well be. */
const indexInWords = ({ value, from, to }: Index): string => `${value.toFixed(2)} (${from.toFixed(2)} to ${to.toFixed(2)})`;

/** How well a tolerance is kept, with how sure that is. */
export function capabilityInWords({ count, ppk, cpk }: Capability): string {
  const short = cpk ? `Cpk ${indexInWords(cpk)} between neighbours` : 'Cpk is told only of what is in control';
  return `Ppk ${indexInWords(ppk)} over the latest ${count} values; ${short}`;
}

/** How a dimension moves from part to part, and when it leaves its tolerance. */
export function driftInWords({ slope, slopeFrom, slopeTo, left }: Omit<Drift, 'scatter' | 'now'>, unit: string): string {
  const [least, most] = [Math.abs(slopeFrom), Math.abs(slopeTo)].sort((a, b) => a - b);
  const digits = Math.min(6, Math.max(0, Math.ceil(1.3 - Math.log10(Math.abs(slope)))));
  const step = (value = 0) => value.toFixed(digits);
  const course = `${slope > 0 ? 'Rises' : 'Falls'} by ${said(step(Math.abs(slope)), unit)} a part (${step(least)} to ${step(most)})`;
  if (left === null) return course;
  if (left.x === 0) return `${course}, and has left its tolerance`;
  return `${course}: leaves its tolerance in about ${Math.round(left.x)} parts (${Math.round(left.from)} to ${Math.round(left.to)})`;
}
