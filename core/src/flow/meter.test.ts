import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { WorkingTime } from '../maths/index.ts';
import { DAY_MS, HOUR_MS } from '../units/index.ts';
import { constraintViews, type FlowEvent, FlowMeter } from './index.ts';

const DAYS = 20;
const window = { fromMs: 0, toMs: DAYS * DAY_MS };
/** Eight hours a day, every day. */
const time = new WorkingTime(
  Array.from({ length: DAYS }, (_, i) => ({ fromMs: i * DAY_MS + 8 * HOUR_MS, toMs: i * DAY_MS + 16 * HOUR_MS })),
);
const STATIONS = [
  { code: 'A', benches: 1 },
  { code: 'B', benches: 1 },
];

const figures = (events: readonly FlowEvent[]) => {
  const meter = new FlowMeter(STATIONS, window, time);
  for (const event of events) meter.record(event);
  return meter.figures();
};

/** Pieces that come and go, some before the window ends, some not. */
const lives = fc.array(
  fc.record({
    enter: fc.integer({ min: 0, max: DAYS * 24 - 1 }),
    stay: fc.integer({ min: 1, max: 30 * 24 }),
    count: fc.integer({ min: 1, max: 12 }),
    shipped: fc.boolean(),
  }),
  { maxLength: 40 },
);
type Life = { enter: number; stay: number; count: number; shipped: boolean };
const flows = (list: readonly Life[]): FlowEvent[] =>
  list
    .flatMap(({ enter, stay, count, shipped }): FlowEvent[] => [
      { kind: 'enter', atMs: enter * HOUR_MS, count },
      { kind: 'leave', atMs: (enter + stay) * HOUR_MS, count, enteredMs: enter * HOUR_MS, shipped },
    ])
    .sort((a, b) => a.atMs - b.atMs);

/** Runs of one station that never overlap: gaps and lengths in minutes. */
const shifts = fc.array(fc.record({ gap: fc.integer({ min: 1, max: 600 }), run: fc.integer({ min: 1, max: 900 }) }), { maxLength: 30 });
const runsOf = (station: string, list: readonly { gap: number; run: number }[]) => {
  let at = 0;
  return list.map(({ gap, run }) => {
    const fromMs = at + gap * 60_000;
    at = fromMs + run * 60_000;
    return { station, fromMs, toMs: at };
  });
};
const asEvents = (runs: readonly { station: string; fromMs: number; toMs: number }[]): FlowEvent[] =>
  runs
    .flatMap(({ station, fromMs, toMs }): FlowEvent[] => [
      { kind: 'begin', atMs: fromMs, station },
      { kind: 'stop', atMs: toMs, station },
    ])
    .sort((a, b) => a.atMs - b.atMs);

describe('work in progress', () => {
  test('its mean is what a count hour by hour gives', () => {
    fc.assert(
      fc.property(lives, (list) => {
        let sum = 0;
        for (let hour = 0; hour < DAYS * 24; hour++) for (const l of list) if (l.enter <= hour && hour < l.enter + l.stay) sum += l.count;
        expect(figures(flows(list)).meanWip).toBeCloseTo(sum / (DAYS * 24), 6);
      }),
    );
  });
  test('at each day’s end is what came less what went', () => {
    fc.assert(
      fc.property(lives, (list) => {
        const { wipByDay } = figures(flows(list));
        expect(wipByDay).toHaveLength(DAYS);
        wipByDay.forEach((wip, day) => {
          const end = (day + 1) * 24;
          const present = list.filter((l) => l.enter < end && l.enter + l.stay >= end).reduce((n, l) => n + l.count, 0);
          expect(wip).toBe(present);
        });
      }),
    );
  });
  test('Little’s law holds to the last digit when all that came has shipped', () => {
    fc.assert(
      fc.property(
        lives.filter((list) => list.length > 0),
        (list) => {
          const closed = list
            .map((l) => ({ ...l, shipped: true, stay: Math.min(l.stay, DAYS * 24 - 1 - l.enter) }))
            .filter((l) => l.stay > 0);
          const { littleResidual, shipped } = figures(flows(closed));
          if (closed.length === 0) return;
          expect(shipped).toBe(closed.reduce((n, l) => n + l.count, 0));
          expect(littleResidual).toBeCloseTo(0, 9);
        },
      ),
    );
  });
  test('lead times keep their order and their middle', () => {
    const list = Array.from({ length: 100 }, (_, i) => ({ enter: 0, stay: i + 1, count: 1, shipped: true }));
    const { leadQuantilesDays, meanLeadDays } = figures(flows(list));
    expect(meanLeadDays).toBeCloseTo(50.5 / 24, 9);
    // Kept in classes of six hours, so right to half of one.
    expect(Math.abs((leadQuantilesDays?.p50 ?? 0) - 50.5 / 24)).toBeLessThan(3 / 24 + 1e-9);
    expect(Math.abs((leadQuantilesDays?.p85 ?? 0) - 85 / 24)).toBeLessThan(6 / 24);
  });
});

