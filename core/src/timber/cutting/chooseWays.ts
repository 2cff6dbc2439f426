import { boardVolumeM3, type Board, type WantedBlank } from './board.ts';
import type { CuttingGrid } from './grid.ts';
import { canCount, waysToCut } from './layoutByCounts.ts';
import type { Layout } from './layoutByWorth.ts';

/** Counts of what is wanted that can be met in all ways, beyond which a pack is not looked at in all its ways. */
const MOST_COUNTS = 5_000;
/** Boards whose ways are put together, at most. */
const MOST_BOARDS = 12;

interface Together {
  counts: readonly number[];
  volumeM3: number;
  laid: ReadonlyMap<string, Layout>;
}

/**
 * The best of a small pack: of every board the ways to cut it, and of all their combinations the one of the greatest
 * value, from the least wood.
 *
 * @returns what lies on each board that is cut; nothing when the pack has too many ways to be looked at
 */
export function chooseWays(
  boards: readonly { board: Board; grid: CuttingGrid }[],
  wanted: readonly WantedBlank[],
): ReadonlyMap<string, Layout> | null {
  const counts = wanted.reduce((product, w) => product * (w.count + 1), 1);
  if (boards.length > MOST_BOARDS || counts > MOST_COUNTS || !boards.every(({ grid }) => canCount(grid))) return null;
  const left = new Map(wanted.map((w) => [w.id, w.count]));
  let reached = new Map<string, Together>();
  reached.set('', { counts: wanted.map(() => 0), volumeM3: 0, laid: new Map() });
  for (const { board, grid } of boards) {
    const ways = waysToCut(grid, left).filter((way) => way.layout.value > 0);
    const next = new Map(reached);
    for (const so of reached.values())
      for (const way of ways) {
        const sum = wanted.map((w, i) => Math.min(w.count, (so.counts[i] ?? 0) + (way.counts.get(w.id) ?? 0)));
        const volumeM3 = so.volumeM3 + boardVolumeM3(board);
        const before = next.get(sum.join());
        if (before && before.volumeM3 <= volumeM3) continue;
        next.set(sum.join(), { counts: sum, volumeM3, laid: new Map([...so.laid, [board.id, way.layout]]) });
      }
    reached = next;
  }
  const valueOf = (so: Together) => so.counts.reduce((sum, n, i) => sum + n * (wanted[i]?.value ?? 0), 0);
  const [first, ...others] = reached.values();
  if (!first) return null;
  const better = (a: Together, b: Together) => {
    const gain = valueOf(a) - valueOf(b);
    return Math.abs(gain) > 1e-9 ? gain > 0 : a.volumeM3 < b.volumeM3 - 1e-12;
  };
  const best = others.reduce((so, other) => (better(other, so) ? other : so), first);
  return withinLimits(best.laid, left);
}

/** What lies on each board, without what is got from the boards before it already. */
export function withinLimits(laid: ReadonlyMap<string, Layout>, wanted: ReadonlyMap<string, number>): ReadonlyMap<string, Layout> {
  const left = new Map(wanted);
  const kept = [...laid].map(([boardId, { placed, value }]): [string, Layout] => {
    const lies = placed.filter(({ blankId, pieces }) => {
      const open = left.get(blankId) ?? 0;
      left.set(blankId, open - pieces);
      return open > 0;
    });
    return [boardId, { placed: lies, value }];
  });
  return new Map(kept.filter(([, { placed }]) => placed.length > 0));
}
