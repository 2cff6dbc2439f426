import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { seededRandom } from '../../maths/index.ts';
import { everyCut } from '../../test/everyCut.ts';
import {
  boardVolumeM3,
  cutLines,
  cutList,
  DEFAULT_CUTTING,
  guillotineCuts,
  piecesOf,
  objectionsTo,
  planCutting,
  tally,
  type Board,
  type PlacedBlank,
  type WantedBlank,
} from './index.ts';

const BARE = { kerfMm: 1, edgingMm: 0, endTrimMm: 0, planingMm: 0, resawKerfMm: 1 };

const board = (over: Partial<Board> = {}): Board => ({
  id: 'A',
  lengthMm: 2400,
  widthMm: 200,
  widthEndMm: over.widthMm ?? 200,
  thicknessMm: 50,
  faults: [],
  ...over,
});
const wanted = (over: Partial<WantedBlank> = {}): WantedBlank => ({
  id: 'body',
  lengthMm: 520,
  widthMm: 180,
  thicknessMm: 45,
  count: 100,
  value: 10,
  anyGrain: false,
  leavesEach: 0,
  ...over,
});

/** Small boards with everything that can be awkward about them. */
function instance(seed: number): { board: Board; wanted: WantedBlank[] } {
  const random = seededRandom(seed);
  const lengthMm = random.integer(13, 18);
  const widthMm = random.integer(6, 9);
  const widthEndMm = random.chance(0.4) ? widthMm + random.integer(-2, 2) : widthMm;
  const faults = Array.from({ length: random.integer(0, 2) }, () => ({
    xMm: random.integer(0, lengthMm - 2),
    yMm: random.integer(0, widthMm - 2),
    lengthMm: random.integer(1, 2),
    widthMm: random.integer(1, 2),
  }));
  return {
    board: board({ lengthMm, widthMm, widthEndMm, faults }),
    wanted: Array.from({ length: 3 }, (_, i) => {
      const blank = { lengthMm: random.integer(3, 8), widthMm: random.integer(2, 5) };
      return wanted({
        id: `w${i}`,
        ...blank,
        count: random.integer(1, 4),
        value: Math.round(blank.lengthMm * blank.widthMm * (0.7 + 0.6 * random.next())),
        anyGrain: random.chance(0.3),
      });
    }),
  };
}

describe('against every cut there is', () => {
  const shares: number[] = [];
  test.each(Array.from({ length: 24 }, (_, i) => i + 1))('small board %i: at least 97 % of the best', (seed) => {
    const { board: it, wanted: blanks } = instance(seed);
    const best = everyCut(it, blanks, BARE);
    const { value, boards } = planCutting([it], blanks, BARE);
    expect(boards.flatMap((b) => objectionsTo(it, b.placed, BARE))).toEqual([]);
    expect(value).toBeLessThanOrEqual(best);
    expect(value).toBeGreaterThanOrEqual(0.97 * best);
    shares.push(best === 0 ? 1 : value / best);
  });
  test('and mostly the best itself', () => {
    expect(shares).toHaveLength(24);
    expect(shares.filter((s) => s === 1).length).toBeGreaterThanOrEqual(22);
  });
});

