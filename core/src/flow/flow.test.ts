import { describe, expect, test } from '@jest/globals';
import { WorkingTime } from '../maths/index.ts';
import { DAY_MS, HOUR_MS } from '../units/index.ts';
import { constraintViews, type FlowEvent, FlowMeter, shiftingConstraint } from './index.ts';

/** Ten days worked round the clock, so that working time is clock time. */
const window = { fromMs: 0, toMs: 10 * DAY_MS };
const time = new WorkingTime(Array.from({ length: 10 }, (_, i) => ({ fromMs: i * DAY_MS, toMs: (i + 1) * DAY_MS })));
const measure = (
  events: FlowEvent[],
  stations = [
    { code: 'A', benches: 1 },
    { code: 'B', benches: 2 },
  ],
) => {
  const meter = new FlowMeter(stations, window, time);
  for (const event of events) meter.record(event);
  return meter.figures();
};
const h = (hours: number) => hours * HOUR_MS;

describe('flow figures', () => {
  test('worked, load and counts of a hand-worked case', () => {
    const [a] = measure([
      { kind: 'arrive', atMs: h(1), station: 'A', loadMs: h(24) },
      { kind: 'begin', atMs: h(2), station: 'A' },
      { kind: 'stop', atMs: h(5), station: 'A' },
      { kind: 'begin', atMs: h(6), station: 'A' },
      { kind: 'stop', atMs: h(7), station: 'A' },
      { kind: 'finish', atMs: h(7), station: 'A', good: 5, rework: 1, scrap: 0 },
    ]).stations;
    expect(a).toMatchObject({
      workedMs: h(4),
      arrivedLoadMs: h(24),
      availableMs: h(240),
      loadRatio: 0.1,
      good: 5,
      rework: 1,
      activePeriods: 2,
      meanActiveMs: h(2),
    });
    expect(a?.goodByShift[0]).toBe(5);
  });
  test('a hand-over of a few minutes does not end an active period', () => {
    const [a] = measure([
      { kind: 'begin', atMs: h(0), station: 'A' },
      { kind: 'stop', atMs: h(2), station: 'A' },
      { kind: 'begin', atMs: h(2.1), station: 'A' },
      { kind: 'stop', atMs: h(4), station: 'A' },
    ]).stations;
    expect(a).toMatchObject({ activePeriods: 1, meanActiveMs: h(4) });
  });
  test('a station with two benches is active only when both are taken', () => {
    const [, b] = measure([
      { kind: 'begin', atMs: h(0), station: 'B' },
      { kind: 'begin', atMs: h(3), station: 'B' },
      { kind: 'stop', atMs: h(5), station: 'B' },
      { kind: 'stop', atMs: h(9), station: 'B' },
    ]).stations;
    expect(b).toMatchObject({ workedMs: h(11), activePeriods: 1, meanActiveMs: h(2) });
  });
  test('nights take no part in an active period', () => {
    const shifts = new WorkingTime([
      { fromMs: h(8), toMs: h(16) },
      { fromMs: h(32), toMs: h(40) },
    ]);
    const meter = new FlowMeter([{ code: 'A', benches: 1 }], { fromMs: 0, toMs: 2 * DAY_MS }, shifts);
    meter.record({ kind: 'begin', atMs: h(14), station: 'A' });
    meter.record({ kind: 'stop', atMs: h(16), station: 'A' });
    meter.record({ kind: 'begin', atMs: h(32), station: 'A' });
    meter.record({ kind: 'stop', atMs: h(34), station: 'A' });
    expect(meter.figures().stations[0]).toMatchObject({
      workedMs: h(4),
      activePeriods: 1,
      meanActiveMs: h(4),
    });
  });
  test('Little’s law holds exactly where all that enters leaves', () => {
    const figures = measure(
      Array.from({ length: 8 }, (_, i): FlowEvent[] => [
        { kind: 'enter', atMs: i * DAY_MS, count: 2 },
        { kind: 'leave', atMs: (i + 1.5) * DAY_MS, count: 2, enteredMs: i * DAY_MS, shipped: true },
      ])
        .flat()
        .sort((a, b) => a.atMs - b.atMs),
    );
    expect(figures.shipped).toBe(16);
    expect(figures.meanLeadDays).toBeCloseTo(1.5, 12);
    expect(figures.meanWip).toBeCloseTo(1.6 * 1.5, 12);
    expect(figures.littleResidual).toBeCloseTo(0, 12);
    expect(figures.leadQuantilesDays?.p50).toBeCloseTo(1.5, 0);
  });
  test('what entered before the window counts with its own lead time', () => {
    const figures = measure([
      { kind: 'enter', atMs: -5 * DAY_MS, count: 1 },
      { kind: 'leave', atMs: 5 * DAY_MS, count: 1, enteredMs: -5 * DAY_MS, shipped: true },
    ]);
    expect(figures.meanLeadDays).toBe(10);
    expect(figures.meanWip).toBeCloseTo(0.5, 12);
  });
  test('scrap leaves work in progress but is no throughput', () => {
    const figures = measure([
      { kind: 'enter', atMs: 0, count: 2 },
      { kind: 'leave', atMs: DAY_MS, count: 1, enteredMs: 0, shipped: false },
    ]);
    expect(figures).toMatchObject({ shipped: 0, leadQuantilesDays: null });
    expect(figures.wipByDay.at(-1)).toBe(1);
  });
  test('what it keeps does not grow with events of the same days', () => {
    const sizeAfter = (rounds: number) => {
      const events: FlowEvent[] = [];
      for (let i = 0; i < rounds; i++)
        events.push(
          { kind: 'begin', atMs: (i * 9 * DAY_MS) / rounds, station: 'A' },
          { kind: 'stop', atMs: ((i + 0.5) * 9 * DAY_MS) / rounds, station: 'A' },
        );
      return measure(events).periods.length;
    };
    expect(sizeAfter(20_000)).toBeLessThanOrEqual(sizeAfter(50));
  });
});

