import { type Board, boardVolumeM3, type CuttingSettings, objectionTo, type WantedBlank } from '../timber/index.ts';

/**
 * The greatest value of guillotine cuts, by trying every cut at every whole millimetre and keeping every count of blanks
 * that can be had of each part. Slow and plain: it is what the planner is measured against.
 */
export function everyCut(board: Board, wanted: readonly WantedBlank[], settings: CuttingSettings): number {
  return Math.max(...everyCount(board, wanted, settings).map((counts) => worthOf(counts, wanted)));
}

/** The greatest value of a pack, and the least wood it takes: every choice of one way for each board. */
export function everyPack(
  boards: readonly Board[],
  wanted: readonly WantedBlank[],
  settings: CuttingSettings,
): { value: number; volumeM3: number } {
  let reached = new Map([['', { counts: wanted.map(() => 0), volumeM3: 0 }]]);
  for (const board of boards) {
    const next = new Map(reached);
    const ways = everyCount(board, wanted, settings);
    for (const { counts, volumeM3 } of reached.values())
      for (const way of ways) {
        const sum = counts.map((n, i) => Math.min(wanted[i]?.count ?? 0, n + (way[i] ?? 0)));
        const before = next.get(sum.join());
        const after = volumeM3 + boardVolumeM3(board);
        if (!before || before.volumeM3 > after) next.set(sum.join(), { counts: sum, volumeM3: after });
      }
    reached = next;
  }
  const all = [...reached.values()].map(({ counts, volumeM3 }) => ({ value: worthOf(counts, wanted), volumeM3 }));
  const value = Math.max(...all.map((a) => a.value));
  return { value, volumeM3: Math.min(...all.filter((a) => a.value > value - 1e-9).map((a) => a.volumeM3)) };
}

const worthOf = (counts: readonly number[], wanted: readonly WantedBlank[]) =>
  counts.reduce((sum, n, i) => sum + n * (wanted[i]?.value ?? 0), 0);

/** The counts that no others beat. */
function everyCount(board: Board, wanted: readonly WantedBlank[], settings: CuttingSettings): number[][] {
  const known = new Map<string, number[][]>();
  const most = wanted.map((w) => w.count);
  const fits = (x: number, y: number, length: number, width: number): number[] =>
    wanted.flatMap((w, i) => {
      const shapes = w.anyGrain
        ? [
            [w.lengthMm, w.widthMm],
            [w.widthMm, w.lengthMm],
          ]
        : [[w.lengthMm, w.widthMm]];
      return shapes.some(
        ([l = 0, b = 0]) => l <= length && b <= width && objectionTo(board, { xMm: x, yMm: y, lengthMm: l, widthMm: b }, settings) === null,
      )
        ? [i]
        : [];
    });
  const undominated = (all: number[][]) => {
    const distinct = [...new Map(all.map((c) => [c.join(), c])).values()];
    return distinct.filter((c) => !distinct.some((d) => d !== c && d.every((n, i) => n >= (c[i] ?? 0))));
  };
  const counts = (x0: number, x1: number, y0: number, y1: number): number[][] => {
    if (x1 <= x0 || y1 <= y0) return [most.map(() => 0)];
    const key = [x0, x1, y0, y1].join();
    const before = known.get(key);
    if (before) return before;
    const found: number[][] = [most.map(() => 0)];
    for (const i of fits(x0, y0, x1 - x0, y1 - y0)) found.push(most.map((_, j) => (j === i ? 1 : 0)));
    const join = (one: number[][], other: number[][]) => {
      for (const a of one) for (const b of other) found.push(a.map((n, i) => Math.min(most[i] ?? 0, n + (b[i] ?? 0))));
    };
    for (let x = x0 + 1; x < x1; x++) join(counts(x0, x - settings.kerfMm, y0, y1), counts(x, x1, y0, y1));
    for (let y = y0 + 1; y < y1; y++) join(counts(x0, x1, y0, y - settings.kerfMm), counts(x0, x1, y, y1));
    const answer = undominated(found);
    known.set(key, answer);
    return answer;
  };
  const { endTrimMm, edgingMm } = settings;
  const top = Math.max(board.widthMm, board.widthEndMm) - edgingMm;
  return counts(endTrimMm, board.lengthMm - endTrimMm, edgingMm, top);
}
