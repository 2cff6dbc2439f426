import { describe, expect, test } from '@jest/globals';
import { DAY_MS, HOUR_MS } from '../units/index.ts';
import { meanEmcPct, ORDINARY_EMC_PCT, shopAir, shopAirInWords, type EmcTrace } from './index.ts';

const NOW = Date.parse('2026-03-10T07:10:00Z');
/** One value a day, the latest first. */
function trace(days: readonly number[], gaps: EmcTrace['gaps'] = []): EmcTrace {
  const hours = [...days].reverse().flatMap((pct) => Array.from({ length: 24 }, () => pct));
  return { fromMs: NOW - days.length * DAY_MS, stepMs: HOUR_MS, emcPct: Float64Array.from(hours), gaps };
}
const repeat = (pct: number, days: number) => Array.from({ length: days }, () => pct);

describe('what a shop’s air tends to', () => {
  test('a fortnight with a humidifier that ran on does not move it; a fortnight’s mean would follow', () => {
    const air = trace([...repeat(10.4, 14), ...repeat(8.3, 46)]);
    expect(shopAir(air, NOW)).toEqual({ emcPct: expect.closeTo(8.3, 9), days: 46, strayed: 14, fromMs: NOW - 60 * DAY_MS });
    expect(meanEmcPct(air, NOW - 14 * DAY_MS, NOW)).toBeCloseTo(10.4, 9);
  });
  test('nor does a dry week, nor both', () => {
    expect(shopAir(trace([...repeat(5.9, 7), ...repeat(8.3, 33), ...repeat(10.4, 20)]), NOW)).toMatchObject({
      emcPct: expect.closeTo(8.3, 9),
      strayed: 27,
    });
  });
  test('a season that turns slowly is followed', () => {
    const season = Array.from({ length: 60 }, (_, day) => 8 + day * 0.02);
    expect(shopAir(trace(season), NOW)).toMatchObject({ emcPct: expect.closeTo(8.59, 2), strayed: 0, days: 60 });
  });
  test('what lies further back than sixty days is forgotten', () => {
    expect(shopAir(trace([...repeat(8, 60), ...repeat(12, 300)]), NOW)).toMatchObject({
      emcPct: expect.closeTo(8, 9),
      days: 60,
      strayed: 0,
    });
  });
  test('a room that was changed for good is believed when most of its days say so', () => {
    expect(shopAir(trace([...repeat(7, 31), ...repeat(9.5, 29)]), NOW).emcPct).toBe(7);
    expect(shopAir(trace([...repeat(7, 29), ...repeat(9.5, 31)]), NOW).emcPct).toBe(9.5);
  });
  test('days of a silent sensor say nothing', () => {
    const silence = { fromMs: NOW - 10 * DAY_MS, toMs: NOW - 2.4 * DAY_MS };
    expect(shopAir(trace([...repeat(8, 2), ...repeat(11, 8), ...repeat(8.2, 20)], [silence]), NOW)).toMatchObject({ days: 22, strayed: 0 });
  });
  test('where nothing was measured ordinary shop air is taken, and that is said', () => {
    for (const nothing of [shopAir(undefined, NOW), shopAir(trace(repeat(8, 1), [{ fromMs: 0, toMs: NOW }]), NOW)]) {
      expect(nothing).toEqual({ emcPct: ORDINARY_EMC_PCT, days: 0, strayed: 0, fromMs: NOW });
      expect(shopAirInWords(nothing)).toBe('nothing was measured: ordinary shop air');
    }
  });
  test('halves far apart have no middle: all days count', () => {
    expect(shopAir(trace([...repeat(6, 5), ...repeat(12, 5)]), NOW)).toMatchObject({ emcPct: 9, days: 10, strayed: 0 });
  });
  test('in words', () => {
    const air = { emcPct: 8, fromMs: 0 };
    expect(shopAirInWords({ ...air, days: 46, strayed: 14 })).toBe('the median of 46 days, 14 left out that strayed by more than 1 point');
    expect(shopAirInWords({ ...air, days: 60, strayed: 0 })).toBe('the median of 60 days');
    expect(shopAirInWords({ ...air, days: 1, strayed: 0 })).toBe('one day’s mean');
  });
});
