import { median, type Interval } from '../maths/index.ts';
import { DAY_MS } from '../units/index.ts';
import { meanEmcPct, ORDINARY_EMC_PCT, type EmcTrace } from './emcTrace.ts';

/** How many days back a shop's own air is looked at. */
export const SHOP_DAYS = 60;
/** A day whose mean strays from the rest by more than this, in points, is out of the ordinary: a humidifier that ran on, a door left open. */
export const STRAY_PCT = 1;
/** A day that a sensor was silent for longer than this says nothing. */
const SILENT_SHARE = 0.5;

/** What a shop's air has tended to in ordinary days, and which those were. */
export interface ShopAir {
  /** equilibrium moisture, percent */
  emcPct: number;
  /** ordinary days that it is told from; none where nothing was measured, and ordinary shop air is taken */
  days: number;
  /** days left out, since they strayed */
  strayed: number;
  /** the earliest day that was looked at */
  fromMs: number;
}

/**
 * What wood in a shop tends to in the long run: the median of the daily means of sixty days, without the days that stray
 * from it. A fault that lasts weeks moves it by tenths at most, where a fortnight's mean would follow it and call damp wood
 * dry.
 *
 * @param trace the room's equilibrium moisture; undefined where nobody reads it
 */
export function shopAir(trace: EmcTrace | undefined, nowMs: number): ShopAir {
  const means: number[] = [];
  let earliestMs = nowMs;
  for (let day = 1; trace && day <= SHOP_DAYS; day++) {
    const span = { fromMs: nowMs - day * DAY_MS, toMs: nowMs - (day - 1) * DAY_MS };
    if (span.toMs <= trace.fromMs) break;
    if (silentMs(trace, span) > SILENT_SHARE * DAY_MS) continue;
    means.push(meanEmcPct(trace, span.fromMs, span.toMs));
    earliestMs = Math.max(span.fromMs, trace.fromMs);
  }
  if (means.length === 0) return { emcPct: ORDINARY_EMC_PCT, days: 0, strayed: 0, fromMs: nowMs };
  const middle = median(means);
  const ordinary = means.filter((mean) => Math.abs(mean - middle) <= STRAY_PCT);
  // Two halves far apart have no middle: then none is more ordinary than the other.
  const counted = ordinary.length > 0 ? ordinary : means;
  return { emcPct: median(counted), days: counted.length, strayed: means.length - counted.length, fromMs: earliestMs };
}

/** In words: which days the figure comes from. */
export function shopAirInWords({ days, strayed }: ShopAir): string {
  if (days === 0) return 'nothing was measured: ordinary shop air';
  const told = days === 1 ? 'one day’s mean' : `the median of ${days} days`;
  return strayed === 0 ? told : `${told}, ${strayed} left out that strayed by more than ${STRAY_PCT} point`;
}

const silentMs = ({ gaps }: EmcTrace, { fromMs, toMs }: Interval): number =>
  gaps.reduce((sum, gap) => sum + Math.max(0, Math.min(gap.toMs, toMs) - Math.max(gap.fromMs, fromMs)), 0);
