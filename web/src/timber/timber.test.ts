import { describe, expect, test } from '@jest/globals';
import { DAY_MS, DEFAULT_CUTTING, objectionsTo, type PlacedBlank } from '@ample-crane/core';
import type { View } from '../ground/api.ts';
import { parseBoards } from './parseBoards.ts';
import { readyWords } from './ready.ts';
import { snapped } from './snap.ts';
import { parseWeights } from './WeighBlanks.tsx';

describe('boards typed one a line', () => {
  test('with and without what may be left out', () => {
    expect(parseBoards('2400 210 195 52\n\n1800 180\n', 50)).toEqual({
      boards: [
        { lengthMm: 2400, widthMm: 210, widthEndMm: 195, thicknessMm: 52, faults: [] },
        { lengthMm: 1800, widthMm: 180, widthEndMm: 180, thicknessMm: 50, faults: [] },
      ],
      problems: [],
    });
  });
  test('with faults, named or not', () => {
    expect(parseBoards('2400 210 210 52 knot 60x40@820,90 30 × 20 @ 1500,10', 50).boards[0]?.faults).toEqual([
      { lengthMm: 60, widthMm: 40, xMm: 820, yMm: 90 },
      { lengthMm: 30, widthMm: 20, xMm: 1500, yMm: 10 },
    ]);
  });
  test.each(['2400', '2400 wide', '2400 210 195 52 7', '-5 210', '0 210'])('"%s" is told with its line', (line) => {
    const { boards, problems } = parseBoards(`1800 180\n${line}`, 50);
    expect(boards).toHaveLength(1);
    expect(problems).toEqual([expect.stringContaining('Line 2')]);
  });
});

describe('a dragged blank', () => {
  const board = {
    id: 'A',
    lengthMm: 2400,
    widthMm: 200,
    widthEndMm: 200,
    thicknessMm: 50,
    faults: [{ xMm: 1000, yMm: 0, lengthMm: 50, widthMm: 40 }],
  };
  const at = (xMm: number, yMm = 5): PlacedBlank => ({ blankId: 'b', xMm, yMm, lengthMm: 520, widthMm: 150, pieces: 1 });
  const drop = (blank: PlacedBlank, others: PlacedBlank[] = []) => snapped(blank, board, others, DEFAULT_CUTTING, 12);
  test.each([
    ['the end trim', at(41, 9), { xMm: 30, yMm: 5 }],
    ['the far end', at(1845), { xMm: 1850 }],
    ['a fault’s edge', at(1060), { xMm: 1050 }],
    ['where nothing is near', at(300, 25), { xMm: 300, yMm: 25 }],
    ['no further than the board', at(5000, 900), { xMm: 1880, yMm: 50 }],
  ])('is laid on %s', (_, blank, place) => {
    expect(drop(blank)).toMatchObject(place);
  });
  test('is laid a saw cut beside its neighbour, and then may stay', () => {
    const neighbour = at(1050);
    const dropped = drop(at(1570), [neighbour]);
    expect(dropped.xMm).toBe(1574);
    expect(objectionsTo(board, [neighbour, dropped], DEFAULT_CUTTING)).toEqual([]);
  });
});

describe('when a lot is ready', () => {
  const ready = (over: Partial<View<'ReadyView'>>): View<'ReadyView'> => ({
    kind: 'on its way',
    emcPct: 8.5,
    nowPct: 11,
    earlyMs: 7.2 * DAY_MS,
    likelyMs: 11.5 * DAY_MS,
    lateMs: 19 * DAY_MS,
    piecesMs: null,
    pastBandMs: null,
    ratePerDay: 0.03,
    basis: 'measured',
    ...over,
  });
  test.each<[Partial<View<'ReadyView'>>, string]>([
    [{}, '12 d (8–19)'],
    [{ lateMs: null }, '12 d (8–…)'],
    [{ kind: 'in band' }, 'in band'],
    [{ kind: 'not in this room', likelyMs: null }, 'not in this room'],
    [{ likelyMs: null }, 'in more than 3 years'],
  ])('%j reads "%s"', (over, words) => {
    expect(readyWords(ready(over), 0)).toBe(words);
  });
});

test('weights are read blank by blank, and what is not understood is told', () => {
  const blank = { id: 'L1-2.1' } as View<'BlankView'>;
  expect(parseWeights('l1-2.1=5120,5', [blank])).toEqual({ weighed: [{ blank, massG: 5120.5 }], problems: [] });
  expect(parseWeights('L9=4 L1-2.1=', [blank]).problems).toEqual(['There is no blank L9 here', '"L1-2.1=" has no grams']);
});
