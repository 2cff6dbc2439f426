import { describe, expect, test } from '@jest/globals';
import { seededRandom } from '../../maths/index.ts';
import { everyCut } from '../../test/everyCut.ts';
import type { Board, WantedBlank } from './board.ts';
import { CuttingGrid } from './grid.ts';
import { crowded, guillotineCuts } from './guillotine.ts';
import { canCount, layOutByCounts } from './layoutByCounts.ts';
import { LayoutByWorth, Scratch } from './layoutByWorth.ts';
import { objectionsTo } from './objections.ts';

const BARE = { kerfMm: 1, edgingMm: 0, endTrimMm: 0, planingMm: 0, resawKerfMm: 1 };
const PLENTY = 1e9;

const board = (over: Partial<Board> = {}): Board => ({
  id: 'A',
  lengthMm: 16,
  widthMm: 8,
  widthEndMm: 8,
  thicknessMm: 50,
  faults: [],
  ...over,
});
const wanted = (id: string, lengthMm: number, widthMm: number, count: number, value: number, anyGrain = false): WantedBlank => ({
  id,
  lengthMm,
  widthMm,
  thicknessMm: 45,
  count,
  value,
  anyGrain,
  leavesEach: 0,
});
const left = (blanks: readonly WantedBlank[]) => new Map(blanks.map((b) => [b.id, b.count]));

describe('the grid', () => {
  test('has a line wherever a part may begin, and one beyond the end', () => {
    const grid = new CuttingGrid(board(), [wanted('a', 5, 3, 9, 1)], BARE, PLENTY);
    expect(grid.xs).toEqual([0, 6, 17]);
    expect(grid.ys).toEqual([0, 4, 9]);
    expect([grid.lengthMm(0, 1), grid.lengthMm(0, 2), grid.widthMm(1, 2)]).toEqual([5, 16, 4]);
  });
  test('begins anew behind a fault', () => {
    const faults = [{ xMm: 2, yMm: 2, lengthMm: 2, widthMm: 1 }];
    const grid = new CuttingGrid(board({ faults }), [wanted('a', 5, 3, 9, 1)], BARE, PLENTY);
    expect(grid.xs).toEqual([0, 4, 6, 10, 17]);
    expect(grid.mayLie(0, 0, 0)).toBe(false);
    expect(grid.mayLie(0, 1, 0)).toBe(true);
  });
  test('is thinned to the work there is time for, and keeps its first and last line', () => {
    const many = [wanted('a', 3, 2, 9, 1), wanted('b', 5, 3, 9, 1), wanted('c', 7, 1, 9, 1)];
    const large = board({ lengthMm: 400, widthMm: 90, widthEndMm: 90 });
    const full = new CuttingGrid(large, many, BARE, Infinity);
    const thin = new CuttingGrid(large, many, BARE, 20_000);
    expect(thin.size).toBeLessThan(full.size / 100);
    expect([thin.xs[0], thin.xs.at(-1)]).toEqual([full.xs[0], full.xs.at(-1)]);
    expect(thin.xs.every((x) => full.xs.includes(x))).toBe(true);
  });
  test('of a board nothing can be cut from is empty', () => {
    expect(new CuttingGrid(board({ thicknessMm: 10 }), [wanted('a', 5, 3, 9, 1)], BARE, PLENTY).empty).toBe(true);
    expect(new CuttingGrid(board(), [wanted('a', 50, 3, 9, 1)], BARE, PLENTY).empty).toBe(true);
  });
  test('turns a board that widens, and lays blanks where they are on it', () => {
    const grid = new CuttingGrid(board({ widthMm: 4, widthEndMm: 8 }), [wanted('a', 5, 6, 1, 1)], BARE, PLENTY);
    const [shape] = grid.shapes;
    if (!shape) throw new Error('No shape');
    expect(grid.place(shape, grid.whole)).toMatchObject({ xMm: 11, yMm: 0 });
  });
});

describe('a layout', () => {
  const instances = Array.from({ length: 12 }, (_, seed) => {
    const random = seededRandom(400 + seed);
    const blanks = ['a', 'b', 'c'].map((id) =>
      wanted(id, random.integer(3, 8), random.integer(2, 5), random.integer(1, 3), random.integer(5, 30), random.chance(0.3)),
    );
    const faults = random.chance(0.6) ? [{ xMm: random.integer(0, 13), yMm: random.integer(0, 6), lengthMm: 2, widthMm: 1 }] : [];
    return { it: board({ widthEndMm: random.integer(6, 8), faults }), blanks };
  });
  test.each(instances.map((i, n) => [n, i] as const))('by worth is the best without limits (%i)', (_, { it, blanks }) => {
    const many = blanks.map((b) => ({ ...b, count: 99 }));
    const { layout, keeps } = new LayoutByWorth(new CuttingGrid(it, many, BARE, PLENTY), new Scratch()).freely(left(many));
    expect(keeps).toBe(true);
    expect(layout.value).toBe(everyCut(it, many, BARE));
    expect(objectionsTo(it, layout.placed, BARE)).toEqual([]);
  });
  test.each(instances.map((i, n) => [n, i] as const))('by counts is the best within limits (%i)', (_, { it, blanks }) => {
    const grid = new CuttingGrid(it, blanks, BARE, PLENTY);
    expect(canCount(grid)).toBe(true);
    const { placed, value } = layOutByCounts(grid, left(blanks));
    expect(value).toBe(everyCut(it, blanks, BARE));
    for (const b of blanks) expect(placed.filter((p) => p.blankId === b.id).length).toBeLessThanOrEqual(b.count);
    expect(objectionsTo(it, placed, BARE)).toEqual([]);
  });
  test('shaken keeps its limits, and more tries are never worse', () => {
    for (const { it, blanks } of instances) {
      const byWorth = new LayoutByWorth(new CuttingGrid(it, blanks, BARE, PLENTY), new Scratch());
      const few = byWorth.shaken(left(blanks), seededRandom(1), 2);
      const more = byWorth.shaken(left(blanks), seededRandom(1), 20);
      expect(more.value).toBeGreaterThanOrEqual(few.value);
      for (const b of blanks) expect(more.placed.filter((p) => p.blankId === b.id).length).toBeLessThanOrEqual(b.count);
    }
  });
});

describe('sawing apart', () => {
  const at = (xMm: number, yMm: number, lengthMm: number, widthMm: number) => ({ blankId: 'a', xMm, yMm, lengthMm, widthMm, pieces: 1 });
  test('of nothing is waste, of one blank the blank', () => {
    expect(guillotineCuts([], 4)).toEqual({ kind: 'waste' });
    expect(guillotineCuts([at(0, 0, 5, 5)], 4)).toMatchObject({ kind: 'blank' });
  });
  test('needs the saw’s width between neighbours', () => {
    expect(guillotineCuts([at(0, 0, 10, 5), at(13, 0, 10, 5)], 4)).toBeNull();
    expect(guillotineCuts([at(0, 0, 10, 5), at(14, 0, 10, 5)], 4)).toMatchObject({ kind: 'across', atMm: 10 });
    expect(crowded([at(0, 0, 10, 5), at(13, 0, 10, 5), at(50, 0, 5, 5)], 4)).toEqual([[0, 1]]);
  });
  test('rips where no cross-cut goes through', () => {
    expect(guillotineCuts([at(0, 0, 30, 5), at(0, 9, 12, 5), at(16, 9, 12, 5)], 4)).toMatchObject({
      kind: 'along',
      atMm: 5,
      second: { kind: 'across', atMm: 12 },
    });
  });
});
