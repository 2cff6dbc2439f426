import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { IMPERIAL, inUnits, METRIC, type UnitChoice } from '../units/index.ts';
import { AIR_COUNTS_MS, boothObjections, dewPointC, equilibriumMoisturePct, sprayObjections } from './air.ts';

describe('equilibrium moisture', () => {
  test.each([
    [21.1, 0.5, 9.2],
    [21.1, 0.65, 12.0],
    [10, 0.8, 16.4],
    [43.3, 0.3, 5.6],
  ])('at %f °C and %f it is the Wood Handbook’s %f', (tempC, rh, expected) => {
    expect(equilibriumMoisturePct(tempC, rh)).toBeCloseTo(expected, 1);
  });
  test('rises with humidity at any temperature of a shop', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 50, noNaN: true }), fc.double({ min: 0.02, max: 0.97, noNaN: true }), (tempC, rh) => {
        expect(equilibriumMoisturePct(tempC, rh + 0.02)).toBeGreaterThan(equilibriumMoisturePct(tempC, rh));
      }),
    );
  });
  test.each([
    [-11, 0.5],
    [101, 0.5],
    [20, 45],
    [20, -0.1],
    [NaN, 0.5],
  ])('refuses %f °C and %f', (tempC, rh) => {
    expect(() => equilibriumMoisturePct(tempC, rh)).toThrow(RangeError);
  });
});

describe('dew point', () => {
  test.each([
    [21, 0.5, 10.2],
    [25, 0.7, 19.1],
  ])('at %f °C and %f it is %f °C', (tempC, rh, expected) => {
    expect(dewPointC(tempC, rh)).toBeCloseTo(expected, 1);
  });
  test('is the air’s own temperature when saturated, and never above it', () => {
    expect(dewPointC(18, 1)).toBeCloseTo(18, 9);
    fc.assert(
      fc.property(fc.double({ min: -20, max: 50, noNaN: true }), fc.double({ min: 0.05, max: 1, noNaN: true }), (tempC, rh) => {
        expect(dewPointC(tempC, rh)).toBeLessThanOrEqual(tempC + 1e-9);
      }),
    );
  });
});

describe('spray window', () => {
  test('ordinary shop air may be sprayed in', () => {
    expect(sprayObjections(21, 0.5)).toEqual([]);
  });
  test('a cold surface is named with its margin', () => {
    const told = (units: UnitChoice, ...booth: [number, number, undefined, number]) =>
      sprayObjections(...booth).map((s) => inUnits(s, units));
    expect(told(METRIC, 25, 0.6, undefined, 18)).toEqual(['Surface is 1.3 °C above dew point; spraying needs 3 °C']);
    // Told in °F a difference stays one.
    expect(told(IMPERIAL, 25, 0.6, undefined, 18)).toEqual(['Surface is 2.3 °F above dew point; spraying needs 5.4 °F']);
    expect(told(IMPERIAL, 30, 0.5, undefined, 30)).toEqual(['Booth is 86.0 °F; the sheet allows 80.6 °F']);
  });
  test('every limit that is crossed is named', () => {
    expect(sprayObjections(16, 0.3)).toHaveLength(2);
    expect(sprayObjections(29, 0.7)).toHaveLength(2);
  });
  test('a booth that was measured too long ago is not known to be fit, however fit it was then', () => {
    const fit = { atMs: 1000, tempC: 21, relativeHumidity: 0.5 };
    expect(boothObjections(fit, 1000 + AIR_COUNTS_MS)).toEqual([]);
    expect(boothObjections(fit, 1001 + AIR_COUNTS_MS)).toEqual(['The booth was last measured 1 h 31 min ago']);
    expect(boothObjections({ ...fit, tempC: 16 }, 2000)).toEqual(sprayObjections(16, 0.5));
  });
});
