import {
  DAY_MS,
  findExcursions,
  HOUR_MS,
  meanEmcPct,
  moistureAt,
  ODD_WEIGHT,
  type Band,
  type DryingFit,
  type DryingOutlook,
} from '@ample-crane/core';
import { Out, OutEnum, OutList, OutOrNull, OutPart } from '../platform/http/fields.ts';
import type { LotDrying, ReadSession } from './drying.service.ts';

export class ReadyView {
  @OutEnum(['in band', 'on its way', 'not in this room', 'too early to tell']) kind: DryingOutlook['kind'];
  /** what the room tends to */
  @Out() emcPct: number;
  /** where the fitted curve stands now */
  @Out() nowPct: number;
  /** when the mean enters the band: edges of an 80 % interval and the likeliest day */
  @OutOrNull(Number) earlyMs: number | null;
  @OutOrNull(Number) likelyMs: number | null;
  @OutOrNull(Number) lateMs: number | null;
  /** when nine pieces in ten are in the band */
  @OutOrNull(Number) piecesMs: number | null;
  /** when the mean leaves the band at its far end */
  @OutOrNull(Number) pastBandMs: number | null;
  @Out() ratePerDay: number;
  @OutEnum(['prior', 'blended', 'measured']) basis: DryingFit['basis'];
}

export class FanPointView {
  @Out() atMs: number;
  @Out() meanPct: number;
  @Out() lowPct: number;
  @Out() highPct: number;
}

export class OutlookView extends ReadyView {
  @OutList(() => FanPointView) fan: FanPointView[];
}

export class CurvePointView {
  @Out() atMs: number;
  @Out() pct: number;
}

export class ExcursionView {
  @OutEnum(['too dry', 'too wet']) kind: 'too dry' | 'too wet';
  @Out() fromMs: number;
  @Out() toMs: number;
  @Out() worstPct: number;
}

export class DryingView {
  @OutPart(() => OutlookView) outlook: OutlookView;
  /** the fitted curve from the first session to now */
  @OutList(() => CurvePointView) curve: CurvePointView[];
  /** what the air asked for, day by day */
  @OutList(() => CurvePointView) emc: CurvePointView[];
  @OutList(() => ExcursionView) excursions: ExcursionView[];
  /** sessions that do not fit the others */
  @OutList(() => String) oddSessions: string[];
  /** edges of an 80 % interval of the rate, 1/day */
  @Out() rateLowPerDay: number;
  @Out() rateHighPerDay: number;
  /** scatter of the sessions about the curve over what their own errors promise */
  @Out() scatter: number;
  @Out() driftPct: number;
  @Out() pieceSdPct: number;
}

const TENTH = 1.2816;
const CURVE_POINTS = 60;

export function readyView(fit: DryingFit, { kind, emcPct, nowPct, ready, piecesReadyMs, pastBandMs }: DryingOutlook): ReadyView {
  return { kind, emcPct, nowPct, ...ready, piecesMs: piecesReadyMs, pastBandMs, ratePerDay: fit.ratePerDay, basis: fit.basis };
}

export const outlookView = (fit: DryingFit, outlook: DryingOutlook): OutlookView => ({ ...readyView(fit, outlook), fan: outlook.fan });

/** How a lot has dried and where it goes. */
export function dryingView(
  { fit, trace, ahead, pieceSdPct }: LotDrying,
  outlook: DryingOutlook,
  sessions: readonly ReadSession[],
  band: Band,
  fromMs: number,
  nowMs: number,
): DryingView {
  const step = Math.max(HOUR_MS, (nowMs - fit.fromMs) / CURVE_POINTS);
  const times = Array.from({ length: CURVE_POINTS + 1 }, (_, i) => Math.min(nowMs, fit.fromMs + i * step)).filter(
    (at, i, all) => at !== all[i - 1],
  );
  const days = Math.max(1, Math.ceil((nowMs - fromMs) / DAY_MS));
  const rateSd = Math.sqrt(fit.covariance[1][1]);
  return {
    outlook: outlookView(fit, outlook),
    curve: moistureAt(fit, trace, times).map(({ atMs, meanPct }) => ({ atMs, pct: meanPct })),
    emc: Array.from({ length: days }, (_, i) => {
      const at = fromMs + i * DAY_MS;
      return { atMs: at + DAY_MS / 2, pct: meanEmcPct(trace, at, Math.min(nowMs, at + DAY_MS)) };
    }),
    excursions: findExcursions(trace, band, undefined, fromMs),
    oddSessions: sessions.filter((_, i) => (fit.weights[i] ?? 1) < ODD_WEIGHT).map(({ session }) => session.id),
    rateLowPerDay: fit.ratePerDay * Math.exp(-TENTH * rateSd),
    rateHighPerDay: fit.ratePerDay * Math.exp(TENTH * rateSd),
    scatter: fit.scatter,
    driftPct: ahead.driftPct,
    pieceSdPct,
  };
}
