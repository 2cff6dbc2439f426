import { DAY_MS } from '../units/index.ts';
import { LONGEST_SILENCE_MS } from './emcTrace.ts';

/** How a film hardens with warmth. Defaults: a doubling per 10 °C about 21 °C; the data sheet decides. */
export interface CureLaw {
  referenceTempC: number;
  /** factor per 10 °C */
  q10: number;
  /** below this nothing counts, °C */
  minimumTempC: number;
}

export const DEFAULT_CURE_LAW: CureLaw = { referenceTempC: 21, q10: 2, minimumTempC: 10 };

export interface TemperatureSample {
  atMs: number;
  tempC: number;
}

/** Share of a reference day that one day at this temperature counts for; 0 below the minimum. */
export function cureRate(tempC: number, law: CureLaw = DEFAULT_CURE_LAW): number {
  return tempC < law.minimumTempC ? 0 : law.q10 ** ((tempC - law.referenceTempC) / 10);
}

/** A cure as far as anybody measured it. */
export interface CureTime {
  /** days at the reference temperature */
  days: number;
  /** time of which nobody knows how warm it was; nothing of it counts */
  silentMs: number;
}

/**
 * Equivalent cure time: `∫ Q^((T−T_ref)/10) dt`. A sample holds until the next, the first also before itself, none for
 * longer than a sensor may be silent: what comes after is not counted, so that a silence never cures anything.
 *
 * @param samples in time order
 * @throws RangeError when the span ends before it begins
 */
export function equivalentTime(
  fromMs: number,
  toMs: number,
  samples: readonly TemperatureSample[],
  law: CureLaw = DEFAULT_CURE_LAW,
  longestSilenceMs = LONGEST_SILENCE_MS,
): CureTime {
  if (toMs < fromMs) throw new RangeError('A cure cannot end before it begins');
  let sum = 0;
  let knownMs = 0;
  eachHeld(fromMs, toMs, samples, longestSilenceMs, (heldMs, tempC) => {
    sum += heldMs * cureRate(tempC, law);
    knownMs += heldMs;
    return true;
  });
  return { days: sum / DAY_MS, silentMs: toMs - fromMs - knownMs };
}

/**
 * When so much equivalent time had gone by, counted as {@link equivalentTime} does.
 *
 * @returns null where it had not by the end
 */
export function equivalentTimeReached(
  days: number,
  fromMs: number,
  toMs: number,
  samples: readonly TemperatureSample[],
  law: CureLaw = DEFAULT_CURE_LAW,
): number | null {
  let leftMs = days * DAY_MS;
  if (leftMs <= 0) return fromMs;
  let reachedMs: number | null = null;
  eachHeld(fromMs, toMs, samples, LONGEST_SILENCE_MS, (heldMs, tempC, holdsFromMs) => {
    const rate = cureRate(tempC, law);
    if (rate * heldMs >= leftMs) {
      reachedMs = holdsFromMs + leftMs / rate;
      return false;
    }
    leftMs -= rate * heldMs;
    return true;
  });
  return reachedMs;
}

/** Goes through the times of which it is known how warm it was, until told that it is enough. */
function eachHeld(
  fromMs: number,
  toMs: number,
  samples: readonly TemperatureSample[],
  longestSilenceMs: number,
  see: (heldMs: number, tempC: number, holdsFromMs: number) => boolean,
): void {
  for (let i = Math.max(0, firstAfter(samples, fromMs) - 1); i < samples.length; i++) {
    const { atMs, tempC } = samples[i] as TemperatureSample;
    const holdsFromMs = Math.max(fromMs, i === 0 ? atMs - longestSilenceMs : atMs);
    if (holdsFromMs >= toMs) return;
    const holdsToMs = Math.min(toMs, samples[i + 1]?.atMs ?? Infinity, atMs + longestSilenceMs);
    if (holdsToMs > holdsFromMs && !see(holdsToMs - holdsFromMs, tempC, holdsFromMs)) return;
  }
}

/** The place of the first sample after an instant. */
function firstAfter(samples: readonly TemperatureSample[], atMs: number): number {
  let [low, high] = [0, samples.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((samples[middle] as TemperatureSample).atMs > atMs) high = middle;
    else low = middle + 1;
  }
  return low;
}

const FORTNIGHT_MS = 14 * DAY_MS;

/**
 * How fast a room cures: the mean of its hours' rates over the last fortnight, which is more than the rate at their mean
 * temperature, since warm hours gain more than cool ones lose.
 *
 * @returns days at the reference temperature per day; undefined where nobody measured
 */
export function cureRateLately(nowMs: number, samples: readonly TemperatureSample[], law: CureLaw = DEFAULT_CURE_LAW): number | undefined {
  const { days, silentMs } = equivalentTime(nowMs - FORTNIGHT_MS, nowMs, samples, law);
  const knownMs = FORTNIGHT_MS - silentMs;
  return knownMs <= 0 ? undefined : days / (knownMs / DAY_MS);
}
