import { DAY_MS } from '../units/index.ts';

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

/**
 * Equivalent cure time: `∫ Q^((T−T_ref)/10) dt`, each sample holding until the next one, the first also before itself.
 *
 * @param samples in time order; with none the reference temperature is assumed
 * @returns days at the reference temperature
 * @throws RangeError when the span ends before it begins
 */
export function equivalentDays(
  fromMs: number,
  toMs: number,
  samples: readonly TemperatureSample[],
  law: CureLaw = DEFAULT_CURE_LAW,
): number {
  if (toMs < fromMs) throw new RangeError('A cure cannot end before it begins');
  const first = samples[0];
  if (!first) return (toMs - fromMs) / DAY_MS;
  let total = 0;
  let at = fromMs;
  let tempC = first.tempC;
  for (const sample of samples) {
    if (sample.atMs >= toMs) break;
    if (sample.atMs > at) {
      total += (sample.atMs - at) * cureRate(tempC, law);
      at = sample.atMs;
    }
    tempC = sample.tempC;
  }
  return (total + (toMs - at) * cureRate(tempC, law)) / DAY_MS;
}

/**
 * When a cure will have gathered enough, if the room stays as warm as it has been.
 *
 * @param meanTempC mean temperature of the last days
 * @returns epoch ms, or undefined when the room is too cold for it ever to cure
 */
export function cureReadyMs(
  nowMs: number,
  equivalentSoFarDays: number,
  neededDays: number,
  meanTempC: number,
  law: CureLaw = DEFAULT_CURE_LAW,
): number | undefined {
  const left = neededDays - equivalentSoFarDays;
  if (left <= 0) return nowMs;
  const rate = cureRate(meanTempC, law);
  return rate === 0 ? undefined : nowMs + (left / rate) * DAY_MS;
}
