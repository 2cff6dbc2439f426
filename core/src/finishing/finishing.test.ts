import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { cureRate, cureRateLately, equivalentTime } from '../climate/index.ts';
import { DAY_MS, HOUR_MS } from '../units/index.ts';
import { coatLitres, dryFilmUm, judgeBuild } from './index.ts';

/** A sample each hour. */
const hourly = (fromMs: number, toMs: number, tempC: (atMs: number) => number) =>
  Array.from({ length: Math.floor((toMs - fromMs) / HOUR_MS) + 1 }, (_, i) => fromMs + i * HOUR_MS).map((atMs) => ({
    atMs,
    tempC: tempC(atMs),
  }));
const days = (fromMs: number, toMs: number, samples: readonly { atMs: number; tempC: number }[]) =>
  equivalentTime(fromMs, toMs, samples).days;

describe('equivalent cure time', () => {
  test('a day at the reference counts as a day, ten degrees more as two, ten less as half', () => {
    for (const [tempC, expected] of [
      [21, 1],
      [31, 2],
      [11, 0.5],
    ] as const)
      expect(
        days(
          0,
          DAY_MS,
          hourly(0, DAY_MS, () => tempC),
        ),
      ).toBeCloseTo(expected, 12);
  });
  test('below the material’s minimum nothing counts', () => {
    expect(cureRate(9.99)).toBe(0);
    expect(
      days(
        0,
        10 * DAY_MS,
        hourly(0, 10 * DAY_MS, () => 5),
      ),
    ).toBe(0);
  });
  test('without a sensor nothing counts', () => {
    expect(equivalentTime(0, 3 * DAY_MS, [])).toEqual({ days: 0, silentMs: 3 * DAY_MS });
  });
  test('a sample holds until the next one, and the silence after six hours counts for nothing', () => {
    const samples = [
      { atMs: 0, tempC: 21 },
      { atMs: 4 * HOUR_MS, tempC: 31 },
    ];
    expect(equivalentTime(0, DAY_MS, samples)).toEqual({ days: expect.closeTo((4 + 2 * 6) / 24, 12), silentMs: 14 * HOUR_MS });
  });
  test('samples from before the cure set its first temperature', () => {
    const samples = [
      { atMs: -5 * HOUR_MS, tempC: 40 },
      { atMs: -HOUR_MS, tempC: 31 },
    ];
    expect(days(0, 5 * HOUR_MS, samples)).toBeCloseTo((2 * 5) / 24, 12);
  });
  test('it adds up: any cut of the span gives the same total, and none is more than was measured', () => {
    const sample = fc.record({
      atMs: fc.integer({ min: 0, max: 20 * DAY_MS }),
      tempC: fc.double({ min: 5, max: 35, noNaN: true }),
    });
    fc.assert(
      fc.property(fc.array(sample, { maxLength: 30 }), fc.integer({ min: 0, max: 20 * DAY_MS }), (unsorted, cut) => {
        const samples = [...unsorted].sort((a, b) => a.atMs - b.atMs);
        const whole = equivalentTime(0, 20 * DAY_MS, samples);
        const [before, after] = [equivalentTime(0, cut, samples), equivalentTime(cut, 20 * DAY_MS, samples)];
        expect(before.days + after.days).toBeCloseTo(whole.days, 6);
        expect(before.silentMs + after.silentMs).toBeCloseTo(whole.silentMs, 3);
        expect(whole.days).toBeLessThanOrEqual(((20 * DAY_MS - whole.silentMs) / DAY_MS) * cureRate(35) + 1e-9);
      }),
    );
  });
  test('a span that ends before it begins is refused', () => {
    expect(() => equivalentTime(1, 0, [])).toThrow(RangeError);
  });
  test('a room’s pace is the mean of its hours’ rates, which warm afternoons lift', () => {
    const swinging = hourly(0, 14 * DAY_MS, (atMs) => 21 + 8 * Math.sin((atMs / DAY_MS) * 2 * Math.PI));
    const rate = cureRateLately(14 * DAY_MS, swinging) ?? 0;
    // The mean of 2^(0.8 sin x) over a turn is the modified Bessel function I0(0.8 ln 2) = 1.0784.
    expect(rate).toBeCloseTo(1.0784, 3);
    expect(cureRateLately(0, [])).toBeUndefined();
  });
});

describe('film', () => {
  test('dry film is wet film by volume solids', () => {
    expect(dryFilmUm(105, 0.24)).toBeCloseTo(25.2, 12);
    expect(() => dryFilmUm(0, 0.24)).toThrow(RangeError);
    expect(() => dryFilmUm(100, 1.2)).toThrow(RangeError);
  });
  test.each([
    [74.9, 'thin'],
    [75, 'in window'],
    [150, 'in window'],
    [150.1, 'thick'],
  ])('a build of %f µm in 75–150 is %s', (dryUm, verdict) => {
    expect(judgeBuild(dryUm, { buildLowUm: 75, buildHighUm: 150 })).toBe(verdict);
  });
  test('litres follow area, film and what reaches the work', () => {
    expect(coatLitres(0.8, 100, 0.65)).toBeCloseTo(0.1231, 4);
  });
});
