import { emcAt, type EmcTrace } from '../climate/index.ts';
import { DAY_MS } from '../units/index.ts';

// A board dries from its faces inwards. If the air holds the water back, the whole of it follows by one rate; if the wood
// does, its skin runs ahead and the rest follows slower. Both are sums of modes that each tend to equilibrium by a rate of
// their own, and real boards lie between them.

/**
 * The modes of a slab whose faces pass water ten times as easily as its core (Biot 10): what share of the mean moisture
 * each holds, and its rate against the slowest one's. The last holds what is left of the series.
 *
 * @source Crank, The Mathematics of Diffusion, §4.3.6: β·tan β = L = 10 gives β 1.4289, 4.3058, 7.2281; a share is
 * 2L² / (β²(β² + L² + L))
 */
const SLAB = [
  { share: 0.8743, timesRate: 1 },
  { share: 0.0839, timesRate: 9.081 },
  { share: 0.0418, timesRate: 25.59 },
] as const;
export const MODES = SLAB.length;

/** How much each mode tells of the whole, when a lot dries so far like a slab: 0 by one rate alone, 1 wholly so. */
export const sharesOf = (slab: number): number[] => SLAB.map(({ share }, i) => share * slab + (i === 0 ? 1 - slab : 0));
/** How these shares change with it. */
export const SHARES_PER_SLAB: readonly number[] = SLAB.map(({ share }, i) => share - (i === 0 ? 1 : 0));

/** One mode at an instant. */
export interface Mode {
  moisturePct: number;
  /** ∂M/∂M₀ */
  perStart: number;
  /** ∂M/∂(ln k), k the slowest rate */
  perLogRate: number;
}

export const startingAt = (startPct: number): Mode[] => SLAB.map(() => ({ moisturePct: startPct, perStart: 1, perLogRate: 0 }));

/** The modes after so many days in steady air; exact. */
export function steadily(modes: readonly Mode[], ratePerDay: number, emcPct: number, days: number): Mode[] {
  return modes.map(({ moisturePct, perStart, perLogRate }, i) => {
    const kt = ratePerDay * (SLAB[i]?.timesRate ?? 1) * days;
    const left = Math.exp(-kt);
    return {
      moisturePct: emcPct + (moisturePct - emcPct) * left,
      perStart: perStart * left,
      perLogRate: perLogRate * left - kt * left * (moisturePct - emcPct),
    };
  });
}

/**
 * Integrates `dM/dt = −k (M − EMC(t))` of every mode exactly over each step of the climate, with its derivatives.
 *
 * @param atMs instants in time order, none before `fromMs`
 * @returns the modes at each of them
 */
export function curve(startPct: number, ratePerDay: number, fromMs: number, atMs: readonly number[], trace: EmcTrace): Mode[][] {
  const { emcPct, stepMs } = trace;
  let modes = startingAt(startPct);
  let nowMs = fromMs;
  const part = (toMs: number) => {
    modes = steadily(modes, ratePerDay, emcAt(trace, nowMs), (toMs - nowMs) / DAY_MS);
    nowMs = toMs;
  };
  return atMs.map((untilMs) => {
    const firstFull = Math.ceil((nowMs - trace.fromMs) / stepMs);
    const lastFull = Math.min(emcPct.length, Math.floor((untilMs - trace.fromMs) / stepMs));
    if (firstFull >= 0 && lastFull > firstFull) {
      part(trace.fromMs + firstFull * stepMs);
      modes = modes.map((mode, i) =>
        throughSteps(mode, (ratePerDay * (SLAB[i]?.timesRate ?? 1) * stepMs) / DAY_MS, emcPct, firstFull, lastFull),
      );
      nowMs = trace.fromMs + lastFull * stepMs;
    }
    if (untilMs > nowMs) part(untilMs);
    return modes;
  });
}

/** One mode through whole steps of a climate: what costs when a thousand lots are fitted. */
function throughSteps({ moisturePct, perStart, perLogRate }: Mode, kt: number, emcPct: Float64Array, first: number, last: number): Mode {
  const decay = Math.exp(-kt);
  const [lost, gain] = [1 - decay, kt * decay];
  let m = moisturePct;
  let s = perLogRate;
  for (let i = first; i < last; i++) {
    const away = m - (emcPct[i] as number);
    s = s * decay - gain * away;
    m -= away * lost;
  }
  return { moisturePct: m, perStart: perStart * decay ** (last - first), perLogRate: s };
}

/** The mean moisture of a lot at an instant, with how it depends on what is not known. */
export interface Point {
  meanPct: number;
  /** ∂M/∂M₀ */
  perStart: number;
  /** ∂M/∂(ln k) */
  perLogRate: number;
  /** ∂M by how far it dries like a slab */
  perSlab: number;
}

export function together(modes: readonly Mode[], slab: number): Point {
  const shares = sharesOf(slab);
  const sum = (of: (mode: Mode) => number, by: readonly number[]) => modes.reduce((total, mode, i) => total + (by[i] ?? 0) * of(mode), 0);
  return {
    meanPct: sum((m) => m.moisturePct, shares),
    perStart: sum((m) => m.perStart, shares),
    perLogRate: sum((m) => m.perLogRate, shares),
    perSlab: sum((m) => m.moisturePct, SHARES_PER_SLAB),
  };
}
