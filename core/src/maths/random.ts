/** A repeatable source of chance: the same seed gives the same sequence on every machine. */
export interface Random {
  /** Uniform in [0, 1). */
  next(): number;
  /** Uniform integer in [low, high], both included. */
  integer(low: number, high: number): number;
  /** Gaussian with the given mean and standard deviation (Box–Muller). */
  normal(mean: number, sd: number): number;
  /** True with the given probability. */
  chance(probability: number): boolean;
  /** One of the items, each as likely. @throws RangeError on an empty list */
  pick<T>(items: readonly T[]): T;
  /** An item with likelihood in proportion to its weight. @throws RangeError on an empty list */
  weighted<T>(items: readonly T[], weightOf: (item: T) => number): T;
  /** An independent stream named by a label, so that adding a draw in one place moves nothing elsewhere. */
  fork(label: string): Random;
}

function hash(text: string): number {
  let h = 2166136261;
  for (const ch of text) h = Math.imul(h ^ (ch.codePointAt(0) ?? 0), 16777619);
  return h >>> 0;
}

/**
 * A seeded generator (mulberry32: 32 bits of state, period 2³²; ample for simulation, not for secrets).
 *
 * @param seed any integer
 */
export function seededRandom(seed: number): Random {
  let state = seed >>> 0;
  const next = () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = state;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
  const at = <T>(items: readonly T[], index: number): T => {
    const item = items[index];
    if (item === undefined) throw new RangeError('Nothing to pick from');
    return item;
  };
  return {
    next,
    integer: (low, high) => low + Math.floor(next() * (high - low + 1)),
    normal: (mean, sd) => mean + sd * Math.sqrt(-2 * Math.log(1 - next())) * Math.cos(2 * Math.PI * next()),
    chance: (probability) => next() < probability,
    pick: (items) => at(items, Math.floor(next() * items.length)),
    weighted: (items, weightOf) => {
      let left = next() * items.reduce((sum, item) => sum + weightOf(item), 0);
      for (const item of items) {
        left -= weightOf(item);
        if (left < 0) return item;
      }
      return at(items, items.length - 1);
    },
    fork: (label) => seededRandom(hash(label) ^ seed),
  };
}
