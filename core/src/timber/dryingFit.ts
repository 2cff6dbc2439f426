import type { EmcTrace } from '../climate/index.ts';
import { AXES, identity, inverse, quadratic, standardDeviation, times3, zero, type Matrix, type Vector } from '../maths/index.ts';
import { priorDryingRatePerDay, rateAtThickness, type Species } from './species.ts';
import { curve, together, type Mode, type Point } from './dryingCurve.ts';

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

/** Lots of one species and thickness differ by about a half: cut, density, stickering, air past the pile. */
export const PRIOR_LOG_SD = 0.45;

/** What may be any wood: the rate of a middling one, believed so little that two sessions say otherwise. */
const ANY_WOOD = { ratePerDay: 0.035, logSd: 1.2 };

/**
 * What is believed of a lot's rate before its own sessions tell.
 *
 * @returns null while nobody knows how fast its wood dries and it has too few sessions to tell
 */
export function dryingPrior(species: Species, thicknessMm: number, sessions: number): RatePrior | null {
  const ratePerDay = priorDryingRatePerDay(species, thicknessMm);
  if (ratePerDay !== null) return { ratePerDay, logSd: PRIOR_LOG_SD };
  if (sessions < SESSIONS_TO_TELL) return null;
  return { ratePerDay: rateAtThickness(ANY_WOOD.ratePerDay, thicknessMm), logSd: ANY_WOOD.logSd };
}

/** Sessions before a lot's own rate is looked for at all. */
export const SESSIONS_TO_FIT = 2;

/** Sessions before a date without an end says anything. */
export const SESSIONS_TO_TELL = 3;

/** Below this share of weight a session is told as one that does not fit. */
export const ODD_WEIGHT = 0.5;

