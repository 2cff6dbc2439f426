import { describe, expect, test } from '@jest/globals';
import { seededRandom } from '../../maths/index.ts';
import { driftOf } from './index.ts';

const drawn = (slope: number, scatter: number, n: number, seed: number) => {
  const random = seededRandom(seed);
  return Array.from({ length: n }, (_, x) => ({ x, value: 32 + slope * x + random.normal(0, scatter) }));
};

describe('drift', () => {
  test('a line without scatter meets the edge where it must', () => {
    const points = Array.from({ length: 20 }, (_, x) => ({ x, value: 10 + x / 100 }));
    const found = driftOf(points, { low: 9, high: 10.3 });
    expect(found?.slope).toBeCloseTo(0.01, 12);
    expect(found?.now).toBeCloseTo(10.19, 12);
    expect(found?.left?.x).toBeCloseTo(11, 9);
    expect(found?.left?.edge).toBe('high');
  });
  test('anscombe’s first set: slope, scatter and their interval as published (The American Statistician 27(1), 1973)', () => {
    const xs = [10, 8, 13, 9, 11, 14, 6, 4, 12, 7, 5];
    const ys = [8.04, 6.95, 7.58, 8.81, 8.33, 9.96, 7.24, 4.26, 10.84, 4.82, 5.68];
    const found = driftOf(
      xs.map((x, i) => ({ x, value: ys[i] ?? 0 })),
      { high: 12 },
      0.95,
    );
    expect(found?.slope).toBeCloseTo(0.5001, 4);
    expect(found?.scatter).toBeCloseTo(1.2366, 4);
    // standard error 0.1179, and 2.262 of Student's for nine degrees of freedom
    expect(found?.slopeFrom).toBeCloseTo(0.5001 - 2.262 * 0.1179, 3);
    expect(found?.slopeTo).toBeCloseTo(0.5001 + 2.262 * 0.1179, 3);
  });
  test('falling towards an open side leaves no tolerance', () => {
    expect(driftOf(drawn(-0.01, 0.001, 30, 3), { high: 40 })?.left).toBeNull();
    expect(driftOf(drawn(-0.01, 0.001, 30, 3), { low: 31.5 })?.left?.edge).toBe('low');
  });
  test('past the edge there is nothing left', () => {
    expect(driftOf(drawn(0.01, 0.001, 30, 3), { high: 32.1 })?.left).toMatchObject({ x: 0, from: 0, to: 0 });
  });
  test('no drift is told where there is none to tell', () => {
    expect(driftOf(drawn(0.01, 0.01, 7, 3), { high: 33 })).toBeNull();
    expect(driftOf(drawn(0, 0, 30, 3), { high: 33 })).toBeNull();
    expect(
      driftOf(
        drawn(0.5, 0.1, 30, 3).map((p) => ({ ...p, x: 4 })),
        { high: 33 },
      ),
    ).toBeNull();
    const found = Array.from({ length: 400 }, (_, seed) => driftOf(drawn(0, 0.02, 20, seed + 1), { high: 33 })).filter(Boolean);
    expect(found.length / 400).toBeLessThan(0.01);
  });
  test('the interval holds the true crossing 95 times in 100', () => {
    let [held, told] = [0, 0];
    for (let seed = 1; seed <= 1000; seed++) {
      const left = driftOf(drawn(0.01, 0.03, 30, seed), { high: 33 })?.left;
      if (!left) continue;
      told++;
      if (left.from <= 71 && 71 <= left.to) held++;
    }
    expect(told).toBeGreaterThan(990);
    expect(held / told).toBeGreaterThan(0.93);
    expect(held / told).toBeLessThan(0.97);
  });
});