describe('a layout', () => {
  test('by hand: four bodies of 520 along 2400 with trim and kerf', () => {
    const { got, yield: share } = planCutting([board()], [wanted()], DEFAULT_CUTTING);
    // 2400 − 2 · 30 = 2340 = 4 · 520 + 3 · 4 + 248
    expect(got.get('body')).toBe(4);
    expect(share).toBeCloseTo((4 * 520 * 180 * 45) / (2400 * 200 * 50), 9);
  });
  test('goes round a knot', () => {
    const knot = { xMm: 400, yMm: 80, lengthMm: 40, widthMm: 40 };
    const { got, boards } = planCutting([board({ faults: [knot] })], [wanted()], DEFAULT_CUTTING);
    // From the knot on: 2370 − 440 = 1930, three of them.
    expect(got.get('body')).toBe(3);
    expect(boards[0]?.placed.every((p) => p.xMm >= 440)).toBe(true);
  });
  test('uses the wide end of a board that tapers, whichever it is', () => {
    const ends = [
      { widthMm: 200, widthEndMm: 150 },
      { widthMm: 150, widthEndMm: 200 },
    ].map((over) => planCutting([board(over)], [wanted({ widthMm: 170 })], DEFAULT_CUTTING).boards[0]?.placed ?? []);
    expect(ends.map((placed) => placed.length)).toEqual([1, 1]);
    expect(ends[0]?.[0]?.xMm).toBe(30);
    expect((ends[1]?.[0]?.xMm ?? 0) + 520).toBe(2370);
  });
  test('takes what is worth most when not all can be had', () => {
    const neck = wanted({ id: 'neck', lengthMm: 700, widthMm: 90, thicknessMm: 27, value: 9 });
    const { got } = planCutting([board()], [wanted(), neck], DEFAULT_CUTTING);
    // Two necks side by side three times are worth 54, four bodies 40.
    expect(got.get('neck')).toBe(6);
    expect(got.has('body')).toBe(false);
  });
  test('stops at what is wanted, and cuts the board that wastes least', () => {
    const small = board({ id: 'S', lengthMm: 1120 });
    const { boards, got } = planCutting([board({ id: 'L' }), small], [wanted({ count: 2 })], DEFAULT_CUTTING);
    expect(got.get('body')).toBe(2);
    expect(boards.map((b) => b.boardId)).toEqual(['S']);
  });
  test('of a board too thin, or of none, is empty', () => {
    expect(planCutting([board({ thicknessMm: 40 })], [wanted()], DEFAULT_CUTTING)).toMatchObject({ boards: [], value: 0, yield: 0 });
    expect(planCutting([], [wanted()], DEFAULT_CUTTING).boards).toEqual([]);
    expect(planCutting([board()], [], DEFAULT_CUTTING).boards).toEqual([]);
  });
  test('turns only what may lie across the grain', () => {
    const across = { lengthMm: 150, widthMm: 600, thicknessMm: 45 };
    const count = (anyGrain: boolean) => planCutting([board()], [wanted({ ...across, anyGrain })], DEFAULT_CUTTING).got.get('body') ?? 0;
    expect([count(false), count(true)]).toEqual([0, 3]);
  });
  test('is the same for the same seed', () => {
    const pack = Array.from({ length: 5 }, (_, i) => board({ id: `B${i}`, lengthMm: 1800 + 130 * i }));
    const blanks = [wanted({ count: 9 }), wanted({ id: 'neck', lengthMm: 700, widthMm: 90, thicknessMm: 27, value: 6, count: 7 })];
    expect(planCutting(pack, blanks, DEFAULT_CUTTING)).toEqual(planCutting(pack, blanks, DEFAULT_CUTTING));
  });
  test('can always be sawn, whatever the boards', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 100_000 }), (seed) => {
        const random = seededRandom(seed);
        const pack = Array.from({ length: 3 }, (_, i) =>
          board({
            id: `B${i}`,
            lengthMm: random.integer(600, 3000),
            widthMm: random.integer(100, 320),
            widthEndMm: random.integer(100, 320),
            faults: Array.from({ length: random.integer(0, 3) }, () => ({
              xMm: random.integer(0, 2500),
              yMm: random.integer(0, 250),
              lengthMm: random.integer(10, 200),
              widthMm: random.integer(10, 60),
            })),
          }),
        );
        const blanks = [
          wanted({ count: random.integer(0, 6) }),
          wanted({ id: 'neck', lengthMm: 700, widthMm: 90, thicknessMm: 27, value: 6, count: random.integer(0, 9) }),
        ];
        const plan = planCutting(pack, blanks, DEFAULT_CUTTING);
        for (const { boardId, placed } of plan.boards)
          expect(objectionsTo(pack.find((b) => b.id === boardId) ?? board(), placed, DEFAULT_CUTTING)).toEqual([]);
        for (const { id, count } of blanks) expect(plan.got.get(id) ?? 0).toBeLessThanOrEqual(count);
      }),
      { numRuns: 40 },
    );
  });
});

describe('resawing', () => {
  test('counts what a thickness gives, with planing and the resaw’s cut', () => {
    const top = wanted({ thicknessMm: 4, leavesEach: 1 });
    // n · 7 + (n − 1) · 2 ≤ 50: five take 43, six 52.
    expect(piecesOf(board(), top, DEFAULT_CUTTING)).toBe(5);
    expect(piecesOf(board({ thicknessMm: 52 }), top, DEFAULT_CUTTING)).toBe(6);
    // Pairs of them, for a top of two halves.
    expect([50, 52].map((t) => piecesOf(board({ thicknessMm: t }), { ...top, leavesEach: 2 }, DEFAULT_CUTTING))).toEqual([2, 3]);
    expect(piecesOf(board({ thicknessMm: 6.9 }), top, DEFAULT_CUTTING)).toBe(0);
    expect(piecesOf(board(), wanted(), DEFAULT_CUTTING)).toBe(1);
  });
  test('pieces beyond what is wanted are worth nothing', () => {
    const top = wanted({ id: 'top', thicknessMm: 4, leavesEach: 1, count: 6, value: 3 });
    const plan = planCutting([board()], [top], DEFAULT_CUTTING);
    expect(plan.boards[0]?.placed).toHaveLength(2);
    expect(plan.value).toBe(18);
    expect(plan.got.get('top')).toBe(10);
  });
});

