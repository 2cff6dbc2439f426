import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { emcTrace, type EmcTrace } from '../climate/index.ts';
import { approach, mean, quantile, seededRandom } from '../maths/index.ts';
import { aLot, aRoom } from '../test/dryingLots.ts';
import { DAY_MS, HOUR_MS } from '../units/index.ts';
import { fitDrying, moistureAt, ODD_WEIGHT, PRIOR_LOG_SD, sessionErrorPct, type SessionMean } from './dryingFit.ts';
import { forecastLot } from './dryingForecast.ts';
import { emcDriftPct, meanEmcPct } from '../climate/index.ts';

const PRIOR = { ratePerDay: 0.03, logSd: PRIOR_LOG_SD };

const steady = (emc: number, days: number): EmcTrace => ({
  fromMs: 0,
  stepMs: HOUR_MS,
  emcPct: new Float64Array(days * 24).fill(emc),
  gaps: [],
});

const sessionsOf = (start: number, rate: number, emc: number, days: readonly number[]): SessionMean[] =>
  days.map((day) => ({ atMs: day * DAY_MS, meanPct: approach(start, emc, rate, day), errorPct: 0.15 }));

describe('the curve', () => {
  test('is the closed form in a steady climate', () => {
    const fit = fitDrying(sessionsOf(16, 0.03, 8.5, [0]), steady(8.5, 200), PRIOR);
    for (const day of [0.3, 1, 7.77, 60, 199.5])
      expect(moistureAt(fit, steady(8.5, 200), [day * DAY_MS])[0]?.meanPct).toBeCloseTo(approach(16, 8.5, 0.03, day), 9);
  });
  test('goes through each hour of a changing one', () => {
    const trace = { ...steady(8, 10), emcPct: Float64Array.from({ length: 240 }, (_, i) => 7 + (i % 24) / 8) };
    const fit = fitDrying([{ atMs: 0, meanPct: 14, errorPct: 0.1 }], trace, PRIOR);
    let m = 14;
    trace.emcPct.forEach((emc) => (m = approach(m, emc, 0.03, 1 / 24)));
    expect(moistureAt(fit, trace, [10 * DAY_MS])[0]?.meanPct).toBeCloseTo(m, 9);
  });
  test('is the same however often it is asked on the way', () => {
    const trace = aRoom(seededRandom(3), 120);
    const fit = fitDrying(aLot(seededRandom(4), trace, PRIOR, 15, 9, 60).sessions, trace, PRIOR);
    const [straight] = moistureAt(fit, trace, [100.123 * DAY_MS]);
    const onTheWay = moistureAt(
      fit,
      trace,
      [11.7, 30, 30.02, 99, 100.123].map((d) => d * DAY_MS),
    ).at(-1);
    expect(onTheWay?.meanPct).toBeCloseTo(straight?.meanPct ?? 0, 9);
    expect(onTheWay?.perLogRate).toBeCloseTo(straight?.perLogRate ?? 0, 9);
  });
  test('has the derivatives it claims', () => {
    const trace = aRoom(seededRandom(8), 100);
    const days = [50 * DAY_MS];
    const fit = fitDrying(sessionsOf(15, 0.03, 8.5, [0]), trace, PRIOR);
    const [here] = moistureAt(fit, trace, days);
    const h = 1e-4;
    const [wetter] = moistureAt({ ...fit, startPct: 15 + h }, trace, days);
    const [faster] = moistureAt({ ...fit, ratePerDay: 0.03 * Math.exp(h) }, trace, days);
    expect(here?.perStart).toBeCloseTo(((wetter?.meanPct ?? 0) - (here?.meanPct ?? 0)) / h, 5);
    expect(here?.perLogRate).toBeCloseTo(((faster?.meanPct ?? 0) - (here?.meanPct ?? 0)) / h, 3);
  });
});

