import { describe, expect, test } from '@jest/globals';
import { seededRandom } from '../../maths/index.ts';
import { everyPack } from '../../test/everyCut.ts';
import { boardVolumeM3, CutPlanner, DEFAULT_CUTTING, objectionsTo, planCutting, type Board, type WantedBlank } from './index.ts';
import { CuttingGrid } from './grid.ts';
import { LayoutByWorth, Scratch, type Layout } from './layoutByWorth.ts';

const BARE = { kerfMm: 1, edgingMm: 0, endTrimMm: 0, planingMm: 0, resawKerfMm: 1 };

const blank = (over: Partial<WantedBlank>): WantedBlank => ({
  id: 'body',
  lengthMm: 520,
  widthMm: 180,
  thicknessMm: 45,
  count: 1,
  value: 1,
  anyGrain: false,
  leavesEach: 0,
  ...over,
});

const volumeOf = (boards: readonly Board[], plan: { boards: readonly { boardId: string }[] }) =>
  boards.filter((b) => plan.boards.some((p) => p.boardId === b.id)).reduce((sum, b) => sum + boardVolumeM3(b), 0);

/** A few small boards, unlike each other, and less or more wanted than they hold. */
function smallPack(seed: number): { boards: Board[]; wanted: WantedBlank[] } {
  const random = seededRandom(seed);
  const boards = Array.from({ length: random.integer(2, 4) }, (_, i) => {
    const widthMm = random.integer(4, 7);
    return {
      id: `B${i}`,
      lengthMm: random.integer(7, 13),
      widthMm,
      widthEndMm: random.chance(0.3) ? widthMm - 1 : widthMm,
      thicknessMm: 50,
      faults: random.chance(0.3) ? [{ xMm: random.integer(0, 6), yMm: random.integer(0, 4), lengthMm: 1, widthMm: 1 }] : [],
    };
  });
  const wanted = ['a', 'b', 'c'].map((id) => {
    const [lengthMm, widthMm] = [random.integer(3, 7), random.integer(2, 4)];
    const value = Math.round(lengthMm * widthMm * (0.7 + 0.6 * random.next()));
    return blank({ id, lengthMm, widthMm, count: random.integer(1, 4), value, anyGrain: random.chance(0.2) });
  });
  return { boards, wanted };
}

/** A pack as a shop buys it, and what a fortnight's orders ask of it. */
function shopPack(seed: number): { boards: Board[]; wanted: WantedBlank[] } {
  const random = seededRandom(9000 + seed);
  const boards = Array.from({ length: random.integer(8, 14) }, (_, i) => {
    const widthMm = random.integer(140, 330);
    return {
      id: `B${i}`,
      lengthMm: random.integer(1500, 3200),
      widthMm,
      widthEndMm: widthMm - random.integer(0, 25),
      thicknessMm: 52,
      faults: Array.from({ length: random.integer(0, 2) }, () => ({
        xMm: random.integer(100, 2600),
        yMm: random.integer(0, 200),
        lengthMm: random.integer(20, 120),
        widthMm: random.integer(15, 50),
      })),
    };
  });
  const scarce = seed % 2 === 0 ? 3 : 1;
  const wanted = [
    blank({ id: 'half', lengthMm: 520, widthMm: 185, count: 8 * scarce, value: 43 }),
    blank({ id: 'neck', lengthMm: 720, widthMm: 95, count: 6 * scarce, value: 31 }),
    blank({ id: 'short neck', lengthMm: 640, widthMm: 80, count: 5 * scarce, value: 23 }),
    blank({ id: 'wing', lengthMm: 430, widthMm: 130, count: 6 * scarce, value: 25 }),
  ];
  return { boards, wanted };
}

