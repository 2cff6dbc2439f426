import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { isInBand } from '../quality/index.ts';
import { fretPositionMm, stringTensionN } from './index.ts';

test('a band includes its limits', () => {
  const band = { low: 1.5, high: 2 };
  expect([1.499, 1.5, 1.75, 2, 2.001].map((v) => isInBand(v, band))).toEqual([false, true, true, true, false]);
});

describe('frets', () => {
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

describe('string tension', () => {
  test('a plain .010 steel string at E4 on a 648 mm scale pulls about 72 N', () => {
    // 0.254 mm of steel at 7850 kg/m³
    const unitMass = Math.PI * 0.000127 ** 2 * 7850;
    expect(stringTensionN(unitMass, 0.648, 329.63)).toBeCloseTo(72.6, 1);
  });
  test('goes with the square of pitch and of length', () => {
    const one = stringTensionN(0.0004, 0.6, 300);
    expect(stringTensionN(0.0004, 0.6, 600)).toBeCloseTo(4 * one, 6);
    expect(stringTensionN(0.0004, 1.2, 300)).toBeCloseTo(4 * one, 6);
    expect(stringTensionN(0.0008, 0.6, 300)).toBeCloseTo(2 * one, 6);
  });
});
