import type { Random } from '../../maths/index.ts';
import type { WantedBlank } from './board.ts';
import type { Layout } from './layoutByWorth.ts';

/** A way to cut one board that was come upon. */
interface Way {
  layout: Layout;
  /** in the order of what is wanted */
  counts: readonly number[];
  key: string;
}

/** Ways kept of a board; the oldest give way. */
const KEPT = 40;
/** Boards set anew at random before the others follow. */
const MOST_SHAKEN = 3;

/**
 * Every way to cut a board that a search has come upon, so that ways found at different times can be put together: it
 * costs far less than laying a board out.
 */
export class WayPool {
  /** what was looked at so far, in sums of one blank */
  spent = 0;
  readonly #ways = new Map<string, Way[]>();
  readonly #wanted: readonly WantedBlank[];
  readonly #volumeM3: ReadonlyMap<string, number>;
  readonly #random: Random;

  constructor(wanted: readonly WantedBlank[], volumeM3: ReadonlyMap<string, number>, random: Random) {
    this.#wanted = wanted;
    this.#volumeM3 = volumeM3;
    this.#random = random;
  }

  remember(boardId: string, layout: Layout): void {
    if (layout.placed.length === 0) return;
    const way = this.#wayOf(layout);
    const known = this.#ways.get(boardId) ?? [];
    if (known.some((w) => w.key === way.key)) return;
    this.#ways.set(boardId, [...known, way].slice(-KEPT));
  }

  /**
   * Puts known ways together: a few boards at random, then each board in turn as it serves best beside the others.
   *
   * @param laid where it begins
   * @returns the best of so many rounds
   */
  together(laid: ReadonlyMap<string, Layout>, rounds: number): ReadonlyMap<string, Layout> {
    const boards = [...this.#ways.keys()];
    let best = new Map([...laid].map(([id, layout]) => [id, this.#wayOf(layout)]));
    let bestScore = this.#score(best);
    for (let round = 0; round < rounds && boards.length > 0; round++) {
      const now = new Map(best);
      for (let n = this.#random.integer(0, MOST_SHAKEN); n > 0; n--) {
        const id = this.#random.pick(boards);
        const ways = this.#ways.get(id) ?? [];
        const way = this.#random.chance(0.5) ? undefined : this.#random.pick(ways);
        if (way) now.set(id, way);
        else now.delete(id);
      }
      const score = this.#settle(now, boards);
      if (!scoreBetter(bestScore, score)) [best, bestScore] = [now, score];
    }
    return new Map([...best].map(([id, { layout }]) => [id, layout]));
  }

  /** Each board in turn as it serves best beside the others, until none serves better. */
  #settle(now: Map<string, Way>, boards: readonly string[]): Score {
    const sum = this.#wanted.map((_, i) => [...now.values()].reduce((n, { counts }) => n + (counts[i] ?? 0), 0));
    const add = (way: Way | undefined, sign: number) => way?.counts.forEach((n, i) => (sum[i] = (sum[i] ?? 0) + sign * n));
    const order = [...boards].sort(() => this.#random.next() - 0.5);
    for (let changed = true; changed;) {
      changed = false;
      for (const id of order) {
        const held = now.get(id);
        add(held, -1);
        const bare = this.#valueOf(sum);
        let chosen: Way | undefined;
        // A board that gives nothing beside the others is left whole.
        let gain = 1e-9;
        for (const way of this.#ways.get(id) ?? []) {
          const its = this.#valueOf(sum, way) - bare;
          if (its > gain + 1e-9 || (way.key === held?.key && its >= gain)) [chosen, gain] = [way, its];
        }
        if (chosen) now.set(id, chosen);
        else now.delete(id);
        add(chosen, 1);
        changed ||= chosen?.key !== held?.key;
      }
    }
    return this.#score(now);
  }

  #wayOf(layout: Layout): Way {
    const counts = this.#wanted.map((w) => layout.placed.reduce((n, p) => n + (p.blankId === w.id ? p.pieces : 0), 0));
    return { layout, counts, key: counts.join() };
  }

  #valueOf(sum: readonly number[], more?: Way): number {
    let value = 0;
    // Asked a thousand times for each board that is laid out.
    for (let i = 0; i < this.#wanted.length; i++) {
      const w = this.#wanted[i] as WantedBlank;
      const got = (sum[i] as number) + (more ? (more.counts[i] as number) : 0);
      value += Math.min(w.count, got) * w.value;
    }
    this.spent += 4 * this.#wanted.length;
    return value;
  }

  #score(now: ReadonlyMap<string, Way>): Score {
    const sum = this.#wanted.map((_, i) => [...now.values()].reduce((n, { counts }) => n + (counts[i] ?? 0), 0));
    return { value: this.#valueOf(sum), volumeM3: [...now.keys()].reduce((m3, id) => m3 + (this.#volumeM3.get(id) ?? 0), 0) };
  }
}

/** What a pack gives, and the wood it takes. */
export interface Score {
  value: number;
  volumeM3: number;
}

/** More of what is wanted, or as much from less wood. */
export function scoreBetter(a: Score, b: Score): boolean {
  const gain = a.value - b.value;
  return Math.abs(gain) > 1e-9 ? gain > 0 : a.volumeM3 < b.volumeM3 - 1e-12;
}