describe('moving a blank by hand', () => {
  const at = (xMm: number, yMm: number, over: Partial<PlacedBlank> = {}): PlacedBlank => ({
    blankId: 'body',
    xMm,
    yMm,
    lengthMm: 520,
    widthMm: 180,
    pieces: 1,
    ...over,
  });
  const told = (placed: PlacedBlank[], on = board()) => objectionsTo(on, placed, DEFAULT_CUTTING).map((o) => o.because);
  test.each([
    [29, 5, 'end trim'],
    [1851, 5, 'end trim'],
    [30, 4, 'edge'],
    [30, 16, 'edge'],
  ])('to %i, %i is told', (x, y, why) => {
    expect(told([at(x, y)]).join()).toContain(why);
  });
  test('to its own limits is not', () => {
    for (const [x, y] of [
      [30, 5],
      [1850, 15],
    ] as const)
      expect(told([at(x, y)])).toEqual([]);
  });
  test('onto a fault, or a neighbour, or nearer to it than the saw is wide', () => {
    const knot = board({ faults: [{ xMm: 100, yMm: 50, lengthMm: 10, widthMm: 10 }] });
    expect(told([at(30, 5)], knot)).toEqual(['A fault lies in it']);
    expect(told([at(110, 5)], knot)).toEqual([]);
    expect(told([at(30, 5), at(553, 5)])).toHaveLength(2);
    expect(told([at(30, 5), at(554, 5)])).toEqual([]);
  });
  test('into a pinwheel that no saw takes apart', () => {
    const wheel = [
      at(30, 5, { lengthMm: 200, widthMm: 60 }),
      at(234, 5, { lengthMm: 100, widthMm: 120 }),
      at(134, 129, { lengthMm: 200, widthMm: 60 }),
      at(30, 69, { lengthMm: 100, widthMm: 120 }),
    ];
    expect(guillotineCuts(wheel, 4)).toBeNull();
    expect(told(wheel).join()).toContain('edge to edge');
  });
});

test('the cut list shortens the board first and then rips', () => {
  const blanks = [
    { xMm: 30, yMm: 5, lengthMm: 700, widthMm: 90, blankId: 'neck', pieces: 1 },
    { xMm: 30, yMm: 99, lengthMm: 700, widthMm: 90, blankId: 'neck', pieces: 1 },
    { xMm: 734, yMm: 5, lengthMm: 520, widthMm: 180, blankId: 'body', pieces: 1 },
  ];
  const cuts = guillotineCuts(blanks, 4);
  expect(cuts && cutList(cuts)).toEqual([
    { part: '1', kind: 'across', atMm: 730 },
    { part: '1.1', kind: 'along', atMm: 95 },
  ]);
});

test('a hand-made plan is counted like any other', () => {
  const plan = tally([{ boardId: 'A', placed: [] }], [board()], [wanted()]);
  expect(plan).toMatchObject({ value: 0, yield: 0 });
  expect(boardVolumeM3(board({ widthEndMm: 100 }))).toBeCloseTo(2.4 * 0.15 * 0.05, 12);
});

test('the sawyer’s lines tell every cut from the board’s end or edge, then where each blank lies', () => {
  const at = (blankId: string, xMm: number, yMm: number, lengthMm: number, widthMm: number, pieces = 1) => ({
    blankId,
    xMm,
    yMm,
    lengthMm,
    widthMm,
    pieces,
  });
  expect(cutLines([at('neck', 520.3, 5, 400, 60, 3), at('body', 15, 5, 500, 178)], 3)).toEqual([
    '1  cross-cut 515 from the left end',
    'body: 15 to 515 along, 5 to 183 across',
    'neck: 520.5 to 920.5 along, 5 to 65 across, resaw 3',
  ]);
  // Four that turn about a fifth: no straight cut goes through.
  const wheel = [at('a', 0, 0, 200, 100), at('b', 203, 0, 100, 200), at('c', 103, 203, 200, 100), at('d', 0, 103, 100, 200)];
  expect(cutLines(wheel, 3)[0]).toBe('no order of straight cuts parts these: saw round each blank');
});
