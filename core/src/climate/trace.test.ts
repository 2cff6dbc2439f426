import { describe, expect, test } from '@jest/globals';
import { DAY_MS, HOUR_MS } from '../units/index.ts';
import { emcAt, emcDriftPct, emcTrace, equilibriumMoisturePct, findExcursions, meanEmcPct, type EmcTrace } from './index.ts';

const sample = (hours: number, relativeHumidity: number) => ({ atMs: hours * HOUR_MS, tempC: 21, relativeHumidity });
const trace = (emc: readonly number[]): EmcTrace => ({ fromMs: 0, stepMs: HOUR_MS, emcPct: Float64Array.from(emc), gaps: [] });
const BAND = { low: 7.5, high: 9.5 };

describe('a trace', () => {
  test('takes irregular samples to the means of even hours by straight lines', () => {
    const made = emcTrace([sample(0, 0.4), sample(1.5, 0.4), sample(4, 0.5)], 0, 4 * HOUR_MS);
    const [dry, damp] = [equilibriumMoisturePct(21, 0.4), equilibriumMoisturePct(21, 0.5)];
    expect([...made.emcPct].map((e) => Number(e.toFixed(6)))).toEqual(
      [dry, dry + (damp - dry) * 0.05, dry + (damp - dry) * 0.4, dry + (damp - dry) * 0.8].map((e) => Number(e.toFixed(6))),
    );
    expect(made.gaps).toEqual([]);
  });
  test('means an hour of ten-minute samples over the hour, not at its middle', () => {
    const every = [0.4, 0.4, 0.4, 0.6, 0.4, 0.4, 0.4].map((rh, i) => sample(i / 6, rh));
    const [dry, damp] = [equilibriumMoisturePct(21, 0.4), equilibriumMoisturePct(21, 0.6)];
    expect(emcTrace(every, 0, HOUR_MS).emcPct[0]).toBeCloseTo(dry + (damp - dry) / 6, 9);
  });
  test('goes on in frost, at the coldest that the formula knows', () => {
    const frost = [-25, -10].map((tempC) => emcTrace([{ atMs: 0, tempC, relativeHumidity: 0.8 }], 0, HOUR_MS).emcPct[0]);
    expect(frost[0]).toBe(frost[1]);
    expect(() => equilibriumMoisturePct(-25, 0.8)).toThrow(RangeError);
  });
  test('keeps the nearest sample beyond the first and the last, and tells the silence', () => {
    const made = emcTrace([sample(10, 0.4), sample(20, 0.4)], 0, 40 * HOUR_MS);
    expect(new Set(made.emcPct).size).toBe(1);
    expect(made.gaps).toEqual([
      { fromMs: 0, toMs: 10 * HOUR_MS },
      { fromMs: 10 * HOUR_MS, toMs: 20 * HOUR_MS },
      { fromMs: 20 * HOUR_MS, toMs: 40 * HOUR_MS },
    ]);
  });
  test('has a mean of any part, and the nearest value where there is none', () => {
    const steps = trace([6, 8, 10, 12]);
    expect(meanEmcPct(steps, HOUR_MS, 3 * HOUR_MS)).toBe(9);
    expect(meanEmcPct(steps, 9 * HOUR_MS, 12 * HOUR_MS)).toBe(12);
    expect([emcAt(steps, -5), emcAt(steps, 2.5 * HOUR_MS), emcAt(steps, DAY_MS)]).toEqual([6, 10, 12]);
  });
  test('tells how far a month strays from the fortnight before it', () => {
    expect(emcDriftPct(trace(Array.from({ length: 200 * 24 }, () => 8)), 14 * DAY_MS, 30 * DAY_MS)).toBe(0);
    // A steady rise of 0.01 a day: the month's middle lies 22 days after the fortnight's.
    const rising = trace(Array.from({ length: 200 * 24 }, (_, i) => 8 + (0.01 * i) / 24));
    expect(emcDriftPct(rising, 14 * DAY_MS, 30 * DAY_MS)).toBeCloseTo(0.22, 6);
    expect(emcDriftPct(trace([8, 8]), 14 * DAY_MS, 30 * DAY_MS, { otherwise: 0.4 })).toBe(0.4);
  });
});

describe('excursions', () => {
  test.each([
    ['two hours out are forgiven', [8, 9.6, 9.6, 8], []],
    ['three are told', [8, 9.6, 9.9, 9.6, 8], [{ kind: 'too wet', fromMs: HOUR_MS, toMs: 4 * HOUR_MS, worstPct: 9.9 }]],
    ['one that lasts', [8, 7, 6.5, 7], [{ kind: 'too dry', fromMs: HOUR_MS, toMs: 4 * HOUR_MS, worstPct: 6.5 }]],
    ['the edges of the band are in it', [7.5, 7.5, 7.5, 7.5, 9.5, 9.5, 9.5], []],
  ])('%s', (_, emc, found) => {
    expect(findExcursions(trace(emc), BAND)).toEqual(found);
  });
  test('from dry straight to wet are two', () => {
    expect(findExcursions(trace([6, 6, 6, 11, 11, 11]), BAND).map((e) => e.kind)).toEqual(['too dry', 'too wet']);
  });
});
