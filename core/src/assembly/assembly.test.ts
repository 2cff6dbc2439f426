import { describe, expect, test } from '@jest/globals';
import { isInBand } from '../quality/index.ts';
import { stringTensionN } from './index.ts';

test('a band includes its limits', () => {
  const band = { low: 1.5, high: 2 };
  expect([1.499, 1.5, 1.75, 2, 2.001].map((v) => isInBand(v, band))).toEqual([false, true, true, true, false]);
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
