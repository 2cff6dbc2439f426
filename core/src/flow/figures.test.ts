import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { quantile, WorkingTime } from '../maths/index.ts';
import { DAY_MS, HOUR_MS, MINUTE_MS } from '../units/index.ts';
import { constraintViews, flowFigures, fromWholeHour, type FlowRecord } from './index.ts';
import { recordOf, type Past } from './test/past.ts';

const DAYS = 20;
const window = { fromMs: 0, toMs: DAYS * DAY_MS };
/** Eight hours a day, every day. */
const time = new WorkingTime(
  Array.from({ length: DAYS }, (_, i) => ({ fromMs: i * DAY_MS + 8 * HOUR_MS, toMs: i * DAY_MS + 16 * HOUR_MS })),
);
const STATIONS = [
  { code: 'A', benches: 1 },
  { code: 'B', benches: 2 },
];
const figures = (past: Past, stations = STATIONS, places: FlowRecord['places'] = []) =>
  flowFigures(recordOf(past, stations, places), window, time);
const h = (hours: number) => hours * HOUR_MS;
/** Hours of the first day. */
const worked = (...stretches: readonly (readonly [station: string, from: number, to: number | null])[]) => ({
  worked: stretches.map(([station, from, to]) => ({ station, fromMs: h(from), toMs: to === null ? null : h(to) })),
});

describe('a station', () => {
  test('worked, load and counts of a hand-worked case', () => {
    const [a] = figures({
      came: [{ station: 'A', atMs: h(9), loadMs: h(16), finishedMs: h(14.9), good: 5, rework: 1 }],
      ...worked(['A', 10, 13], ['A', 14, 14.9]),
    }).stations;
    expect(a).toMatchObject({ arrivedLoadMs: h(16), availableMs: h(160), loadRatio: 0.1, good: 5, rework: 1, scrap: 0, activePeriods: 2 });
    expect(a?.workedMs).toBeCloseTo(h(3.9), 3);
    expect(a?.meanActiveMs).toBe(h(2));
    expect(a?.goodByShift[0]).toBe(5);
  });
  test.each([
    ['a hand-over of a few minutes', 10 + 8 / 60, 1],
    ['a stand of half an hour', 10.5, 2],
  ])('%s: so many stretches of full work', (_, again, periods) => {
    const [a] = figures(worked(['A', 8, 10], ['A', again, 13], ['A', 13, 16])).stations;
    expect(a?.activePeriods).toBe(periods);
  });
  test('with two places is at full work only when both are taken', () => {
    const [, b] = figures(worked(['B', 8, 13], ['B', 11, 16])).stations;
    expect(b).toMatchObject({ workedMs: h(10), activePeriods: 1, meanActiveMs: h(2) });
  });
  test('goes on after a night as if there were none', () => {
    const { stations, periods } = figures(worked(['A', 14, 34]));
    expect(stations[0]).toMatchObject({ workedMs: h(4), activePeriods: 1, meanActiveMs: h(4) });
    expect(periods).toEqual([{ station: 'A', fromMs: h(14), toMs: h(34), workedMs: h(4) }]);
  });
  test('is at work by what goes on, as by what is over', () => {
    const short = { fromMs: 0, toMs: h(12) };
    const past = worked(['A', 9, 10], ['A', 10, null], ['B', 7, null]);
    const [a, b] = flowFigures(recordOf(past, STATIONS), short, time).stations;
    expect(a).toMatchObject({ workedMs: h(3), activePeriods: 1, meanActiveMs: h(3) });
    expect(b).toMatchObject({ workedMs: h(4), activePeriods: 0 });
  });
  test('what came out after hours counts for the shift before', () => {
    const [a] = figures({ came: [{ station: 'A', atMs: 0, finishedMs: h(22), good: 3, scrap: 1 }] }).stations;
    expect(a?.goodByShift.slice(0, 2)).toEqual([3, 0]);
    expect(a).toMatchObject({ good: 3, scrap: 1 });
  });
  test('one that is not known, and what lies outside the window, is passed over', () => {
    const after = { station: 'A', atMs: window.toMs + h(1), loadMs: h(8) };
    const { stations } = figures({
      came: [{ station: 'X', atMs: h(9), loadMs: h(1), finishedMs: h(10), good: 3 }, after],
      ...worked(['X', 8, 9]),
    });
    for (const s of stations) expect(s).toMatchObject({ good: 0, arrivedLoadMs: 0, workedMs: 0 });
  });
  test('has worked what of its jobs lies in working time, to the millisecond where that is of whole quarters', () => {
    fc.assert(
      fc.property(jobs, (list) => {
        const past = { worked: list };
        const expected = list.reduce((sum, j) => sum + time.between(j.fromMs, j.toMs), 0);
        expect(figures(past).stations[0]?.workedMs).toBeCloseTo(expected, 0);
      }),
    );
  });
  test('has stretches of full work that lie apart, in order, and together no longer than it worked and its hand-overs', () => {
    fc.assert(
      fc.property(jobs, (list) => {
        const { periods, stations } = figures({ worked: list });
        periods.slice(1).forEach((p, i) => expect(p.fromMs).toBeGreaterThanOrEqual(periods[i]?.toMs ?? 0));
        for (const p of periods) expect(p.workedMs).toBe(time.between(p.fromMs, p.toMs));
        const full = periods.reduce((sum, p) => sum + p.workedMs, 0);
        expect(full * (5 / 6)).toBeLessThanOrEqual((stations[0]?.workedMs ?? 0) + 1000);
      }),
    );
  });
});

