import { emcDriftPct, meanEmcPct, seasonOf, type EmcTrace } from '../climate/index.ts';
import { DAY_MS } from '../units/index.ts';
import type { Band } from './drying.ts';
import { steadily, together, type Mode } from './dryingCurve.ts';
import { moistureAt, SESSIONS_TO_TELL, spreadOf, type DryingFit, type MoistureAt } from './dryingFit.ts';

/** Nine in ten of a normal distribution's middle eighty per cent lie on the near side of this many deviations. */
const TENTH = 1.2816;

/** The mean climate of this long is what a forecast goes on from. */
export const CLIMATE_FORTNIGHT_MS = 14 * DAY_MS;

/** The air a lot is thought to lie in from now on. */
export interface ClimateAhead {
  /** what it has tended to lately */
  emcPct: number;
  /** how far it may stray from what is expected, points */
  driftPct: number;
  /** what the season adds at an instant, points; nothing where less than a year is known */
  season: ((atMs: number) => number) | null;
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
  /** "too early to tell" while sessions are too few for a date with an end */
  kind: 'in band' | 'on its way' | 'not in this room' | 'too early to tell';
  /** what the room tends to */
  emcPct: number;
  /** the curve now */
  nowPct: number;
  /** when the lot's mean enters the band */
  ready: Ready;
  /** when nine pieces in ten are in the band */
  piecesReadyMs: number | null;
  /** when the mean leaves the band at its far end, where the room soon goes on past it */
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
/** Whether wood goes on past its band is told so far ahead: the band itself follows the shop. */
const PAST_DAYS = 90;
/** How far the air strays is measured over a month ahead. */
const MONTH_MS = 30 * DAY_MS;
const FAN_POINTS = 31;

/**
 * Where a lot goes from here: the fitted curve carried on in the air ahead, with what is not known of its start, its rate,
 * its shape, and the climate. The dates of the interval are where the fan's edges cross the band, so chart and words agree.
 */
export function forecastLot(fit: DryingFit, trace: EmcTrace, question: OutlookQuestion): DryingOutlook {
  const { band, ahead, fanDays = 60 } = question;
  const [now] = moistureAt(fit, trace, [Math.max(question.nowMs, fit.fromMs)]);
  if (!now) throw new RangeError('The curve has no present');
  const path = new PathAhead(fit, now, question);
  const fan = Array.from({ length: FAN_POINTS }, (_, i) => {
    const days = (i * fanDays) / (FAN_POINTS - 1);
    const { meanPct, sdPct } = path.between(days);
    return { atMs: now.atMs + days * DAY_MS, meanPct, lowPct: meanPct - TENTH * sdPct, highPct: meanPct + TENTH * sdPct };
  });
  const dateOf = (days: number | null) => (days === null ? null : now.atMs + days * DAY_MS);
  const wet = now.meanPct > band.high;
  const inBand = !wet && now.meanPct >= band.low;
  /** how far before the band's near edge a value lies; not before it when zero or less */
  const before = (pct: number) => (wet ? pct - band.high : band.low - pct);
  const entering = (deviations: number) =>
    inBand ? 0 : path.firstDay(({ meanPct, sdPct }) => before(meanPct + (wet ? 1 : -1) * deviations * sdPct));
  const ready = { early: entering(-TENTH), likely: entering(0), late: entering(TENTH) };
  const kind = inBand
    ? 'in band'
    : ready.likely === null
      ? 'not in this room'
      : fit.sessions < SESSIONS_TO_TELL && ready.late === null
        ? 'too early to tell'
        : 'on its way';
  const told = kind === 'in band' || kind === 'on its way';
  const nineInTen = ({ meanPct, pieceSdPct: sd }: Ahead) => Math.max(meanPct + TENTH * sd - band.high, band.low - (meanPct - TENTH * sd));
  // Out again at its far side; or at either, of what is in it now.
  const inside = ({ meanPct }: Ahead) =>
    Math.min(inBand || !wet ? band.high - meanPct : Infinity, inBand || wet ? meanPct - band.low : Infinity);
  return {
    kind,
    emcPct: ahead.emcPct,
    nowPct: now.meanPct,
    ready: { earlyMs: dateOf(ready.early), likelyMs: dateOf(ready.likely), lateMs: dateOf(ready.late) },
    piecesReadyMs: told ? dateOf(path.firstDay(nineInTen)) : null,
    pastBandMs: told ? dateOf(path.firstDay(inside, PAST_DAYS)) : null,
    fan,
  };
}

/** A lot's mean at a time to come. */
interface Ahead {
  meanPct: number;
  sdPct: number;
  /** between its pieces */
  pieceSdPct: number;
}

/** What is nearer than this to an edge that it only tends to never crosses it, points. */
const CLOSE_PCT = 1e-4;

/** The curve carried on day by day, worked out as far as it is asked for. */
class PathAhead {
  private readonly fit: DryingFit;
  private readonly question: OutlookQuestion;
  private readonly nowMs: number;
  private readonly days: Ahead[];
  private modes: readonly Mode[];