/** What the planner is measured against: boards in any order, blanks at shaken prices, again and again. */
function shakeAndRetry(boards: readonly Board[], wanted: readonly WantedBlank[], work: number, seed: number) {
  const random = seededRandom(seed);
  const scratch = new Scratch();
  const grids = boards.map((board) => ({ board, grid: new CuttingGrid(board, wanted, DEFAULT_CUTTING, 2e6) })).filter((b) => !b.grid.empty);
  let best = { value: 0, volumeM3: 0 };
  while (scratch.spent < work) {
    const left = new Map(wanted.map((w) => [w.id, w.count]));
    let [value, volumeM3] = [0, 0];
    for (const { board, grid } of [...grids].sort(() => random.next() - 0.5)) {
      const layout: Layout = new LayoutByWorth(grid, scratch).shaken(left, random, 1);
      if (layout.value === 0) continue;
      value += layout.value;
      volumeM3 += boardVolumeM3(board);
      for (const p of layout.placed) left.set(p.blankId, Math.max(0, (left.get(p.blankId) ?? 0) - p.pieces));
    }
    if (value > best.value + 1e-9 || (value > best.value - 1e-9 && volumeM3 < best.volumeM3)) best = { value, volumeM3 };
  }
  return best;
}

describe('over several boards', () => {
  test('200 small packs: the best there is, from the least wood', () => {
    const shares = Array.from({ length: 200 }, (_, i) => {
      const { boards, wanted } = smallPack(i + 1);
      const best = everyPack(boards, wanted, BARE);
      const plan = planCutting(boards, wanted, BARE);
      for (const { boardId, placed } of plan.boards) {
        const board = boards.find((b) => b.id === boardId);
        expect(board && objectionsTo(board, placed, BARE)).toEqual([]);
      }
      expect(plan.value).toBeLessThanOrEqual(best.value + 1e-9);
      if (plan.value > best.value - 1e-9) expect(volumeOf(boards, plan)).toBeLessThanOrEqual(best.volumeM3 * 1.1);
      return best.value === 0 ? 1 : plan.value / best.value;
    });
    expect(Math.min(...shares)).toBeGreaterThanOrEqual(0.97);
    expect(shares.reduce((a, b) => a + b, 0) / shares.length).toBeGreaterThanOrEqual(0.99);
  });

  test.each(Array.from({ length: 12 }, (_, i) => i + 1))('pack %i of a shop: never behind shaking and trying again as long', (seed) => {
    const { boards, wanted } = shopPack(seed);
    const work = 6e7;
    const planner = new CutPlanner(boards, wanted, DEFAULT_CUTTING);
    planner.improve(work - planner.spent);
    const { plan } = planner;
    const shaken = shakeAndRetry(boards, wanted, planner.spent, seed);
    expect(plan.value).toBeGreaterThanOrEqual(shaken.value - 1e-9);
    if (plan.value < shaken.value + 1e-9) expect(volumeOf(boards, plan)).toBeLessThanOrEqual(shaken.volumeM3 + 1e-9);
  });

  test('a board that two others make needless stays whole', () => {
    const cut = (id: string, lengthMm: number): Board => ({ id, lengthMm, widthMm: 200, widthEndMm: 200, thicknessMm: 52, faults: [] });
    // The long board gives most for its volume, and leaves one body to be had from another.
    const boards = [cut('long', 1640), cut('a', 1124), cut('b', 1124)];
    const plan = planCutting(boards, [blank({ count: 4, value: 10 })], DEFAULT_CUTTING);
    expect(plan.got.get('body')).toBe(4);
    expect(plan.boards.map((b) => b.boardId).sort()).toEqual(['a', 'b']);
  });

  test('goes on getting better, never worse, and says when there is nothing left to look at', () => {
    const { boards, wanted } = shopPack(2);
    const planner = new CutPlanner(boards, wanted, DEFAULT_CUTTING);
    let last = planner.plan;
    for (let i = 0; i < 5; i++) {
      planner.improve(1e7);
      const now = planner.plan;
      expect(now.value).toBeGreaterThanOrEqual(last.value - 1e-9);
      last = now;
    }
    expect(planner.finished).toBe(false);
    expect(new CutPlanner([], wanted, DEFAULT_CUTTING).finished).toBe(true);
  });
});
