import type { PlacedBlank } from './board.ts';
import type { CuttingGrid, Area } from './grid.ts';
import type { Layout } from './layoutByWorth.ts';

/** A way to cut a area: what it gives, counted by blank up to what is wanted, and where it comes from. */
interface Way {
  counts: readonly number[];
  value: number;
  from: { shape: number; area: Area } | { first: Way; second: Way } | null;
}

/** Ways kept of a area; the most valuable stay. */
const KEPT = 24;

/** Work beyond which this way of looking takes too long, in pairs of ways. */
const MOST_PAIRS = 2e7;

/** Is a board small enough to be looked at by counts? */
export const canCount = (grid: CuttingGrid): boolean => grid.size * KEPT ** 2 < MOST_PAIRS;

/** A way to cut a whole board: how many it gives of each blank, up to what is wanted, and where they lie. */
export interface BoardWay {
  counts: ReadonlyMap<string, number>;
  layout: Layout;
}

/** Lays out one board within tight limits: the most valuable of the ways to cut it. */
export function layOutByCounts(grid: CuttingGrid, left: ReadonlyMap<string, number>): Layout {
  return waysToCut(grid, left)[0]?.layout ?? { placed: [], value: 0 };
}

/**
 * The ways to cut a board within limits that no other beats, most valuable first: of each area the counts of blanks that
 * can be had are kept, so that what one area takes is not wanted of its neighbour.
 */
export function waysToCut(grid: CuttingGrid, left: ReadonlyMap<string, number>): BoardWay[] {
  const kinds = [...new Set(grid.shapes.map((s) => s.blank.id))];
  const most = kinds.map((id) => Math.max(0, left.get(id) ?? 0));
  const worth = kinds.map((id) => grid.shapes.find((s) => s.blank.id === id)?.blank.value ?? 0);
  const nothing: Way = { counts: most.map(() => 0), value: 0, from: null };
  const m = grid.ys.length;
  const known: Way[][] = [];
  const cell = ({ fromX, toX, fromY, toY }: Area) => ((fromX * grid.xs.length + toX) * m + fromY) * m + toY;
  const waysOf = (area: Area) => known[cell(area)] ?? [nothing];
  const way = (counts: readonly number[], from: Way['from']): Way => ({
    counts,
    value: counts.reduce((sum, n, i) => sum + n * (worth[i] ?? 0), 0),
    from,
  });

  const look = (area: Area): Way[] => {
    const { fromX, toX, fromY, toY } = area;
    const found = new Map<string, Way>();
    const keep = (candidate: Way) => {
      const key = candidate.counts.join();
      if (!found.has(key)) found.set(key, candidate);
    };
    grid.shapes.forEach((shape, k) => {
      const fits = shape.lengthMm <= grid.lengthMm(fromX, toX) && shape.widthMm <= grid.widthMm(fromY, toY);
      if (fits && grid.mayLie(k, fromX, fromY))
        keep(
          way(
            kinds.map((id, i) => (id === shape.blank.id ? Math.min(most[i] ?? 0, shape.pieces) : 0)),
            { shape: k, area },
          ),
        );
    });
    const join = (firsts: readonly Way[], seconds: readonly Way[]) => {
      for (const first of firsts)
        for (const second of seconds)
          keep(
            way(
              first.counts.map((n, i) => Math.min(most[i] ?? 0, n + (second.counts[i] ?? 0))),
              { first, second },
            ),
          );
    };
    for (let k = fromX + 1; k < toX; k++) join(waysOf({ ...area, toX: k }), waysOf({ ...area, fromX: k }));
    for (let k = fromY + 1; k < toY; k++) join(waysOf({ ...area, toY: k }), waysOf({ ...area, fromY: k }));
    const kept: Way[] = [];
    for (const candidate of [...found.values()].sort((a, b) => b.value - a.value)) {
      if (kept.length === KEPT) break;
      if (!kept.some((better) => better.counts.every((n, i) => n >= (candidate.counts[i] ?? 0)))) kept.push(candidate);
    }
    return kept.length > 0 ? kept : [nothing];
  };

  const { toX, toY } = grid.whole;
  for (let span = 1; span <= toX; span++)
    for (let fromX = 0; fromX + span <= toX; fromX++)
      for (let height = 1; height <= toY; height++)
        for (let fromY = 0; fromY + height <= toY; fromY++) {
          const area = { fromX, toX: fromX + span, fromY, toY: fromY + height };
          known[cell(area)] = look(area);
        }

  return waysOf(grid.whole).map((found) => {
    const placed = placedBy(found, grid, left);
    return { counts: new Map(kinds.map((id, i) => [id, found.counts[i] ?? 0])), layout: { placed, value: grid.worth(placed, left) } };
  });
}

/** Where the blanks of a way lie; what goes beyond what is wanted stays wood. */
function placedBy(way: Way, grid: CuttingGrid, left: ReadonlyMap<string, number>): PlacedBlank[] {
  const open = new Map(left);
  const collect = ({ from }: Way): PlacedBlank[] => {
    if (from === null) return [];
    if ('first' in from) return [...collect(from.first), ...collect(from.second)];
    const shape = grid.shapes[from.shape];
    const wanted = shape ? (open.get(shape.blank.id) ?? 0) : 0;
    if (!shape || wanted <= 0) return [];
    open.set(shape.blank.id, wanted - shape.pieces);
    return [grid.place(shape, from.area)];
  };
  return collect(way);
}
