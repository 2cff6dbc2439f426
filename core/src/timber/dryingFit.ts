import { emcAt, type EmcTrace } from '../climate/index.ts';
import { standardDeviation } from '../maths/index.ts';
import { DAY_MS } from '../units/index.ts';

/** The mean of a session as the fit sees it. */
export interface SessionMean {
  atMs: number;
  meanPct: number;
  /** standard error of that mean, points */
  errorPct: number;
}

/** What is believed of a lot's rate before it was read: median and spread on the log scale. */
export interface RatePrior {
  ratePerDay: number;
  /** standard deviation of ln k */
  logSd: number;
}

/** Lots of one species and thickness differ by about a third: cut, density, stickering, air past the pile. */
export const PRIOR_LOG_SD = 0.35;

/** Sessions before a lot's own rate is believed over its prior's. */
export const SESSIONS_TO_FIT = 3;

/** Below this share of weight a session is told as one that does not fit. */
export const ODD_WEIGHT = 0.5;

export interface DryingFit {
  /** the first session, where the curve begins */
  fromMs: number;
  startPct: number;
  ratePerDay: number;
  /** of start (points²), ln k, and both together */
  covariance: { start: number; logRate: number; both: number };
  /** what the rate rests on */
  basis: 'prior' | 'blended' | 'measured';
  /** 0…1 per session: how far it is believed; below {@link ODD_WEIGHT} it does not fit the others */
  weights: readonly number[];
  /** measured less fitted, points, per session */
  residualsPct: readonly number[];
  /** scatter of the sessions about the curve over what their own errors promise; about 1 when all is well */
  scatter: number;
}

/** A pin pushed in elsewhere, wood warmer than thought: what no number of readings averages out. */
const SESSION_ERROR_PCT = 0.12;
/** Pieces differ at least this much, whatever few readings of them say. */
const LEAST_PIECE_SD_PCT = 0.3;

/** Standard error of a session's mean: the pieces' scatter over √n, and what every session has. */
export function sessionErrorPct(values: readonly number[]): number {
  const sd = Math.max(LEAST_PIECE_SD_PCT, standardDeviation(values));
  return Math.hypot(SESSION_ERROR_PCT, sd / Math.sqrt(Math.max(1, values.length)));
}

interface Point {
  moisturePct: number;
  /** ∂M/∂M₀ */
  perStart: number;
  /** ∂M/∂(ln k) */
  perLogRate: number;
}

/**
 * Integrates `dM/dt = −k (M − EMC(t))` exactly over each step of the climate, with its derivatives.
 * It begins at `fromMs` and tells the values at each of the instants, which are in time order and not before it.
 */
function curve(startPct: number, ratePerDay: number, fromMs: number, atMs: readonly number[], trace: EmcTrace): Point[] {
  const points: Point[] = [];
  const { emcPct, stepMs } = trace;
  const stepDays = stepMs / DAY_MS;
  const decay = Math.exp(-ratePerDay * stepDays);
  const gain = ratePerDay * stepDays * decay;
  let m = startPct;
  let s = 0;
  let nowMs = fromMs;
  const part = (toMs: number) => {
    const kt = (ratePerDay * (toMs - nowMs)) / DAY_MS;
    const d = Math.exp(-kt);
    const emc = emcAt(trace, nowMs);
    s = s * d - kt * d * (m - emc);
    m = emc + (m - emc) * d;
    nowMs = toMs;
  };
  for (const untilMs of atMs) {
    const firstFull = Math.ceil((nowMs - trace.fromMs) / stepMs);
    const lastFull = Math.min(emcPct.length, Math.floor((untilMs - trace.fromMs) / stepMs));
    if (firstFull >= 0 && lastFull > firstFull) {
      part(trace.fromMs + firstFull * stepMs);
      for (let i = firstFull; i < lastFull; i++) {
        const away = m - (emcPct[i] as number);
        s = s * decay - gain * away;
        m -= away * (1 - decay);
      }
      nowMs = trace.fromMs + lastFull * stepMs;
    }
    if (untilMs > nowMs) part(untilMs);
    points.push({ moisturePct: m, perStart: Math.exp((-ratePerDay * (untilMs - fromMs)) / DAY_MS), perLogRate: s });
  }
  return points;
}

const HUBER = 1.345;
const MOST_STEPS = 25;
/** Points, and parts of k: the last step of a quadratic approach, far below what the readings tell. */
const SETTLED = 1e-3;

/**
 * Fits starting moisture and drying rate of a lot to its sessions by least squares, through the climate it lay in.
 * The prior of species and thickness is one more observation of ln k, so it gives way as sessions arrive; with fewer
 * than {@link SESSIONS_TO_FIT} the rate is the prior's. A session that does not fit the others loses weight (Huber).
 *
 * @param sessions in time order, at least one
 * @throws RangeError without a session
 */
