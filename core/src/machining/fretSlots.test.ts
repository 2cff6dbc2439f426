import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { checkFretBoard, checkSlots, fretPositionMm, fretSlots, type FretBoard } from './index.ts';

const BOARD: FretBoard = {
  bassScaleMm: 650,
  trebleScaleMm: 650,
  frets: 20,
  squareFret: 0,
  nutSpreadMm: 36,
  saddleSpreadMm: 52,
  nutOverhangMm: 3.5,
  endOverhangMm: 3.5,
  blindMm: 0,
};
const FAN: FretBoard = { ...BOARD, bassScaleMm: 686, trebleScaleMm: 648, squareFret: 7 };

describe('places', () => {
  test('the twelfth halves the string, the twenty-fourth quarters it, the nut is nought', () => {
    expect(fretPositionMm(648, 0)).toBe(0);
    expect(fretPositionMm(648, 12)).toBeCloseTo(324, 9);
    expect(fretPositionMm(648, 24)).toBeCloseTo(486, 9);
  });
  test('the first fret of a 25.5 in scale lies 1.431 in from the nut', () => {
    expect(fretPositionMm(25.5, 1)).toBeCloseTo(1.431, 3);
  });
  test('each gap is the twelfth root of two smaller than the last', () => {
    fc.assert(
      fc.property(fc.integer({ min: 300, max: 900 }), fc.integer({ min: 1, max: 26 }), (scale, fret) => {
        const gap = (n: number) => fretPositionMm(scale, n) - fretPositionMm(scale, n - 1);
        expect(gap(fret) / gap(fret + 1)).toBeCloseTo(2 ** (1 / 12), 6);
      }),
    );
  });
});

describe('a straight board', () => {
  test('its slots lie where equal temperament says, square to the axis', () => {
    const slots = fretSlots(BOARD);
    expect(slots).toHaveLength(21);
    expect(slots[7]?.bassMm).toBeCloseTo(216.18, 2);
    expect(slots[12]?.bassMm).toBeCloseTo(325, 9);
    for (const slot of slots) {
      expect(slot.angleDeg).toBeCloseTo(0, 12);
      expect(slot.bass.xMm).toBeCloseTo(fretPositionMm(650, slot.fret), 9);
      expect(slot.treble.xMm).toBeCloseTo(slot.bass.xMm, 9);
    }
  });
  test('from edge to edge, by linear taper; a blind slot is shorter at both ends', () => {
    // 43 mm at the nut and 56 mm at fret 20, as the strings and their overhang make it.
    const at20 = fretPositionMm(650, 20) / 650;
    const board = { ...BOARD, nutSpreadMm: 36, saddleSpreadMm: 36 + (56 - 7 - 36) / at20 };
    expect(fretSlots(board)[0]?.lengthMm).toBeCloseTo(43, 9);
    expect(fretSlots(board)[20]?.lengthMm).toBeCloseTo(56, 9);
    expect(fretSlots(board)[7]?.lengthMm).toBeCloseTo(49.31, 2);
    expect(fretSlots({ ...board, blindMm: 1.5 })[7]?.lengthMm).toBeCloseTo(46.31, 2);
  });
});

describe('a fan', () => {
  test('is square at its square fret, and each end on its own scale', () => {
    const slots = fretSlots(FAN);
    expect(slots[7]?.angleDeg).toBeCloseTo(0, 9);
    expect(slots[0]?.angleDeg).toBeLessThan(0);
    expect(slots[20]?.angleDeg).toBeGreaterThan(0);
    expect(slots[12]?.bassMm).toBeCloseTo(343, 9);
    expect(slots[12]?.trebleMm).toBeCloseTo(324, 9);
  });
  test('every slot goes through its place on each outer string', () => {
    const scale = fc.record({ treble: fc.double({ min: 400, max: 700, noNaN: true }), more: fc.double({ min: 0, max: 60, noNaN: true }) });
    fc.assert(
      fc.property(scale, fc.integer({ min: 0, max: 20 }), ({ treble, more }, squareFret) => {
        const slots = fretSlots({ ...FAN, trebleScaleMm: treble, bassScaleMm: treble + more, squareFret });
        const nut = slots[0];
        if (!nut) throw new Error('No nut');
        for (const { bass, treble: end, fret, bassMm, trebleMm } of slots) {
          // Where the line crosses each string, measured from where the nut's line does.
          const crossing = (bassSide: boolean) => {
            const string = (xMm: number, fromMm: number, scaleMm: number) => (bassSide ? -1 : 1) * (18 + 8 * ((xMm - fromMm) / scaleMm));
            const apart = fretPositionMm(treble + more, squareFret) - fretPositionMm(treble, squareFret);
            const [fromMm, scaleMm] = bassSide ? [-apart / 2, treble + more] : [apart / 2, treble];
            const xMm = fromMm + (bassSide ? bassMm : trebleMm);
            const share = (string(xMm, fromMm, scaleMm) - bass.yMm) / (end.yMm - bass.yMm);
            return { onLine: bass.xMm + share * (end.xMm - bass.xMm), xMm };
          };
          for (const side of [true, false]) expect(crossing(side).onLine).toBeCloseTo(crossing(side).xMm, 6);
          expect(fret === squareFret ? Math.abs(bass.xMm - end.xMm) < 1e-6 : true).toBe(true);
        }
      }),
    );
  });
  test('slots do not cross', () => {
    const slots = fretSlots(FAN);
    for (const [i, slot] of slots.slice(1).entries()) {
      expect(slot.bass.xMm).toBeGreaterThan(slots[i]?.bass.xMm ?? 0);
      expect(slot.treble.xMm).toBeGreaterThan(slots[i]?.treble.xMm ?? 0);
    }
  });
});

test('what cannot be is refused, with why', () => {
  expect(checkFretBoard(BOARD)).toEqual([]);
  const told = (over: Partial<FretBoard>) => checkFretBoard({ ...BOARD, ...over });
  expect(told({ frets: 0 })).toEqual(['A board has 1 to 36 frets', 'The square fret is the nut or one of its frets'].slice(0, 1));
  expect(told({ trebleScaleMm: 700 })).toEqual(['The bass scale is the longer one, or they are the same']);
  expect(told({ squareFret: 21 })).toEqual(['The square fret is the nut or one of its frets']);
  expect(told({ blindMm: 18 })).toEqual(['More wood is left at the ends than there is slot']);
  expect(told({ nutOverhangMm: -1 })).toEqual(['The strings lie on the board']);
  expect(told({ nutSpreadMm: NaN })).toContain('The spread at the nut must be above zero');
  expect(() => fretSlots({ ...BOARD, frets: 2.5 })).toThrow(RangeError);
});

test('measured slots are told how far off they are, and what that does to the pitch', () => {
  const [first, second, third] = checkSlots(650, [fretPositionMm(650, 1), fretPositionMm(650, 2) + 0.1, fretPositionMm(650, 3) - 0.4], 0.2);
  expect(first).toMatchObject({ fret: 1, isGood: true });
  expect(first?.cents).toBeCloseTo(0, 9);
  expect(second?.isGood).toBe(true);
  // A slot nearer the saddle shortens the string: sharp.
  expect(second?.cents).toBeCloseTo(1200 * Math.log2((650 - fretPositionMm(650, 2)) / (650 - fretPositionMm(650, 2) - 0.1)), 9);
  expect(second?.cents).toBeGreaterThan(0);
  expect(third).toMatchObject({ isGood: false });
  expect(third?.cents).toBeLessThan(0);
});
