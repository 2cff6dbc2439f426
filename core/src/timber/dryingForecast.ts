import { meanEmcPct, type EmcTrace } from '../climate/index.ts';
import { daysToReach } from '../maths/index.ts';
import { DAY_MS } from '../units/index.ts';
import type { Band } from './drying.ts';
import { moistureAt, spreadOf, type DryingFit } from './dryingFit.ts';

/** Nine in ten of a normal distribution's middle eighty per cent lie on the near side of this many deviations. */
const TENTH = 1.2816;

/** The mean climate of this long is what a forecast goes on with. */
export const CLIMATE_FORTNIGHT_MS = 14 * DAY_MS;

/** The air a lot is thought to lie in from now on. */
export interface ClimateAhead {
  emcPct: number;
  /** how far that may stray, points */
  driftPct: number;
}

/** When a lot is in its band, with the edges of an 80 % interval; null where an edge lies beyond the horizon. */
export interface Ready {
  earlyMs: number | null;
  likelyMs: number | null;
  lateMs: number | null;
}

export interface FanPoint {
  atMs: number;
  meanPct: number;
  /** edges of the 80 % interval of the lot's mean */
  lowPct: number;
  highPct: number;
}

export interface DryingOutlook {
  kind: 'in band' | 'on its way' | 'not in this room';
  /** what the room tends to */
  emcPct: number;
  /** the curve now */
  nowPct: number;
  /** when the lot's mean enters the band */
  ready: Ready;
  /** when nine pieces in ten are in the band */
  piecesReadyMs: number | null;
  /** when the mean leaves the band at its far end, where the room goes on past it */
  pastBandMs: number | null;
  fan: FanPoint[];
}

export interface OutlookQuestion {
  nowMs: number;
  band: Band;
  ahead: ClimateAhead;
  /** standard deviation between the lot's pieces now, points */
  pieceSdPct: number;
  /** how far the fan is drawn, days */
  fanDays?: number;
}

/** A forecast further out than this says no more than "not soon". */
const HORIZON_DAYS = 3 * 365;
const FAN_POINTS = 31;

/**
 * Where a lot goes from here: the fitted curve carried on in a steady climate, with what is not known of its start, its
 * rate, and the climate. The dates of the interval are where the fan's edges cross the band, so chart and words agree.
 */
export function forecastLot(fit: DryingFit, trace: EmcTrace, question: OutlookQuestion): DryingOutlook {
  const { nowMs, band, ahead, pieceSdPct, fanDays = 60 } = question;
  const [now] = moistureAt(fit, trace, [Math.max(nowMs, fit.fromMs)]);
  if (!now) throw new RangeError('The curve has no present');
  const { emcPct, driftPct } = ahead;
  const at = (days: number) => {
    const kt = fit.ratePerDay * days;
    const left = Math.exp(-kt);
    const meanPct = emcPct + (now.meanPct - emcPct) * left;
    const perLogRate = now.perLogRate * left - kt * left * (now.meanPct - emcPct);
    const sd = Math.hypot(spreadOf(fit, { perStart: now.perStart * left, perLogRate }), driftPct * (1 - left));
    return { meanPct, sd, pieceSdPct: pieceSdPct * left };
  };
  const fan = Array.from({ length: FAN_POINTS }, (_, i) => {
    const days = (i * fanDays) / (FAN_POINTS - 1);
    const { meanPct, sd } = at(days);
    return { atMs: now.atMs + days * DAY_MS, meanPct, lowPct: meanPct - TENTH * sd, highPct: meanPct + TENTH * sd };
  });
  const dateOf = (days: number | null) => (days === null ? null : now.atMs + days * DAY_MS);
  const inBand = now.meanPct >= band.low && now.meanPct <= band.high;
  const wet = now.meanPct > band.high;
  // From which side, and how far past the edge: above it while that is positive.
  const from = wet ? (value: number) => value - band.high : (value: number) => band.low - value;
  const dir = wet ? 1 : -1;
  const crossing = (deviations: number) =>
    inBand ? 0 : firstDay((days) => from(at(days).meanPct + dir * deviations * at(days).sd), HORIZON_DAYS);
  const pieces = (days: number) => {
    const { meanPct, pieceSdPct: sd } = at(days);
    return Math.max(meanPct + TENTH * sd - band.high, band.low - (meanPct - TENTH * sd));
  };
  const past = emcPct < band.low ? band.low : emcPct > band.high ? band.high : null;
  const likely = crossing(0);
  const kind = inBand ? 'in band' : likely === null ? 'not in this room' : 'on its way';
  const leaves = past === null ? Infinity : daysToReach(now.meanPct, emcPct, fit.ratePerDay, past);
  return {
    kind,
    emcPct,
    nowPct: now.meanPct,
    ready: { earlyMs: dateOf(crossing(-TENTH)), likelyMs: dateOf(likely), lateMs: dateOf(crossing(TENTH)) },
    piecesReadyMs: kind === 'not in this room' ? null : dateOf(firstDay(pieces, HORIZON_DAYS)),
    pastBandMs: kind === 'not in this room' || !Number.isFinite(leaves) || leaves > HORIZON_DAYS ? null : dateOf(leaves),
    fan,
  };
}

/**
 * The first day at which a gap closes, by a coarse walk and halving.
 *
 * @param gap positive before, zero or less after
 * @returns null when it does not within the horizon
 */
function firstDay(gap: (days: number) => number, horizon: number): number | null {
  if (gap(0) <= 0) return 0;
  let before = 0;
  let step = 0.5;
  for (let days = step; days <= horizon; days += step) {
    if (gap(days) <= 0) {
      let after = days;
      for (let i = 0; i < 20; i++) {
        const middle = (before + after) / 2;
        if (gap(middle) <= 0) after = middle;
        else before = middle;
      }
      return after;
    }
    before = days;
    // A day matters tomorrow, a week next year.
    step = Math.max(0.5, days / 40);
  }
  return null;
}

/** The climate a forecast goes on with when nothing else is asked: the mean of the last fortnight. */
export function climateAhead(trace: EmcTrace, nowMs: number, driftPct: number): ClimateAhead {
  return { emcPct: meanEmcPct(trace, nowMs - CLIMATE_FORTNIGHT_MS, nowMs), driftPct };
}