describe('the fit', () => {
  test('finds start and rate of readings without error', () => {
    const days = [0, 7, 14, 28, 42, 60, 80];
    const fit = fitDrying(sessionsOf(18, 0.05, 8.2, days), steady(8.2, 100), { ratePerDay: 0.03, logSd: 3 });
    expect(fit.startPct).toBeCloseTo(18, 2);
    expect(fit.ratePerDay).toBeCloseTo(0.05, 4);
    expect(fit.basis).toBe('measured');
    expect(fit.scatter).toBeLessThan(0.05);
  });
  test('does not depend on when the clock began', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 20 * 365 }), fc.integer({ min: 1, max: 1000 }), (shiftDays, seed) => {
        const trace = aRoom(seededRandom(seed), 90);
        const { sessions } = aLot(seededRandom(seed + 1), trace, PRIOR, 14, 10, 80);
        const here = fitDrying(sessions, trace, PRIOR);
        const shift = shiftDays * DAY_MS;
        const there = fitDrying(
          sessions.map((s) => ({ ...s, atMs: s.atMs + shift })),
          { ...trace, fromMs: trace.fromMs + shift },
          PRIOR,
        );
        expect(there.ratePerDay).toBeCloseTo(here.ratePerDay, 9);
      }),
      { numRuns: 40 },
    );
  });
  test('keeps to the prior before three sessions, and blends it in after', () => {
    const trace = steady(8.5, 200);
    const faster = [0, 10, 20, 40, 60, 80].map((d) => d);
    const fit = (n: number) => fitDrying(sessionsOf(16, 0.06, 8.5, faster.slice(0, n)), trace, PRIOR);
    expect(fit(1)).toMatchObject({ basis: 'prior' });
    expect(fit(2).ratePerDay).toBeCloseTo(0.03, 9);
    expect(fit(2).covariance.logRate).toBeCloseTo(PRIOR_LOG_SD ** 2, 9);
    expect(fit(3).ratePerDay).toBeGreaterThan(0.04);
    const sure = [3, 4, 5, 6].map((n) => fit(n).covariance.logRate);
    expect(sure).toEqual([...sure].sort((a, b) => b - a));
    expect(fit(6).basis).toBe('measured');
  });
  test('is not led astray by one bad session, and says which it is', () => {
    const trace = steady(8.5, 200);
    const good = sessionsOf(16, 0.03, 8.5, [0, 10, 20, 30, 45, 60, 75, 90]);
    const bad = good.map((s, i) => (i === 4 ? { ...s, meanPct: s.meanPct + 3 } : s));
    const fit = fitDrying(bad, trace, PRIOR);
    expect(Math.abs(fit.ratePerDay / 0.03 - 1)).toBeLessThan(0.05);
    expect(fit.weights.map((w, i) => (w < ODD_WEIGHT ? i : -1)).filter((i) => i >= 0)).toEqual([4]);
    expect(fit.scatter).toBeGreaterThan(1.5);
  });
  test('needs a session', () => {
    expect(() => fitDrying([], steady(8, 10), PRIOR)).toThrow(RangeError);
  });
  test('of wood that lay in its equilibrium learns nothing of the rate, and says so', () => {
    const fit = fitDrying(sessionsOf(8.5, 0.03, 8.5, [0, 20, 40, 60]), steady(8.5, 100), PRIOR);
    expect(fit.ratePerDay).toBeCloseTo(0.03, 3);
    expect(Math.sqrt(fit.covariance.logRate)).toBeCloseTo(PRIOR_LOG_SD, 2);
    expect(fit.basis).toBe('blended');
  });
  test('of lots read weekly from 22 % finds k within 5 %, through a changing climate', () => {
    const errors = Array.from({ length: 60 }, (_, i) => {
      const random = seededRandom(100 + i);
      const trace = aRoom(random, 150);
      const lot = aLot(random, trace, PRIOR, 22, 7, 120);
      return fitDrying(lot.sessions, trace, PRIOR).ratePerDay / lot.ratePerDay - 1;
    });
    expect(Math.abs(mean(errors))).toBeLessThan(0.01);
    expect(quantile(errors.map(Math.abs), 0.95)).toBeLessThan(0.05);
  });
});

describe('a session’s error', () => {
  test('shrinks with readings, but not below what every session has', () => {
    expect(sessionErrorPct([9])).toBeCloseTo(Math.hypot(0.12, 0.3), 9);
    expect(sessionErrorPct(Array.from({ length: 400 }, () => 9))).toBeCloseTo(Math.hypot(0.12, 0.015), 9);
    expect(sessionErrorPct([8, 10])).toBeGreaterThan(sessionErrorPct([8.9, 9.1]));
  });
});

describe('the 80 % interval', () => {
  test('holds the true date for 75 to 85 % of 500 lots', () => {
    const MARGIN = 1;
    const rooms = Array.from({ length: 20 }, (_, i) => aRoom(seededRandom(900 + i), 600));
    let held = 0;
    let lots = 0;
    for (let i = 0; lots < 500; i++) {
      const random = seededRandom(5000 + i);
      const trace = random.pick(rooms);
      const untilDays = random.integer(280, 340);
      const nowMs = untilDays * DAY_MS;
      const known = emcTraceUntil(trace, nowMs);
      const room = meanEmcPct(known, nowMs - 14 * DAY_MS, nowMs);
      const band = { low: room - MARGIN, high: room + MARGIN };
      const read = random.integer(20, 60);
      // The lot came in `read` days ago, at 15 %.
      const from = untilDays - read;
      const tail = { ...trace, fromMs: 0, emcPct: trace.emcPct.slice(from * 24, (from + 250) * 24) };
      const lot = aLot(random, tail, PRIOR, 15, random.integer(5, 12), read);
      const sessions = lot.sessions.map((s) => ({ ...s, atMs: s.atMs + from * DAY_MS }));
      const entered = lot.curve.findIndex((m) => m <= band.high);
      if (entered <= read * 24 || entered < 0) continue;
      lots++;
      const outlook = forecastLot(fitDrying(sessions, known, PRIOR), known, {
        nowMs,
        band,
        ahead: { emcPct: room, driftPct: emcDriftPct(known, 14 * DAY_MS, 30 * DAY_MS) },
        pieceSdPct: 0.4,
      });
      const truthMs = (from * 24 + entered + 1) * HOUR_MS;
      const { earlyMs, lateMs } = outlook.ready;
      if ((earlyMs ?? Infinity) <= truthMs && truthMs <= (lateMs ?? Infinity)) held++;
    }
    expect(held / 500).toBeGreaterThanOrEqual(0.75);
    expect(held / 500).toBeLessThanOrEqual(0.85);
  });
});

function emcTraceUntil(trace: EmcTrace, untilMs: number): EmcTrace {
  return { ...trace, emcPct: trace.emcPct.slice(0, Math.floor((untilMs - trace.fromMs) / trace.stepMs)) };
}

test('a trace without samples is ordinary air, and all of it a gap', () => {
  expect(emcTrace([], 0, DAY_MS)).toMatchObject({ gaps: [{ fromMs: 0, toMs: DAY_MS }] });
});
