import { describe, expect, test } from '@jest/globals';
import { boardsFor, DEFAULT_CUTTING, planCutting, shortfallInWords, whyShort, type Board, type WantedBlank } from './index.ts';

const board = (id: string, over: Partial<Board> = {}): Board => ({
  id,
  lengthMm: 1200,
  widthMm: 200,
  widthEndMm: 200,
  thicknessMm: 50,
  faults: [],
  ...over,
});
const body: WantedBlank = { id: 'body', lengthMm: 1050, widthMm: 178, thicknessMm: 45, count: 5, value: 1, anyGrain: false, leavesEach: 0 };

describe('what keeps blanks off the boards', () => {
  const boards = [
    board('B1'),
    board('thin', { thicknessMm: 40 }),
    board('short', { lengthMm: 1100 }),
    board('narrow', { widthMm: 180, widthEndMm: 180 }),
    board('knotty', { faults: [{ xMm: 500, yMm: 90, lengthMm: 40, widthMm: 30 }] }),
  ];
  test('is told board by board, by the first reason', () => {
    expect(boardsFor(boards, [body], DEFAULT_CUTTING).get('body')).toEqual({ tooThin: 1, tooShort: 1, tooNarrow: 1, faulty: 1, roomy: 1 });
  });
  test('across the grain a board may be long enough that is not along it', () => {
    const brace = { ...body, lengthMm: 60, widthMm: 900, anyGrain: true };
    expect(boardsFor([board('B1')], [brace], DEFAULT_CUTTING).get('body')).toMatchObject({ roomy: 1 });
    expect(boardsFor([board('B1')], [{ ...brace, anyGrain: false }], DEFAULT_CUTTING).get('body')).toMatchObject({ tooNarrow: 1 });
  });
  test('a plan that lays one of five says why of the four', () => {
    const plan = planCutting(boards, [body], DEFAULT_CUTTING, { work: 0 });
    const [short] = whyShort(plan.boards, boards, [body], boardsFor(boards, [body], DEFAULT_CUTTING));
    expect(short).toMatchObject({ blankId: 'body', missing: 4 });
    expect(short && shortfallInWords(short)).toBe(
      '4 of body find no place: 1 board is too thin for it, 1 board is too short, 1 board is too narrow, 1 board is spoilt for it by faults, 1 could give one, laid otherwise',
    );
    expect(short && shortfallInWords({ ...short, missing: 1, tooThin: 0, tooShort: 0, tooNarrow: 0, faulty: 0, roomy: 0 })).toBe(
      '1 of body finds no place: there are no boards',
    );
  });
  test('what is all there is not short', () => {
    const one = [{ ...body, count: 1 }];
    const plan = planCutting(boards, one, DEFAULT_CUTTING, { work: 0 });
    expect(whyShort(plan.boards, boards, one, boardsFor(boards, one, DEFAULT_CUTTING))).toEqual([]);
  });
});
