import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  boardFeet,
  boardFeetToM3,
  celsiusToFahrenheit,
  DAY_MS,
  fahrenheitToCelsius,
  formatDuration,
  fitScale,
  formatFit,
  formatLength,
  formatLumber,
  formatMass,
  formatTemperature,
  formatTemperatureDifference,
  gToOunce,
  HOUR_MS,
  IMPERIAL,
  inchFractions,
  inchToMm,
  lengthIn,
  m3ToBoardFeet,
  METRIC,
  MINUTE_MS,
  mmToInch,
  ounceToG,
} from './index.ts';

describe('conversions', () => {
  test('hand-worked values', () => {
    expect(inchToMm(1)).toBe(25.4);
    expect(ounceToG(16)).toBeCloseTo(453.592, 3);
    expect(celsiusToFahrenheit(100)).toBe(212);
    expect(celsiusToFahrenheit(-40)).toBe(-40);
    expect(boardFeetToM3(1000)).toBeCloseTo(2.359737, 6);
  });
  test('a board of 4/4, 6 in by 8 ft holds 4 board feet, and as many in m³', () => {
    expect(boardFeet(1, 6, 8)).toBe(4);
    expect(boardFeet(2, 6, 8)).toBe(8);
    const m3 = (inchToMm(1) * inchToMm(6) * inchToMm(96)) / 1e9;
    expect(m3ToBoardFeet(m3)).toBeCloseTo(4, 5);
  });
  test.each([
    ['length', inchToMm, mmToInch],
    ['mass', ounceToG, gToOunce],
    ['temperature', fahrenheitToCelsius, celsiusToFahrenheit],
    ['lumber', boardFeetToM3, m3ToBoardFeet],
  ])('%s there and back is the same', (_, there, back) => {
    fc.assert(
      fc.property(fc.double({ min: -1e4, max: 1e4, noNaN: true }), (value) => {
        expect(back(there(value))).toBeCloseTo(value, 6);
      }),
    );
  });
});

describe('what a person reads', () => {
  test('lengths without idle zeros', () => {
    expect(formatLength(56.1, METRIC)).toBe('56.1 mm');
    expect(formatLength(56, METRIC)).toBe('56 mm');
    expect(formatLength(25.4, IMPERIAL)).toBe('1 in');
    expect(formatLength(2, IMPERIAL)).toBe('0.079 in');
  });
  test('weights in grams, or pounds and ounces', () => {
    expect(formatMass(3401.9, METRIC)).toBe('3402 g');
    expect(formatMass(ounceToG(7 * 16 + 8), IMPERIAL)).toBe('7 lb 8.0 oz');
  });
  test('temperature and lumber', () => {
    expect(formatTemperature(21, METRIC)).toBe('21.0 °C');
    expect(formatTemperature(21, IMPERIAL)).toBe('69.8 °F');
    expect(formatLumber(0.5, METRIC)).toBe('0.500 m³');
    expect(formatLumber(boardFeetToM3(212), IMPERIAL)).toBe('212 bf');
  });
});

describe('a length of time', () => {
  test.each([
    [0, '0 min'],
    [-5 * HOUR_MS, '0 min'],
    [1, '1 min'],
    [23 * MINUTE_MS, '23 min'],
    [59 * MINUTE_MS + 1, '1 h'],
    [HOUR_MS, '1 h'],
    [5 * HOUR_MS + 10 * MINUTE_MS, '5 h 10 min'],
    [DAY_MS, '1 d'],
    [3 * DAY_MS + 4 * HOUR_MS, '3 d 4 h'],
  ])('%d ms is %s', (ms, words) => {
    expect(formatDuration(ms)).toBe(words);
  });
  test('is never told shorter than it is by more than the hours it leaves out', () => {
    const back = (words: string) =>
      [...words.matchAll(/(\d+) (min|h|d)/g)].reduce(
        (sum, [, n, unit]) => sum + Number(n) * { min: MINUTE_MS, h: HOUR_MS, d: DAY_MS }[unit as 'min'],
        0,
      );
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 400 * DAY_MS }), (ms) => {
        const told = back(formatDuration(ms));
        if (ms <= DAY_MS - MINUTE_MS) expect(told).toBeGreaterThanOrEqual(ms);
        expect(Math.abs(told - ms)).toBeLessThan(ms < DAY_MS - MINUTE_MS ? MINUTE_MS : HOUR_MS);
      }),
    );
  });
});

describe('what the trade says in inches', () => {
  test.each([
    [50, '1 31/32'],
    [45, '1 25/32'],
    [25.4, '1'],
    [27, '1 1/16'],
    [19.05, '3/4'],
    [645, '25 13/32'],
    [25.3, '1'],
    [0, '0'],
    [-50, '-1 31/32'],
  ])('%s mm', (mm, said) => {
    expect(inchFractions(mm)).toBe(said);
  });
  test('wood in fractions, what is thin in decimals, a joint finer still', () => {
    expect(formatLength(50, IMPERIAL)).toBe('1 31/32 in');
    expect(lengthIn(2.5, IMPERIAL)).toBe('0.098');
    expect(lengthIn(1050, METRIC)).toBe('1050');
    expect(formatFit(0.12, METRIC)).toBe('0.12 mm');
    expect(formatFit(0.12, IMPERIAL)).toBe('0.0047 in');
    expect(fitScale(IMPERIAL).of(25.4)).toBe(1);
  });
  test('is never further from the length than half of a 32nd', () => {
    fc.assert(
      fc.property(fc.double({ min: 6, max: 3000, noNaN: true }), (mm) => {
        const [whole = '0', fraction] = inchFractions(mm).includes('/') ? inchFractions(mm).split(' ').slice(-2) : [inchFractions(mm)];
        const parts = fraction ?? (whole.includes('/') ? whole : '0/1');
        const [top = 0, bottom = 1] = parts.split('/').map(Number);
        const inches = (whole.includes('/') ? 0 : Number(whole)) + top / bottom;
        expect(Math.abs(inches - mmToInch(mm))).toBeLessThanOrEqual(1 / 64 + 1e-9);
      }),
    );
  });
  test('a difference of temperatures is one: three degrees warmer are 5.4 °F, not 37.4', () => {
    expect(formatTemperatureDifference(3, IMPERIAL)).toBe('5.4 °F');
    expect(formatTemperatureDifference(3, METRIC)).toBe('3 °C');
    expect(formatTemperatureDifference(-0.5, IMPERIAL)).toBe('-0.9 °F');
  });
});