/** Jobs of one station that never overlap: gaps and lengths in minutes. */
const stretches = fc.array(fc.record({ gap: fc.integer({ min: 1, max: 600 }), run: fc.integer({ min: 1, max: 900 }) }), { maxLength: 28 });
const jobsOf = (station: string, list: readonly { gap: number; run: number }[]) => {
  let at = 0;
  return list.map(({ gap, run }) => {
    const fromMs = at + gap * MINUTE_MS;
    at = fromMs + run * MINUTE_MS;
    return { station, fromMs, toMs: at };
  });
};
const jobs = stretches.map((list) => jobsOf('A', list));

describe('places that change', () => {
  test.each([
    ['a place more', 1, 2, 15 * 8 + 5 * 16],
    ['a place less', 2, 1, 15 * 16 + 5 * 8],
    ['the same', 1, 1, 160],
  ])('%s: the hours available are those of the places there were', (_, benches, after, hours) => {
    const past = { came: [{ station: 'A', atMs: h(1), loadMs: h(100) }] };
    const [a] = figures(past, [{ code: 'A', benches }], [{ station: 'A', atMs: 15 * DAY_MS, after }]).stations;
    expect(a).toMatchObject({ availableMs: h(hours), loadRatio: 100 / hours });
  });
  test('a change before the window sets the scene', () => {
    expect(figures({}, STATIONS, [{ station: 'A', atMs: -DAY_MS, after: 3 }]).stations[0]?.availableMs).toBe(h(480));
  });
  test('a place lost makes the one in use the whole station, from then on', () => {
    const [, b] = figures(worked(['B', 8, 15]), STATIONS, [{ station: 'B', atMs: h(12), after: 1 }]).stations;
    expect(b).toMatchObject({ workedMs: h(7), activePeriods: 1, meanActiveMs: h(3) });
  });
});