describe('constraint', () => {
  const period = (station: string, from: number, to: number) => ({
    station,
    fromMs: h(from),
    toMs: h(to),
    workedMs: h(to - from),
  });
  test('the longest current active period is the sole constraint; it shifts', () => {
    expect(shiftingConstraint([period('A', 0, 10), period('B', 8, 30), period('C', 12, 14)])).toEqual([
      { station: 'A', fromMs: h(0), toMs: h(8) },
      { station: 'B', fromMs: h(8), toMs: h(30) },
    ]);
  });
  test('between periods there is none', () => {
    expect(shiftingConstraint([period('A', 0, 1), period('B', 5, 6)])).toEqual([
      { station: 'A', fromMs: h(0), toMs: h(1) },
      { station: 'B', fromMs: h(5), toMs: h(6) },
    ]);
    expect(shiftingConstraint([])).toEqual([]);
  });
  test('the views agree where one station is both most loaded and longest active', () => {
    const figures = measure([
      { kind: 'arrive', atMs: 0, station: 'A', loadMs: h(200) },
      { kind: 'arrive', atMs: 0, station: 'B', loadMs: h(100) },
      { kind: 'begin', atMs: 0, station: 'A' },
      { kind: 'stop', atMs: h(200), station: 'A' },
    ]);
    const views = constraintViews(figures);
    expect(views).toMatchObject({
      agree: true,
      byLoad: { station: 'A' },
      byActivePeriod: { station: 'A' },
      byShare: { station: 'A', share: 1 },
    });
    expect(views.byLoad?.ratio).toBeCloseTo(200 / 240, 12);
  });
  test('nothing worked, nothing constrains', () => {
    expect(constraintViews(measure([]))).toMatchObject({
      byLoad: null,
      byActivePeriod: null,
      byShare: null,
      agree: false,
    });
  });
});
