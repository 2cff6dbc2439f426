import type { Interval } from '../maths/index.ts';
import { HOUR_MS } from '../units/index.ts';
import { emcOfAirPct, equilibriumMoisturePct, type AirSample } from './air.ts';

/** The equilibrium moisture of a zone over time, in equal steps: the climate as wood feels it. */
export interface EmcTrace {
  fromMs: number;
  stepMs: number;
  /** mean EMC of each step, percent */
  emcPct: Float64Array;
  /** stretches without a sample for longer than the gap allowed; filled by a straight line, and to be said so */
  gaps: readonly Interval[];
}

/** A logger that is silent for longer than this leaves a gap: half a day hides a day's swing. */
export const LONGEST_SILENCE_MS = 6 * HOUR_MS;

/** Ordinary shop air, 21 °C and 45 %, where nothing was measured. */
export const ORDINARY_EMC_PCT = equilibriumMoisturePct(21, 0.45);

/**
 * Puts samples at any times on an even grid: straight lines between samples, the nearest one beyond them; each step is the
 * mean over its hour.
 *
 * @param samples in time order; none gives ordinary shop air, all of it a gap
 * @returns steps of an hour that cover `fromMs` to `toMs`
 */
export function emcTrace(samples: readonly AirSample[], fromMs: number, toMs: number, longestSilenceMs = LONGEST_SILENCE_MS): EmcTrace {
  const steps = Math.max(1, Math.ceil((toMs - fromMs) / HOUR_MS));
  const emcPct = new Float64Array(steps);
  const known = samples.map((s) => ({ atMs: s.atMs, emc: emcOfAirPct(s) }));
  const [first] = known;
  const last = known.at(-1);
  if (!first || !last) return { fromMs, stepMs: HOUR_MS, emcPct: emcPct.fill(ORDINARY_EMC_PCT), gaps: [{ fromMs, toMs }] };
  let next = 0;
  const emcBy = (atMs: number) => {
    while ((known[next]?.atMs ?? Infinity) < atMs) next++;
    const before = known[next - 1] ?? first;
    const after = known[next] ?? last;
    const share = after.atMs > before.atMs ? (atMs - before.atMs) / (after.atMs - before.atMs) : 0;
    return before.emc + (after.emc - before.emc) * share;
  };
  let [atMs, emc] = [fromMs, emcBy(fromMs)];
  for (let i = 0; i < steps; i++) {
    const endMs = fromMs + (i + 1) * HOUR_MS;
    let area = 0;
    while (atMs < endMs) {
      const toMs = Math.min(endMs, nextAfter(known, next, atMs));
      const reached = emcBy(toMs);
      area += ((emc + reached) / 2) * (toMs - atMs);
      [atMs, emc] = [toMs, reached];
    }
    emcPct[i] = area / HOUR_MS;
  }
  const edges = [fromMs, ...known.map((s) => s.atMs).filter((at) => at > fromMs && at < toMs), toMs];
  const gaps = edges
    .slice(1)
    .map((edgeMs, i) => ({ fromMs: edges[i] ?? fromMs, toMs: edgeMs }))
    .filter((gap) => gap.toMs - gap.fromMs > longestSilenceMs);
  return { fromMs, stepMs: HOUR_MS, emcPct, gaps };
}

/** The time of the first sample after an instant, looked for from a place that does not lie behind it. */
function nextAfter(known: readonly { atMs: number }[], from: number, atMs: number): number {
  let place = from;
  while ((known[place]?.atMs ?? Infinity) <= atMs) place++;
  return known[place]?.atMs ?? Infinity;
}

/** EMC at an instant; the first or last step's beyond the trace. */
export function emcAt(trace: EmcTrace, atMs: number): number {
  const step = Math.floor((atMs - trace.fromMs) / trace.stepMs);
  return trace.emcPct[Math.min(trace.emcPct.length - 1, Math.max(0, step))] ?? ORDINARY_EMC_PCT;
}

