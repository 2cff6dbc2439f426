import { describe, expect, test } from '@jest/globals';
import { WallClock } from '../maths/index.ts';
import { DAY_MS, HOUR_MS } from '../units/index.ts';
import {
  busiestOf,
  comparedInWords,
  compareMonths,
  monthsBetween,
  returnedShare,
  workDaysIn,
  type Month,
  type StationMonth,
} from './months.ts';

const station = (more: Partial<StationMonth> = {}): StationMonth => ({
  code: 'AS1',
  name: 'Buffing',
  busyMs: 120 * HOUR_MS,
  good: 96,
  rework: 4,
  scrap: 0,
  hoursMs: 160 * HOUR_MS,
  ...more,
});
const month = (more: Partial<Month> = {}): Month => ({
  id: '2026-09',
  fromMs: 0,
  toMs: 30 * DAY_MS,
  whole: true,
  workDays: 20,
  workHoursMs: 160 * HOUR_MS,
  peopleHoursMs: 20 * 240 * HOUR_MS,
  begun: 100,
  shipped: 100,
  leadMinutes: 0,
  stations: [station()],
  ...more,
});
const kinds = (before: Month, after: Month) => compareMonths(before, after, []).causes.map((c) => c.kind);
const named = ({ id }: Month) => (id === '2026-09' ? 'September' : 'October');

describe('months of the calendar', () => {
  test('begin at midnight where the factory stands, in summer and in winter', () => {
    const clock = new WallClock('Europe/Berlin');
    const at = (text: string) => Date.parse(text);
    expect(monthsBetween(at('2026-09-30T22:30:00Z'), at('2026-11-02T10:00:00Z'), clock)).toEqual([
      { id: '2026-10', fromMs: at('2026-09-30T22:00:00Z'), toMs: at('2026-10-31T23:00:00Z') },
      { id: '2026-11', fromMs: at('2026-10-31T23:00:00Z'), toMs: at('2026-11-30T23:00:00Z') },
    ]);
  });

  test('go on over the turn of the year', () => {
    const ids = monthsBetween(Date.UTC(2025, 10, 5), Date.UTC(2026, 1, 1), new WallClock('UTC')).map((m) => m.id);
    expect(ids).toEqual(['2025-11', '2025-12', '2026-01', '2026-02']);
  });

  test('a day of two shifts is one working day', () => {
    const windows = [6, 14, 24 + 6].map((hour) => ({ fromMs: hour * HOUR_MS }));
    expect(workDaysIn(windows, new WallClock('UTC'))).toBe(2);
  });
});

describe('why a month came to less', () => {
  test('working days are reckoned at the pace of the month before', () => {
    const [cause] = compareMonths(month(), month({ workDays: 18, shipped: 90, begun: 90, peopleHoursMs: 18 * 240 * HOUR_MS }), []).causes;
    expect(cause).toEqual({ kind: 'days', sentence: '2 working days fewer', instruments: -10 });
  });

  test('a month like the one before it has no cause', () => {
    expect(kinds(month(), month({ id: '2026-10' }))).toEqual([]);
  });

  test.each<[string, Partial<Month>, string]>([
    ['people away', { peopleHoursMs: 20 * 220 * HOUR_MS }, 'people'],
    ['fewer begun', { begun: 90 }, 'begun'],
    ['longer at the station that sets the pace', { stations: [station({ busyMs: 132 * HOUR_MS })] }, 'station'],
    ['more that came back', { stations: [station({ good: 92, rework: 8 })] }, 'returns'],
  ])('%s', (_, more, kind) => {
    expect(kinds(month(), month(more))).toEqual([kind]);
  });

  test('what changed by little is no cause', () => {
    expect(kinds(month(), month({ begun: 97, peopleHoursMs: 20 * 235 * HOUR_MS, stations: [station({ busyMs: 123 * HOUR_MS })] }))).toEqual(
      [],
    );
  });

  test('a station that is idle for half its hours is not said to set the pace', () => {
    const idle = (busyMs: number) => month({ stations: [station({ busyMs, hoursMs: 300 * HOUR_MS })] });
    expect(kinds(idle(120 * HOUR_MS), idle(150 * HOUR_MS))).toEqual([]);
  });

  test('is told with its figures', () => {
    const after = month({ id: '2026-10', workDays: 18, shipped: 85, begun: 90, peopleHoursMs: 18 * 240 * HOUR_MS });
    const compared = compareMonths(month(), after, [{ name: 'Buffing', before: 2, after: 1 }]);
    expect(comparedInWords(compared, named)).toBe(
      'October: 85 instruments sent off, 15 fewer than in September. Otherwise than then: 2 working days fewer (about 10 instruments); Buffing had 1 place instead of 2.',
    );
  });

  test('where the records tell nothing that is said', () => {
    const compared = compareMonths(month(), month({ id: '2026-10', shipped: 97 }), []);
    expect(comparedInWords(compared, named)).toBe(
      'October: 97 instruments sent off, 3 fewer than in September. Nothing on record says why.',
    );
  });
});

describe('of a month', () => {
  test('the busiest station is the one with the largest share of its hours', () => {
    const stations = [
      station(),
      station({ code: 'FN3', busyMs: 100 * HOUR_MS, hoursMs: 110 * HOUR_MS }),
      station({ code: 'x', hoursMs: 0 }),
    ];
    expect(busiestOf({ stations })?.station.code).toBe('FN3');
    expect(busiestOf({ stations: [station({ busyMs: 0 })] })).toBeUndefined();
  });

  test('nothing came back where nothing came out', () => {
    expect(returnedShare({ stations: [] })).toBeNull();
    expect(returnedShare({ stations: [station()] })).toBeCloseTo(0.04, 9);
  });
});
