import { DAY_MS, YEAR_MS } from '../units/index.ts';
import { meanEmcPct, type EmcTrace } from './emcTrace.ts';

/** How a zone's EMC departs from its yearly mean with the time of year, as its own past shows it. */
export interface Season {
  /** departure at an instant, points */
  at(atMs: number): number;
  /** mean departure over a stretch, points */
  over(fromMs: number, toMs: number): number;
}

/** A room that is heated from autumn to spring turns quicker than a sine: two waves a year follow it, more follow the weather. */
const WAVES = 2;
/** Of a year, so much may have gone unmeasured. */
const MOST_UNKNOWN = 0.15;

/**
 * The season a zone has shown over the last whole years.
 *
 * @returns null where less than a year is known
 */
export function seasonOf(trace: EmcTrace, untilMs: number): Season | null {
  const endMs = Math.min(untilMs, trace.fromMs + trace.emcPct.length * trace.stepMs);
  const years = Math.floor((endMs - trace.fromMs) / YEAR_MS);
  const beginMs = endMs - years * YEAR_MS;
  const unknownMs = trace.gaps.reduce((sum, gap) => sum + Math.max(0, Math.min(gap.toMs, endMs) - Math.max(gap.fromMs, beginMs)), 0);
  if (years < 1 || unknownMs > MOST_UNKNOWN * years * YEAR_MS) return null;
  const days = Math.round((years * YEAR_MS) / DAY_MS);
  const daily = Array.from({ length: days }, (_, i) => meanEmcPct(trace, beginMs + i * DAY_MS, beginMs + (i + 1) * DAY_MS));
  // Over whole years waves do not overlap: each one's size is the mean of what it shares with the days, doubled.
  const waves = Array.from({ length: WAVES }, (_, n) => {
    const rate = (2 * Math.PI * (n + 1)) / YEAR_MS;
    let [cos, sin] = [0, 0];
    daily.forEach((emc, i) => {
      const angle = rate * (i + 0.5) * DAY_MS;
      cos += (2 / days) * emc * Math.cos(angle);
      sin += (2 / days) * emc * Math.sin(angle);
    });
    return { rate, cos, sin };
  });
  /** the sum of the waves up to an instant, so that a mean is a difference */
  const area = (atMs: number) =>
    waves.reduce(
      (sum, { rate, cos, sin }) => sum + (cos * Math.sin(rate * (atMs - beginMs)) - sin * Math.cos(rate * (atMs - beginMs))) / rate,
      0,
    );
  return {
    at: (atMs) =>
      waves.reduce((sum, { rate, cos, sin }) => sum + cos * Math.cos(rate * (atMs - beginMs)) + sin * Math.sin(rate * (atMs - beginMs)), 0),
    over: (fromMs, toMs) => (area(toMs) - area(fromMs)) / (toMs - fromMs),
  };
}
