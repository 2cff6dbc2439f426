import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { emcTrace, seasonOf, type EmcTrace } from '../climate/index.ts';
import { approach, mean, quantile, seededRandom } from '../maths/index.ts';
import { aHeatedRoom, aLot, aRoom, slabCurve } from '../test/dryingLots.ts';
import { DAY_MS, HOUR_MS } from '../units/index.ts';
import { dryingPrior, fitDrying, moistureAt, ODD_WEIGHT, PRIOR_LOG_SD, sessionErrorPct, type SessionMean } from './dryingFit.ts';
import { climateAhead, forecastLot } from './dryingForecast.ts';
import { SPECIES, speciesIn } from './species.ts';

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
    const fit = { ...fitDrying(sessionsOf(16, 0.03, 8.5, [0]), steady(8.5, 200), PRIOR), slab: 0 };
    for (const day of [0.3, 1, 7.77, 60, 199.5])
      expect(moistureAt(fit, steady(8.5, 200), [day * DAY_MS])[0]?.meanPct).toBeCloseTo(approach(16, 8.5, 0.03, day), 9);
  });
  test('goes through each hour of a changing one', () => {
    const trace = { ...steady(8, 10), emcPct: Float64Array.from({ length: 240 }, (_, i) => 7 + (i % 24) / 8) };
    const fit = { ...fitDrying([{ atMs: 0, meanPct: 14, errorPct: 0.1 }], trace, PRIOR), slab: 0 };
    let m = 14;
    trace.emcPct.forEach((emc) => (m = approach(m, emc, 0.03, 1 / 24)));
    expect(moistureAt(fit, trace, [10 * DAY_MS])[0]?.meanPct).toBeCloseTo(m, 9);
  });
  test('of a slab is that of diffusion, by finite differences', () => {
    const trace = aRoom(seededRandom(5), 100);
    const fit = { ...fitDrying([{ atMs: 0, meanPct: 14, errorPct: 0.1 }], trace, PRIOR), slab: 1 };
    const diffused = slabCurve(14, 0.03, trace);
    for (const day of [1, 3, 10, 30, 90])
      expect(Math.abs((moistureAt(fit, trace, [day * DAY_MS])[0]?.meanPct ?? 0) - (diffused[day * 24 - 1] ?? 0))).toBeLessThan(0.06);
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
    const [slab] = moistureAt({ ...fit, slab: fit.slab + h }, trace, days);
    expect(here?.perSlab).toBeCloseTo(((slab?.meanPct ?? 0) - (here?.meanPct ?? 0)) / h, 5);
  });
});