  constructor(fit: DryingFit, now: MoistureAt, question: OutlookQuestion) {
    this.fit = fit;
    this.question = question;
    this.nowMs = now.atMs;
    this.modes = now.modes;
    this.days = [this.seen(0)];
  }

  private seen(day: number): Ahead {
    const { fit, question, modes } = this;
    const point = together(modes, fit.slab);
    // What the air may stray reaches the wood as far as the wood has followed it.
    const left = Math.exp(-fit.ratePerDay * day);
    return {
      meanPct: point.meanPct,
      sdPct: Math.hypot(spreadOf(fit, point), question.ahead.driftPct * (1 - left)),
      pieceSdPct: question.pieceSdPct * left,
    };
  }

  private on(day: number): Ahead {
    const { emcPct, season } = this.question.ahead;
    for (let next = this.days.length; next <= day; next++) {
      const emc = emcPct + (season?.(this.nowMs + (next - 0.5) * DAY_MS) ?? 0);
      this.modes = steadily(this.modes, this.fit.ratePerDay, emc, 1);
      this.days.push(this.seen(next));
    }
    return this.days[day] as Ahead;
  }

  /** Between whole days along a straight line. */
  between(days: number): Ahead {
    const [a, b] = [this.on(Math.floor(days)), this.on(Math.ceil(days))];
    const share = days - Math.floor(days);
    const at = (of: (ahead: Ahead) => number) => of(a) + share * (of(b) - of(a));
    return { meanPct: at((x) => x.meanPct), sdPct: at((x) => x.sdPct), pieceSdPct: at((x) => x.pieceSdPct) };
  }

  /**
   * The first day at which a gap closes.
   *
   * @param gap positive before, below zero after
   * @returns null when it does not within the horizon
   */
  firstDay(gap: (ahead: Ahead) => number, horizonDays = HORIZON_DAYS): number | null {
    let before = gap(this.on(0));
    if (before <= 0) return 0;
    for (let day = 1; day <= horizonDays; day++) {
      const after = gap(this.on(day));
      if (after < -CLOSE_PCT) return day - 1 + Math.max(0, before) / (Math.max(0, before) - after);
      before = after;
    }
    return null;
  }
}

/** The climate a forecast goes on with: the mean of the last fortnight, and the season the room has shown from there. */
export function climateAhead(trace: EmcTrace, nowMs: number): ClimateAhead {
  const fortnightMs = nowMs - CLIMATE_FORTNIGHT_MS;
  const emcPct = meanEmcPct(trace, fortnightMs, nowMs);
  const season = seasonOf(trace, nowMs);
  if (!season) return { emcPct, driftPct: emcDriftPct(trace, CLIMATE_FORTNIGHT_MS, MONTH_MS), season: null };
  const lately = season.over(fortnightMs, nowMs);
  const expected = (beforeMs: number, atMs: number, aheadMs: number) => season.over(atMs, aheadMs) - season.over(beforeMs, atMs);
  return {
    emcPct,
    driftPct: emcDriftPct(trace, CLIMATE_FORTNIGHT_MS, MONTH_MS, { expected }),
    season: (atMs) => season.at(atMs) - lately,
  };
}