/** Mean EMC of the part of a trace between two instants; of its nearest step where they do not overlap. */
export function meanEmcPct(trace: EmcTrace, fromMs: number, toMs: number): number {
  const begin = Math.max(0, Math.floor((fromMs - trace.fromMs) / trace.stepMs));
  const end = Math.min(trace.emcPct.length, Math.ceil((toMs - trace.fromMs) / trace.stepMs));
  if (end <= begin) return emcAt(trace, fromMs);
  let sum = 0;
  for (let i = begin; i < end; i++) sum += trace.emcPct[i] ?? 0;
  return sum / (end - begin);
}

/**
 * How far the mean EMC of the days ahead strayed from that of the fortnight before, in this zone's own past:
 * what "the climate goes on as it was" is worth here.
 *
 * @param fortnightMs the stretch the mean is taken over
 * @param aheadMs how far ahead
 * @param expected how far it was to stray with the season, from one stretch to the next, points
 * @returns standard deviation, points; `otherwise` where the past is too short to tell
 */
export function emcDriftPct(
  trace: EmcTrace,
  fortnightMs: number,
  aheadMs: number,
  {
    otherwise = 0.3,
    expected = () => 0,
  }: { otherwise?: number; expected?: (beforeMs: number, atMs: number, aheadMs: number) => number } = {},
): number {
  const back = Math.round(fortnightMs / trace.stepMs);
  const ahead = Math.round(aheadMs / trace.stepMs);
  const week = Math.round((7 * 24 * HOUR_MS) / trace.stepMs);
  const sums = new Float64Array(trace.emcPct.length + 1);
  trace.emcPct.forEach((emc, i) => (sums[i + 1] = (sums[i] ?? 0) + emc));
  const between = (a: number, b: number) => ((sums[b] ?? 0) - (sums[a] ?? 0)) / (b - a);
  const msOf = (step: number) => trace.fromMs + step * trace.stepMs;
  let squares = 0;
  let count = 0;
  for (let at = back; at + ahead <= trace.emcPct.length; at += week) {
    squares += (between(at, at + ahead) - between(at - back, at) - expected(msOf(at - back), msOf(at), msOf(at + ahead))) ** 2;
    count++;
  }
  return count < 4 ? otherwise : Math.sqrt(squares / count);
}

/** A stretch in which a zone's EMC lay outside its band for longer than wood forgives. */
export interface Excursion extends Interval {
  kind: 'too dry' | 'too wet';
  /** the EMC furthest from the band */
  worstPct: number;
}

/**
 * Wood answers slowly: short excursions matter little, long ones much.
 *
 * @param toleratedMs stretches up to this length are passed over
 */
export function findExcursions(
  trace: EmcTrace,
  band: { low: number; high: number },
  toleratedMs = 2 * HOUR_MS,
  fromMs = trace.fromMs,
): Excursion[] {
  const found: Excursion[] = [];
  let open: Excursion | undefined;
  const close = () => {
    if (open && open.toMs - open.fromMs > toleratedMs) found.push(open);
    open = undefined;
  };
  const begin = Math.max(0, Math.floor((fromMs - trace.fromMs) / trace.stepMs));
  for (let i = begin; i < trace.emcPct.length; i++) {
    const emc = trace.emcPct[i] ?? 0;
    const kind = emc < band.low ? 'too dry' : emc > band.high ? 'too wet' : undefined;
    if (open && kind !== open.kind) close();
    if (!kind) continue;
    const atMs = trace.fromMs + i * trace.stepMs;
    open ??= { kind, fromMs: atMs, toMs: atMs, worstPct: emc };
    open.toMs = atMs + trace.stepMs;
    open.worstPct = kind === 'too dry' ? Math.min(open.worstPct, emc) : Math.max(open.worstPct, emc);
  }
  close();
  return found;
}