describe('the fit', () => {
  test('finds start and rate of readings without error', () => {
    const days = [0, 7, 14, 28, 42, 60, 80];
    const fit = fitDrying(sessionsOf(18, 0.05, 8.2, days), steady(8.2, 100), { ratePerDay: 0.03, logSd: 3 });
    // That it may dry like a slab is believed a little, whatever it is told.
    expect(fit.startPct).toBeCloseTo(18, 1);
    expect(Math.abs(fit.ratePerDay / 0.05 - 1)).toBeLessThan(0.02);
    expect(fit.basis).toBe('measured');
    // Readings that are better than they promise scatter far less than that.
    expect(fit.scatter).toBeLessThan(0.3);
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
  test('keeps to the prior after one session, and blends it in from the second on', () => {
    const trace = steady(8.5, 200);
    const faster = [0, 10, 20, 40, 60, 80].map((d) => d);
    const fit = (n: number) => fitDrying(sessionsOf(16, 0.06, 8.5, faster.slice(0, n)), trace, PRIOR);
    expect(fit(1)).toMatchObject({ basis: 'prior' });
    expect(fit(1).ratePerDay).toBeCloseTo(0.03, 9);
    expect(fit(1).covariance[1][1]).toBeCloseTo(PRIOR_LOG_SD ** 2, 9);
    expect(fit(2).ratePerDay).toBeGreaterThan(0.04);
    const sure = [2, 3, 4, 5, 6].map((n) => fit(n).covariance[1][1]);
    expect(sure).toEqual([...sure].sort((a, b) => b - a));
    expect(fit(6).basis).toBe('measured');
  });
  test('is not led astray by one bad session, and says which it is', () => {
    const trace = steady(8.5, 200);
    const good = sessionsOf(16, 0.03, 8.5, [0, 10, 20, 30, 45, 60, 75, 90]);
    const bad = good.map((s, i) => (i === 4 ? { ...s, meanPct: s.meanPct + 3 } : s));
    const fit = fitDrying(bad, trace, PRIOR);
    expect(Math.abs(fit.ratePerDay / 0.03 - 1)).toBeLessThan(0.06);
    expect(fit.weights.map((w, i) => (w < ODD_WEIGHT ? i : -1)).filter((i) => i >= 0)).toEqual([4]);
    expect(fit.scatter).toBeGreaterThan(1.5);
  });
  test('needs a session', () => {
    expect(() => fitDrying([], steady(8, 10), PRIOR)).toThrow(RangeError);
  });
  test('of wood that lay in its equilibrium learns nothing of the rate, and says so', () => {
    const fit = fitDrying(sessionsOf(8.5, 0.03, 8.5, [0, 20, 40, 60]), steady(8.5, 100), PRIOR);
    expect(fit.ratePerDay).toBeCloseTo(0.03, 3);
    expect(Math.sqrt(fit.covariance[1][1])).toBeCloseTo(PRIOR_LOG_SD, 2);
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

describe('what is told of a date', () => {
  const forecast = (
    sessions: readonly SessionMean[],
    over: { emc?: number; band?: [number, number]; nowMs?: number; driftPct?: number } = {},
  ) => {
    const { emc = 8.5, band: [low, high] = [7.5, 9.5], nowMs = 40 * DAY_MS, driftPct = 0 } = over;
    const trace = steady(emc, 400);
    const ahead = { emcPct: emc, driftPct, season: null };
    return forecastLot(fitDrying(sessions, trace, PRIOR), trace, { nowMs, band: { low, high }, ahead, pieceSdPct: 0.3 });
  };
  const dry = sessionsOf(15, 0.03, 8.5, [0, 10, 20, 30]);
  test('an edge that lies where the room tends to is never crossed', () => {
    const { kind, ready } = forecast(dry, { band: [6.5, 8.5] });
    expect([kind, ready.likelyMs]).toEqual(['not in this room', null]);
    expect(forecast(dry, { band: [6.5, 8.51] }).kind).toBe('on its way');
  });
  test('sessions out of order give the same', () => {
    const shuffled = [2, 0, 3, 1].flatMap((i) => dry[i] ?? []);
    expect(forecast(shuffled)).toEqual(forecast(dry));
    const fits = [dry, shuffled].map((sessions) => fitDrying(sessions, steady(8.5, 60), PRIOR));
    expect(fits[1]?.residualsPct).toEqual([2, 0, 3, 1].map((i) => fits[0]?.residualsPct[i]));
  });
  test('a date without an end is no date before the third session', () => {
    // In a room that strays beyond the band's edge it may never come.
    const near = { emc: 9.2, nowMs: 12 * DAY_MS, driftPct: 0.5 };
    const two = sessionsOf(15, 0.03, 9.2, [0, 10]);
    expect(forecast(two, near).kind).toBe('too early to tell');
    expect(forecast(two, near).piecesReadyMs).toBeNull();
    expect(forecast(sessionsOf(15, 0.03, 9.2, [0, 5, 10]), near)).toMatchObject({ kind: 'on its way', ready: { lateMs: null } });
  });
  test('goes on through the season that the room has shown', () => {
    const heated = aHeatedRoom(seededRandom(3), 1100);
    const season = seasonOf(heated, 1100 * DAY_MS);
    expect(seasonOf({ ...heated, emcPct: heated.emcPct.slice(0, 300 * 24) }, 300 * DAY_MS)).toBeNull();
    // Dampest before the heating goes on: what is out of reach today is in reach by spring.
    const days = Array.from({ length: 365 }, (_, i) => 700 + i);
    const dampest = days.reduce((a, b) => ((season?.at(b * DAY_MS) ?? 0) > (season?.at(a * DAY_MS) ?? 0) ? b : a));
    const nowMs = dampest * DAY_MS;
    const known = { ...heated, emcPct: heated.emcPct.slice(0, dampest * 24) };
    const ahead = climateAhead(known, nowMs);
    const sessions = [30, 20, 10].map((ago) => ({ atMs: nowMs - ago * DAY_MS, meanPct: ahead.emcPct + 1, errorPct: 0.15 }));
    const band = { low: ahead.emcPct - 3, high: ahead.emcPct - 0.7 };
    const told = (season: boolean) =>
      forecastLot(fitDrying(sessions, known, PRIOR), known, {
        ...{ nowMs, band, pieceSdPct: 0.3 },
        ahead: season ? ahead : { ...ahead, season: null },
      });
    expect(told(false).kind).toBe('not in this room');
    expect(told(true).kind).toBe('on its way');
    const until = ((told(true).ready.likelyMs ?? 0) - nowMs) / DAY_MS;
    expect(until).toBeGreaterThan(20);
    expect(until).toBeLessThan(200);
  });
  test('of wood nobody knows, three sessions of its own tell; fewer tell nothing', () => {
    const [spruce, koa] = [speciesIn(SPECIES, 'Sitka spruce'), speciesIn(SPECIES, 'koa')];
    expect(dryingPrior(spruce, 25, 1)).toEqual({ ratePerDay: 0.055, logSd: PRIOR_LOG_SD });
    expect([1, 2].map((n) => dryingPrior(koa, 25, n))).toEqual([null, null]);
    const prior = dryingPrior(koa, 25, 3);
    if (!prior) throw new Error('No prior');
    const fast = fitDrying(sessionsOf(15, 0.09, 8.5, [0, 10, 20]), steady(8.5, 100), prior);
    expect(fast.ratePerDay).toBeGreaterThan(0.07);
  });
});

test('a trace without samples is ordinary air, and all of it a gap', () => {
  expect(emcTrace([], 0, DAY_MS)).toMatchObject({ gaps: [{ fromMs: 0, toMs: DAY_MS }] });
});
