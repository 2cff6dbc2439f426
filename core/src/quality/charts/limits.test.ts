import { describe, expect, test } from '@jest/globals';
import { deviationConstant, individualsLimits, rangeConstants, subgroupLimits, subgroupPoints } from './index.ts';

describe('constants, against the published table (Montgomery, Introduction to Statistical Quality Control, appendix VI)', () => {
  // n, A2, D3, D4, A3, B3, B4, c4
  test.each([
    [2, 1.88, 0, 3.267, 2.659, 0, 3.267, 0.7979],
    [3, 1.023, 0, 2.574, 1.954, 0, 2.568, 0.8862],
    [4, 0.729, 0, 2.282, 1.628, 0, 2.266, 0.9213],
    [5, 0.577, 0, 2.114, 1.427, 0, 2.089, 0.94],
    [6, 0.483, 0, 2.004, 1.287, 0.03, 1.97, 0.9515],
    [7, 0.419, 0.076, 1.924, 1.182, 0.118, 1.882, 0.9594],
    [8, 0.373, 0.136, 1.864, 1.099, 0.185, 1.815, 0.965],
    [9, 0.337, 0.184, 1.816, 1.032, 0.239, 1.761, 0.9693],
    [10, 0.308, 0.223, 1.777, 0.975, 0.284, 1.716, 0.9727],
  ])('of %i values', (n, a2, least, most, a3, leastS, mostS, c4) => {
    const { d2, d3 } = rangeConstants(n);
    expect(3 / (d2 * Math.sqrt(n))).toBeCloseTo(a2, 3);
    expect(Math.max(0, 1 - (3 * d3) / d2)).toBeCloseTo(least, 3);
    expect(Math.abs(1 + (3 * d3) / d2 - most)).toBeLessThan(0.0015);
    const c = deviationConstant(n);
    expect(c).toBeCloseTo(c4, 4);
    expect(3 / (c * Math.sqrt(n))).toBeCloseTo(a3, 3);
    const share = (3 * Math.sqrt(1 - c ** 2)) / c;
    expect(Math.max(0, 1 - share)).toBeCloseTo(leastS, 3);
    expect(1 + share).toBeCloseTo(mostS, 3);
  });
  test('what cannot be read is refused', () => {
    expect(() => rangeConstants(1)).toThrow(RangeError);
    expect(() => rangeConstants(11)).toThrow(RangeError);
    expect(() => deviationConstant(1)).toThrow(RangeError);
    expect(() => deviationConstant(2.5)).toThrow(RangeError);
  });
});

describe('individuals', () => {
  test('ten values worked by hand', () => {
    const chart = individualsLimits([10.2, 9.8, 10.1, 10.4, 9.9, 10.0, 10.3, 9.7, 10.1, 10.5]);
    expect(chart.values.centre).toBeCloseTo(10.1, 12);
    expect(chart.values.lower).toBeCloseTo(9.125, 3);
    expect(chart.values.upper).toBeCloseTo(11.075, 3);
    expect(chart.spread.centre).toBeCloseTo(0.3667, 4);
    expect(chart.spread.upper).toBeCloseTo(1.198, 3);
    expect(chart.spread.lower).toBe(0);
    expect(chart.count).toBe(10);
  });
  test('flow rates of the NIST/SEMATECH e-Handbook, 6.3.2.2', () => {
    const chart = individualsLimits([49.6, 47.6, 49.9, 51.3, 47.8, 51.2, 52.6, 52.4, 53.6, 52.1]);
    expect(chart.values.centre).toBeCloseTo(50.81, 2);
    expect(chart.spread.centre).toBeCloseTo(1.8778, 4);
    expect(Math.abs(chart.values.upper - 55.8041)).toBeLessThan(0.003);
    expect(Math.abs(chart.values.lower - 45.8159)).toBeLessThan(0.003);
  });
  test('one value makes no chart', () => {
    expect(() => individualsLimits([1])).toThrow(RangeError);
  });
});

// Piston rings, mm above 73.9 in thousandths: Montgomery, Introduction to Statistical Quality Control, table 6.3.
const RINGS = [
  [130, 102, 119, 92, 108],
  [95, 92, 101, 111, 104],
  [88, 124, 121, 105, 102],
  [102, 96, 93, 115, 109],
  [92, 107, 115, 89, 114],
  [109, 94, 97, 85, 93],
  [95, 106, 94, 100, 105],
  [85, 103, 93, 115, 88],
  [108, 95, 109, 105, 104],
  [98, 100, 90, 107, 95],
  [94, 98, 94, 95, 90],
  [104, 100, 107, 100, 96],
  [83, 102, 98, 97, 112],
  [106, 67, 94, 100, 84],
  [112, 114, 98, 99, 107],
  [100, 84, 105, 98, 96],
  [94, 112, 86, 105, 107],
  [106, 110, 118, 103, 100],
  [84, 102, 103, 105, 97],
  [100, 110, 113, 120, 103],
  [82, 101, 115, 105, 96],
  [104, 99, 90, 106, 109],
  [110, 89, 90, 109, 114],
  [115, 108, 93, 100, 110],
  [82, 84, 95, 117, 113],
].map((group) => group.map((thousandths) => (73_900 + thousandths) / 1000));

describe('subgroups, of the piston rings', () => {
  test('means and ranges', () => {
    const chart = subgroupLimits(RINGS, 'range');
    expect(chart.values.centre).toBeCloseTo(74.001176, 6);
    expect(chart.spread.centre).toBeCloseTo(0.581 / 25, 6);
    const { d2 } = rangeConstants(5);
    expect(chart.sigmaWithin).toBeCloseTo(0.02324 / d2, 9);
    // The book reckons with three decimals.
    expect(Math.abs(chart.values.upper - 74.014)).toBeLessThan(0.001);
    expect(Math.abs(chart.values.lower - 73.988)).toBeLessThan(0.001);
    expect(chart.spread.upper).toBeCloseTo(2.114 * 0.02324, 3);
    expect(chart.count).toBe(125);
  });
  test('means and deviations', () => {
    const chart = subgroupLimits(RINGS, 'deviation');
    expect(chart.spread.centre).toBeCloseTo(0.0094, 4);
    expect(chart.spread.upper).toBeCloseTo(0.0196, 4);
    expect(Math.abs(chart.values.upper - 74.014)).toBeLessThan(0.001);
    expect(Math.abs(chart.values.lower - 73.988)).toBeLessThan(0.001);
  });
  test('what is plotted', () => {
    expect(subgroupPoints([[1, 2, 3]], 'range')).toEqual({ values: [2], spread: [2] });
    expect(subgroupPoints([[1, 2, 3]], 'deviation')).toEqual({ values: [2], spread: [1] });
  });
  test('sizes that differ, or that no range tells, are refused', () => {
    expect(() => subgroupLimits([], 'range')).toThrow(RangeError);
    expect(() =>
      subgroupLimits(
        [
          [1, 2],
          [1, 2, 3],
        ],
        'range',
      ),
    ).toThrow('of one size');
    expect(() => subgroupLimits([Array.from({ length: 11 }, (_, i) => i)], 'range')).toThrow(RangeError);
  });
});
