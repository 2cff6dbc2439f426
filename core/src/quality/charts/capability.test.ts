import { describe, expect, test } from '@jest/globals';
import { mean, seededRandom, standardDeviation } from '../../maths/index.ts';
import { capability, distanceIndex, movingRangeFreedom, movingRanges, widthIndex } from './index.ts';

describe('how sure an index is', () => {
  test('width, of 50 values', () => {
    const { from, to } = widthIndex(1.33, 49);
    expect(from).toBeCloseTo(1.067, 3);
    expect(to).toBeCloseTo(1.592, 3);
  });
  test('distance, of 50 values', () => {
    const { from, to } = distanceIndex(1.2, 50, 49);
    expect(from).toBeCloseTo(0.945, 3);
    expect(to).toBeCloseTo(1.455, 3);
  });
  test('moving ranges know as much as drawn ones show', () => {
    const random = seededRandom(7);
    const n = 20;
    const sigmas = Array.from(
      { length: 20_000 },
      () => mean(movingRanges(Array.from({ length: n }, () => random.normal(0, 1)))) / 1.128379,
    );
    const freedom = mean(sigmas) ** 2 / (2 * standardDeviation(sigmas) ** 2);
    expect(movingRangeFreedom(n) / freedom).toBeGreaterThan(0.96);
    expect(movingRangeFreedom(n) / freedom).toBeLessThan(1.04);
  });
});

describe('capability', () => {
  const values = Array.from({ length: 40 }, (_, i) => 10 + ((i * 7) % 11) / 100);
  const tolerance = { low: 9.9, high: 10.2 };

  test('by its definition', () => {
    const found = capability(values, tolerance, 0.025);
    const s = standardDeviation(values);
    expect(found?.pp?.value).toBeCloseTo(0.3 / (6 * s), 12);
    expect(found?.ppk.value).toBeCloseTo(Math.min(10.2 - mean(values), mean(values) - 9.9) / (3 * s), 12);
    expect(found?.cp?.value).toBeCloseTo(2, 12);
    expect(found?.count).toBe(40);
    // What rests on moving ranges is less sure than what rests on all values.
    const width = (index: { value: number; from: number; to: number } | null | undefined) =>
      index ? (index.to - index.from) / index.value : 0;
    expect(width(found?.cp)).toBeGreaterThan(width(found?.pp));
  });
  test('what is not in control is told overall alone', () => {
    expect(capability(values, tolerance)).toMatchObject({ cp: null, cpk: null });
  });
  test('one open side has no width', () => {
    const found = capability(values, { high: 10.2 }, 0.025);
    expect(found?.pp).toBeNull();
    expect(found?.cp).toBeNull();
    expect(found?.cpk?.value).toBeCloseTo((10.2 - mean(values)) / 0.075, 12);
  });
  test('nothing is told of too few, of what does not vary, or without a tolerance', () => {
    expect(capability(values.slice(0, 9), tolerance)).toBeNull();
    expect(
      capability(
        values.map(() => 10),
        tolerance,
      ),
    ).toBeNull();
    expect(capability(values, {})).toBeNull();
  });
  test('the interval holds the true index 95 times in 100', () => {
    const random = seededRandom(11);
    let held = 0;
    const studies = 2000;
    for (let i = 0; i < studies; i++) {
      const drawn = Array.from({ length: 50 }, () => random.normal(0, 1));
      const ppk = capability(drawn, { low: -4, high: 4 })?.ppk;
      if (ppk && ppk.from <= 4 / 3 && 4 / 3 <= ppk.to) held++;
    }
    expect(held / studies).toBeGreaterThan(0.93);
    expect(held / studies).toBeLessThan(0.975);
  });
});