describe('a station', () => {
  test('has worked what of its runs lies in working time', () => {
    fc.assert(
      fc.property(shifts, (list) => {
        const runs = runsOf('A', list);
        const expected = runs.reduce((sum, r) => sum + time.between(Math.min(r.fromMs, window.toMs), Math.min(r.toMs, window.toMs)), 0);
        expect(figures(asEvents(runs)).stations[0]?.workedMs).toBeCloseTo(expected, 3);
      }),
    );
  });
  test('has active periods that lie apart, in order, and together no longer than it worked and its hand-overs', () => {
    fc.assert(
      fc.property(shifts, (list) => {
        const { periods, stations } = figures(asEvents(runsOf('A', list)));
        periods.slice(1).forEach((p, i) => expect(p.fromMs).toBeGreaterThanOrEqual(periods[i]?.toMs ?? 0));
        for (const p of periods) expect(p.workedMs).toBe(time.between(p.fromMs, p.toMs));
        const handOvers = list.length * 10 * 60_000;
        expect(periods.reduce((sum, p) => sum + p.workedMs, 0)).toBeLessThanOrEqual((stations[0]?.workedMs ?? 0) + handOvers);
      }),
    );
  });
  test('one that is not known is passed over', () => {
    const { stations } = figures([
      { kind: 'begin', atMs: 0, station: 'X' },
      { kind: 'finish', atMs: HOUR_MS, station: 'X', good: 3, rework: 0, scrap: 0 },
      { kind: 'arrive', atMs: 0, station: 'X', loadMs: HOUR_MS },
    ]);
    expect(stations.map((s) => s.good)).toEqual([0, 0]);
  });
  test('what lies outside the window is not counted', () => {
    const outside = { kind: 'finish' as const, station: 'A', good: 5, rework: 1, scrap: 1 };
    const { stations } = figures([
      { ...outside, atMs: -1 },
      { ...outside, atMs: window.toMs },
      { kind: 'arrive', atMs: -HOUR_MS, station: 'A', loadMs: 8 * HOUR_MS },
    ]);
    expect(stations[0]).toMatchObject({ good: 0, rework: 0, scrap: 0, arrivedLoadMs: 0 });
  });
});

describe('the constraint', () => {
  test('at every moment is the station with the longest active period then', () => {
    fc.assert(
      fc.property(shifts, shifts, (a, b) => {
        const f = figures(asEvents([...runsOf('A', a), ...runsOf('B', b)]));
        const { spans } = constraintViews(f);
        for (const span of spans) {
          const middle = (span.fromMs + span.toMs) / 2;
          const current = f.periods.filter((p) => p.fromMs <= middle && middle < p.toMs);
          const longest = Math.max(...current.map((p) => p.workedMs));
          expect(current.some((p) => p.station === span.station)).toBe(true);
          if (span.toMs - span.fromMs < 1) continue;
          const own = current.find((p) => p.station === span.station);
          // Neighbouring spans of one station are joined, so its period may have changed within.
          if (spans.length > 0 && own && current.length > 1 && own.workedMs < longest) {
            const changed = f.periods.filter((p) => p.station === span.station && p.fromMs < span.toMs && p.toMs > span.fromMs);
            expect(changed.length).toBeGreaterThan(1);
          }
        }
        spans.slice(1).forEach((s, i) => expect(s.fromMs).toBeGreaterThanOrEqual(spans[i]?.toMs ?? 0));
      }),
    );
  });
  test('shares of the window add up to no more than one', () => {
    fc.assert(
      fc.property(shifts, shifts, (a, b) => {
        const views = constraintViews(figures(asEvents([...runsOf('A', a), ...runsOf('B', b)])));
        if (views.byShare === null) return;
        expect(views.byShare.share).toBeGreaterThan(0);
        expect(views.byShare.share).toBeLessThanOrEqual(1);
      }),
    );
  });
});

describe('places that change', () => {
  const figuresOf = (events: readonly FlowEvent[], benches: number) => {
    const meter = new FlowMeter([{ code: 'A', benches }], window, time);
    for (const event of events) meter.record(event);
    const [a] = meter.figures().stations;
    return a;
  };
  const arrived: FlowEvent = { kind: 'arrive', atMs: HOUR_MS, station: 'A', loadMs: 100 * HOUR_MS };
  test.each([
    ['a bench more', 1, 2, 15 * 8 + 5 * 16],
    ['a bench less', 2, 1, 15 * 16 + 5 * 8],
    ['the same', 1, 1, 160],
  ])('%s: the hours available are those of the benches there were', (_, before, after, hours) => {
    const changed: FlowEvent = { kind: 'benches', atMs: 15 * DAY_MS, station: 'A', count: after };
    expect(figuresOf([arrived, changed], before)).toMatchObject({ availableMs: hours * HOUR_MS, loadRatio: 100 / hours });
  });
  test('a change before the window sets the scene', () => {
    expect(figuresOf([{ kind: 'benches', atMs: -DAY_MS, station: 'A', count: 3 }], 1)?.availableMs).toBe(480 * HOUR_MS);
  });
  test('a bench lost makes the one in use the whole station, from then on', () => {
    const events: FlowEvent[] = [
      { kind: 'begin', atMs: 8 * HOUR_MS, station: 'A' },
      { kind: 'benches', atMs: 12 * HOUR_MS, station: 'A', count: 1 },
      { kind: 'stop', atMs: 15 * HOUR_MS, station: 'A' },
    ];
    expect(figuresOf(events, 2)).toMatchObject({ workedMs: 7 * HOUR_MS, activePeriods: 1, meanActiveMs: 3 * HOUR_MS });
  });
});