export function fitDrying(sessions: readonly SessionMean[], trace: EmcTrace, prior: RatePrior): DryingFit {
  const [first] = sessions;
  if (!first) throw new RangeError('A drying curve needs at least one session');
  const times = sessions.map((s) => s.atMs);
  const free = sessions.length >= SESSIONS_TO_FIT;
  const priorWeight = 1 / prior.logSd ** 2;
  let start = first.meanPct;
  let logRate = Math.log(prior.ratePerDay);
  const logPrior = logRate;
  let weights = sessions.map(() => 1);
  let damping = 1e-3;

  const look = (m0: number, u: number) => {
    const points = curve(m0, Math.exp(u), first.atMs, times, trace);
    return { points, residuals: sessions.map((session, i) => session.meanPct - (points[i]?.moisturePct ?? 0)) };
  };
  /** Huber's loss and the prior's pull. */
  const cost = (residuals: readonly number[], u: number) =>
    residuals.reduce((sum, r, i) => sum + huberLoss(r / (sessions[i]?.errorPct ?? 1)), 0) + (free ? priorWeight * (u - logPrior) ** 2 : 0);

  let seen = look(start, logRate);
  let value = cost(seen.residuals, logRate);
  let normal = { a: 1, b: 0, c: 1 };
  for (let step = 0; step < MOST_STEPS; step++) {
    weights = seen.residuals.map((r, i) => Math.min(1, HUBER / Math.max(HUBER, Math.abs(r / (sessions[i]?.errorPct ?? 1)))));
    let [a, b, c, ga, gc] = [0, 0, 0, 0, 0];
    seen.points.forEach((p, i) => {
      const w = (weights[i] ?? 1) / (sessions[i]?.errorPct ?? 1) ** 2;
      const r = seen.residuals[i] ?? 0;
      a += w * p.perStart ** 2;
      b += w * p.perStart * p.perLogRate;
      c += w * p.perLogRate ** 2;
      ga += w * p.perStart * r;
      gc += w * p.perLogRate * r;
    });
    if (free) {
      c += priorWeight;
      gc -= priorWeight * (logRate - logPrior);
    } else {
      // The rate is held; what is not known of it stays the prior's.
      [b, c, gc] = [0, priorWeight, 0];
    }
    normal = { a, b, c };
    const [da, dc] = [a * (1 + damping), c * (1 + damping)];
    const det = da * dc - b * b;
    const moveStart = (dc * ga - b * gc) / det;
    const moveRate = Math.max(-0.7, Math.min(0.7, (da * gc - b * ga) / det));
    const next = look(start + moveStart, logRate + moveRate);
    const nextValue = cost(next.residuals, logRate + moveRate);
    if (nextValue <= value + 1e-12) {
      start += moveStart;
      logRate += moveRate;
      seen = next;
      value = nextValue;
      damping /= 10;
      if (Math.abs(moveStart) < SETTLED && Math.abs(moveRate) < SETTLED) break;
    } else if ((damping *= 10) > 1e6) break;
  }

  const count = sessions.length - (free ? 2 : 1);
  const squares = seen.residuals.reduce((sum, r, i) => sum + (weights[i] ?? 1) * (r / (sessions[i]?.errorPct ?? 1)) ** 2, 0);
  const scatter = count > 0 ? Math.sqrt(squares / count) : 1;
  // Sessions that scatter more than they promise widen what is not known; fewer than four cannot tell.
  const widen = count >= 2 ? Math.max(1, scatter) ** 2 : 1;
  const { a, b, c } = normal;
  const det = a * c - b * b;
  const covariance = { start: (widen * c) / det, logRate: (widen * a) / det, both: (-widen * b) / det };
  const told = 1 - covariance.logRate * priorWeight;
  return {
    fromMs: first.atMs,
    startPct: start,
    ratePerDay: Math.exp(logRate),
    covariance,
    basis: !free ? 'prior' : told >= 0.75 ? 'measured' : 'blended',
    weights,
    residualsPct: seen.residuals,
    scatter,
  };
}

function huberLoss(z: number): number {
  const size = Math.abs(z);
  return size <= HUBER ? z * z : HUBER * (2 * size - HUBER);
}

/** Where the fitted curve runs, and how sure that is. */
export interface MoistureAt {
  atMs: number;
  meanPct: number;
  /** standard deviation of the lot's mean, points */
  sdPct: number;
  /** ∂M/∂M₀ and ∂M/∂(ln k), for whoever goes on from here */
  perStart: number;
  perLogRate: number;
}

/** The fitted curve at instants in time order, none before its beginning. */
export function moistureAt(fit: DryingFit, trace: EmcTrace, atMs: readonly number[]): MoistureAt[] {
  return curve(fit.startPct, fit.ratePerDay, fit.fromMs, atMs, trace).map((p, i) => ({
    atMs: atMs[i] ?? fit.fromMs,
    meanPct: p.moisturePct,
    sdPct: spreadOf(fit, p),
    perStart: p.perStart,
    perLogRate: p.perLogRate,
  }));
}

/** Standard deviation of a value that depends on start and rate. */
export function spreadOf({ covariance }: DryingFit, { perStart, perLogRate }: Pick<MoistureAt, 'perStart' | 'perLogRate'>): number {
  const variance = perStart ** 2 * covariance.start + 2 * perStart * perLogRate * covariance.both + perLogRate ** 2 * covariance.logRate;
  return Math.sqrt(Math.max(0, variance));
}