export interface DryingFit {
  /** the first session, where the curve begins */
  fromMs: number;
  sessions: number;
  startPct: number;
  /** of the slowest mode, 1/day: the one that goes on longest */
  ratePerDay: number;
  /** how far it dries like a slab whose skin runs ahead: 0 as one body by one rate, 1 wholly so */
  slab: number;
  /** of start (points), ln k and slab, in this order */
  covariance: Matrix;
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

/** Between one rate and a slab there is little to choose before a lot is read. */
const SLAB_PRIOR = { mean: 0.5, sd: 0.45 };

const HUBER = 1.345;
const MOST_STEPS = 25;
/** Points, parts of k and of a slab: the last step of a quadratic approach, far below what the readings tell. */
const SETTLED = 1e-3;

/**
 * Fits to a lot's sessions, by least squares through the climate it lay in: its starting moisture, its drying rate, and
 * how far its skin runs ahead of its core as a slab's does. What is believed beforehand of the last two is one more
 * observation of each, so it gives way as sessions arrive; with fewer than {@link SESSIONS_TO_FIT} it stands alone. A
 * session that does not fit the others loses weight (Huber), as does a prior that the sessions speak against.
 *
 * @param sessions at least one, in any order
 * @throws RangeError without a session
 */
export function fitDrying(sessions: readonly SessionMean[], trace: EmcTrace, prior: RatePrior): DryingFit {
  const order = sessions.map((_, i) => i).sort((a, b) => (sessions[a]?.atMs ?? 0) - (sessions[b]?.atMs ?? 0));
  const read = order.flatMap((i) => sessions[i] ?? []);
  const [first] = read;
  if (!first) throw new RangeError('A drying curve needs at least one session');
  const times = read.map((session) => session.atMs);
  const free = read.length >= SESSIONS_TO_FIT;
  const logPrior = Math.log(prior.ratePerDay);
  /** of ln k, and of how far it dries like a slab */
  const believed = [
    { index: 1, value: logPrior, sd: prior.logSd },
    { index: 2, value: SLAB_PRIOR.mean, sd: SLAB_PRIOR.sd },
  ] as const;
  let guess: Vector = [first.meanPct, logPrior, SLAB_PRIOR.mean];
  let weights = read.map(() => 1);
  let damping = 1e-3;

  const look = (at: Vector) => {
    const points = curve(at[0], Math.exp(at[1]), first.atMs, times, trace).map((modes) => together(modes, at[2]));
    return { points, residuals: read.map((session, i) => session.meanPct - (points[i]?.meanPct ?? 0)) };
  };
  const errorOf = (i: number) => read[i]?.errorPct ?? 1;
  /** Huber's loss of what the sessions and the priors say. */
  const cost = (residuals: readonly number[], at: Vector) =>
    residuals.reduce((sum, r, i) => sum + huberLoss(r / errorOf(i)), 0) +
    (free ? believed.reduce((sum, { index, value, sd }) => sum + huberLoss((at[index] - value) / sd), 0) : 0);

  let seen = look(guess);
  let value = cost(seen.residuals, guess);
  let normal = identity();
  for (let step = 0; step < MOST_STEPS; step++) {
    weights = seen.residuals.map((r, i) => huberWeight(r / errorOf(i)));
    normal = zero();
    const pull: Vector = [0, 0, 0];
    seen.points.forEach((p, i) => {
      const w = (weights[i] ?? 1) / errorOf(i) ** 2;
      // Where nothing can be told of rate and shape they are held; what is not known of them stays the priors'.
      const per: Vector = free ? [p.perStart, p.perLogRate, p.perSlab] : [p.perStart, 0, 0];
      for (const a of AXES) {
        pull[a] += w * per[a] * (seen.residuals[i] ?? 0);
        for (const b of AXES) normal[a][b] += w * per[a] * per[b];
      }
    });
    for (const { index, value: before, sd } of believed) {
      const w = (free ? huberWeight((guess[index] - before) / sd) : 1) / sd ** 2;
      normal[index][index] += w;
      pull[index] -= w * (guess[index] - before);
    }
    const damped = normal.map((row, a) => row.map((cell, b) => (a === b ? cell * (1 + damping) : cell))) as Matrix;
    const move = times3(inverse(damped), pull);
    const next: Vector = [guess[0] + move[0], guess[1] + Math.max(-0.7, Math.min(0.7, move[1])), guess[2] + move[2]];
    const nextSeen = look(next);
    const nextValue = cost(nextSeen.residuals, next);
    if (nextValue <= value + 1e-12) {
      guess = next;
      seen = nextSeen;
      value = nextValue;
      damping /= 10;
      if (move.every((by) => Math.abs(by) < SETTLED)) break;
    } else if ((damping *= 10) > 1e6) break;
  }

  const count = read.length - (free ? 2 : 1);
  const squares = seen.residuals.reduce((sum, r, i) => sum + (weights[i] ?? 1) * (r / errorOf(i)) ** 2, 0);
  const scatter = count > 0 ? Math.sqrt(squares / count) : 1;
  // Sessions that scatter more than they promise widen what is not known; fewer than four cannot tell.
  const widen = count >= 2 ? Math.max(1, scatter) ** 2 : 1;
  const covariance = inverse(normal).map((row) => row.map((cell) => cell * widen)) as Matrix;
  const told = 1 - covariance[1][1] / prior.logSd ** 2;
  const inOrderGiven = <T>(values: readonly T[]): T[] =>
    order.map((_, i) => values[order.indexOf(i)]).flatMap((v) => (v === undefined ? [] : [v]));
  return {
    fromMs: first.atMs,
    sessions: read.length,
    startPct: guess[0],
    ratePerDay: Math.exp(guess[1]),
    slab: guess[2],
    covariance,
    basis: !free ? 'prior' : told >= 0.75 ? 'measured' : 'blended',
    weights: inOrderGiven(weights),
    residualsPct: inOrderGiven(seen.residuals),
    scatter,
  };
}

const huberLoss = (z: number): number => (Math.abs(z) <= HUBER ? z * z : HUBER * (2 * Math.abs(z) - HUBER));
const huberWeight = (z: number): number => Math.min(1, HUBER / Math.max(HUBER, Math.abs(z)));

/** Where the fitted curve runs, and how sure that is. */
export interface MoistureAt extends Point {
  atMs: number;
  /** standard deviation of the lot's mean, points */
  sdPct: number;
  /** for whoever goes on from here */
  modes: readonly Mode[];
}

/** The fitted curve at instants in time order, none before its beginning. */
export const moistureAt = (fit: DryingFit, trace: EmcTrace, atMs: readonly number[]): MoistureAt[] =>
  curve(fit.startPct, fit.ratePerDay, fit.fromMs, atMs, trace).map((modes, i) => {
    const point = together(modes, fit.slab);
    return { ...point, atMs: atMs[i] ?? fit.fromMs, sdPct: spreadOf(fit, point), modes };
  });

/** Standard deviation of a value that depends on start, rate and shape. */
export function spreadOf({ covariance }: DryingFit, { perStart, perLogRate, perSlab }: Omit<Point, 'meanPct'>): number {
  return Math.sqrt(Math.max(0, quadratic(covariance, [perStart, perLogRate, perSlab])));
}