describe('work in progress', () => {
  const lives = fc.array(
    fc.record({ enter: fc.integer({ min: -100, max: DAYS * 24 - 1 }), stay: fc.integer({ min: 1, max: 720 }), shipped: fc.boolean() }),
    { maxLength: 40 },
  );
  type Life = { enter: number; stay: number; shipped: boolean };
  const bodies = (list: readonly Life[]) => ({
    bodies: list.map(({ enter, stay, shipped }) => ({ fromMs: h(enter), outMs: h(enter + stay), shipped })),
  });
  test('its mean is what a count in the middle of every hour gives', () => {
    fc.assert(
      fc.property(lives, (list) => {
        let sum = 0;
        for (let hour = 0; hour < DAYS * 24; hour++)
          for (const { enter, stay } of list)
            sum += (Number(enter < hour) + Number(enter <= hour) - Number(enter + stay < hour) - Number(enter + stay <= hour)) / 2;
        expect(figures(bodies(list)).meanWip).toBeCloseTo(sum / (DAYS * 24), 6);
      }),
    );
  });
  test('at each day’s end is what came less what went', () => {
    fc.assert(
      fc.property(lives, (list) => {
        const { wipByDay } = figures(bodies(list));
        expect(wipByDay).toHaveLength(DAYS);
        wipByDay.forEach((wip, day) => {
          const end = (day + 1) * 24;
          expect(wip).toBe(list.filter((l) => l.enter < end && l.enter + l.stay >= end).length);
        });
      }),
    );
  });
  test('Little’s law holds to the last digit when all that came has shipped', () => {
    fc.assert(
      fc.property(lives, (list) => {
        const closed = list
          .map((l) => ({ enter: Math.max(0, l.enter), shipped: true, stay: Math.min(l.stay, DAYS * 24 - 1 - Math.max(0, l.enter)) }))
          .filter((l) => l.stay > 0);
        const { littleResidual, shipped } = figures(bodies(closed));
        expect(shipped).toBe(closed.length);
        if (closed.length > 0) expect(littleResidual).toBeCloseTo(0, 9);
      }),
    );
  });
  test('what lies about is told against what was expected', () => {
    // Twice as many as flow through at that pace: as many again stay.
    const through = { fromMs: 0, outMs: 4 * DAY_MS };
    const { littleResidual, meanWip, throughputPerDay, meanLeadDays } = figures({ bodies: [through, { fromMs: 0 }] });
    expect(littleResidual).toBeCloseTo(meanWip / (throughputPerDay * meanLeadDays) - 1, 12);
    expect(littleResidual).toBeGreaterThan(1);
  });
  test('what entered before the window counts with its own lead time', () => {
    const { meanLeadDays, meanWip } = figures({ bodies: [{ fromMs: -5 * DAY_MS, outMs: 5 * DAY_MS }] });
    expect(meanLeadDays).toBe(10);
    expect(meanWip).toBeCloseTo((5 + 0.5 / 24) / DAYS, 9);
  });
  test('scrap leaves it but is no throughput', () => {
    const f = figures({ bodies: [{ fromMs: 0, outMs: DAY_MS, shipped: false }, { fromMs: 0 }] });
    expect(f).toMatchObject({ shipped: 0, leadQuantilesDays: null, littleResidual: null });
    expect(f.wipByDay.at(-1)).toBe(1);
  });
  test('half and 85 % of the lead times are what they are of the times one by one', () => {
    fc.assert(
      fc.property(lives, (list) => {
        const days = list.filter((l) => l.shipped).map((l) => ((Math.floor(l.stay / 6) + 0.5) * 6) / 24);
        const { leadQuantilesDays } = figures(bodies(list));
        if (days.length === 0) expect(leadQuantilesDays).toBeNull();
        else {
          expect(leadQuantilesDays?.p50).toBeCloseTo(quantile(days, 0.5), 9);
          expect(leadQuantilesDays?.p85).toBeCloseTo(quantile(days, 0.85), 9);
        }
      }),
    );
  });
  test('lead times keep their order and their middle', () => {
    const list = Array.from({ length: 100 }, (_, i) => ({ enter: 0, stay: i + 1, shipped: true }));
    const { leadQuantilesDays, meanLeadDays, leads } = figures(bodies(list));
    expect(meanLeadDays).toBeCloseTo(50.5 / 24, 9);
    // Kept in classes of six hours, so right to half of one.
    expect(Math.abs((leadQuantilesDays?.p50 ?? 0) - 50.5 / 24)).toBeLessThan(3 / 24 + 1e-9);
    expect(Math.abs((leadQuantilesDays?.p85 ?? 0) - 85 / 24)).toBeLessThan(6 / 24);
    expect(leads.map((l) => l.days)).toEqual(leads.map((l) => l.days).sort((a, b) => a - b));
  });
});

test('a window begins with the hour it begins in', () => {
  expect(fromWholeHour({ fromMs: h(3) + 1, toMs: h(9) + 7 })).toEqual({ fromMs: h(3), toMs: h(9) + 7 });
});

describe('the constraint', () => {
  const twoStations = fc.tuple(stretches, stretches).map(([a, b]) => ({ worked: [...jobsOf('A', a), ...jobsOf('B', b)] }));
  const single = [
    { code: 'A', benches: 1 },
    { code: 'B', benches: 1 },
  ];
  test('at every moment is a station at full work then', () => {
    fc.assert(
      fc.property(twoStations, (past) => {
        const f = figures(past, single);
        const { spans, byShare } = constraintViews(f);
        for (const span of spans) {
          const middle = (span.fromMs + span.toMs) / 2;
          expect(f.periods.some((p) => p.station === span.station && p.fromMs <= middle && middle < p.toMs)).toBe(true);
        }
        spans.slice(1).forEach((s, i) => expect(s.fromMs).toBeGreaterThanOrEqual(spans[i]?.toMs ?? 0));
        if (byShare !== null) expect(byShare.share).toBeLessThanOrEqual(1);
      }),
    );
  });
  test('the views agree where one station is both most loaded and longest active', () => {
    const came = [
      { station: 'A', atMs: h(8), loadMs: h(120) },
      { station: 'B', atMs: h(8), loadMs: h(100) },
    ];
    const views = constraintViews(figures({ came, ...worked(['A', 8, 200]) }));
    expect(views).toMatchObject({
      byLoad: { station: 'A', ratio: 120 / 160 },
      byActivePeriod: { station: 'A' },
      byShare: { station: 'A', share: 1 },
    });
  });
  test('nothing worked, nothing constrains', () => {
    expect(constraintViews(figures({}))).toMatchObject({ byLoad: null, byActivePeriod: null, byShare: null });
  });
});
