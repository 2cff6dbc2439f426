import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { cureRate, cureReadyMs, DEFAULT_CURE_LAW, equivalentDays } from '../climate/index.ts';
import { DAY_MS, HOUR_MS } from '../units/index.ts';
import { coatLitres, dryFilmUm, judgeBuild } from './index.ts';

const steady = (tempC: number) => [{ atMs: 0, tempC }];

describe('equivalent cure time', () => {
  test('a day at the reference counts as a day, ten degrees more as two, ten less as half', () => {
    expect(equivalentDays(0, DAY_MS, steady(21))).toBeCloseTo(1, 12);
    expect(equivalentDays(0, DAY_MS, steady(31))).toBeCloseTo(2, 12);
    expect(equivalentDays(0, DAY_MS, steady(11))).toBeCloseTo(0.5, 12);
  });
  test('below the material’s minimum nothing counts', () => {
    expect(cureRate(9.99)).toBe(0);
    expect(equivalentDays(0, 10 * DAY_MS, steady(5))).toBe(0);
  });
  test('without a sensor the reference temperature is assumed', () => {
    expect(equivalentDays(0, 3 * DAY_MS, [])).toBeCloseTo(3, 12);
  });
  test('a sample holds until the next one', () => {
    const samples = [
      { atMs: 0, tempC: 21 },
      { atMs: 12 * HOUR_MS, tempC: 31 },
    ];
    expect(equivalentDays(0, DAY_MS, samples)).toBeCloseTo(0.5 + 1, 12);
  });
  test('samples from before the cure set its first temperature', () => {
    const samples = [
      { atMs: -5 * HOUR_MS, tempC: 40 },
      { atMs: -HOUR_MS, tempC: 31 },
    ];
    expect(equivalentDays(0, DAY_MS, samples)).toBeCloseTo(2, 12);
  });
  test('it adds up: any cut of the span gives the same total', () => {
    const sample = fc.record({
      atMs: fc.integer({ min: 0, max: 20 * DAY_MS }),
      tempC: fc.double({ min: 5, max: 35, noNaN: true }),
    });
    fc.assert(
      fc.property(fc.array(sample, { maxLength: 30 }), fc.integer({ min: 0, max: 20 * DAY_MS }), (unsorted, cut) => {
        const samples = [...unsorted].sort((a, b) => a.atMs - b.atMs);
        const whole = equivalentDays(0, 20 * DAY_MS, samples);
        expect(equivalentDays(0, cut, samples) + equivalentDays(cut, 20 * DAY_MS, samples)).toBeCloseTo(whole, 6);
      }),
    );
  });
  test('a span that ends before it begins is refused', () => {
    expect(() => equivalentDays(1, 0, [])).toThrow(RangeError);
  });
  test('what is left is told at the room’s own pace', () => {
    expect(cureReadyMs(0, 10, 14, 21)).toBeCloseTo(4 * DAY_MS, 3);
    expect(cureReadyMs(0, 10, 14, 11)).toBeCloseTo(8 * DAY_MS, 3);
    expect(cureReadyMs(7, 14, 14, 21)).toBe(7);
    expect(cureReadyMs(0, 10, 14, 4, DEFAULT_CURE_LAW)).toBeUndefined();
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
