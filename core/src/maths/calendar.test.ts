import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { DAY_MS, HOUR_MS } from '../units/index.ts';
import { shiftWindows, WorkCalendar, WorkingTime, type WorkWeek } from './index.ts';

const WEEK: WorkWeek = { timeZone: 'Europe/Dublin', days: [1, 2, 3, 4, 5], startsAt: '07:00', endsAt: '15:30', holidays: ['2026-12-25'] };
const at = (iso: string) => Date.parse(iso);

describe('a work calendar', () => {
  test.each([
    ['winter', '2026-01-12T00:00:00Z', '2026-01-12T07:00:00Z', '2026-01-12T15:30:00Z'],
    ['summer', '2026-07-06T00:00:00Z', '2026-07-06T06:00:00Z', '2026-07-06T14:30:00Z'],
  ])('has the local shift in %s', (_, day, from, to) => {
    expect(shiftWindows(at(day), at(day) + DAY_MS, WEEK)).toEqual([{ fromMs: at(from), toMs: at(to) }]);
  });
  test('leaves weekends and holidays out', () => {
    const windows = shiftWindows(at('2026-12-21T00:00:00Z'), at('2026-12-28T00:00:00Z'), WEEK);
    expect(windows.map((w) => new Date(w.fromMs).toISOString().slice(0, 10))).toEqual([
      '2026-12-21',
      '2026-12-22',
      '2026-12-23',
      '2026-12-24',
    ]);
  });
  test('gives a week that works at the weekend its weekend', () => {
    const days = shiftWindows(at('2026-03-02T00:00:00Z'), at('2026-03-09T00:00:00Z'), { ...WEEK, days: [6, 7] });
    expect(days.map((w) => new Date(w.fromMs).getUTCDay())).toEqual([6, 0]);
  });
  test('cuts the shifts it begins and ends in', () => {
    const windows = shiftWindows(at('2026-01-12T09:00:00Z'), at('2026-01-13T10:00:00Z'), WEEK);
    expect(windows).toEqual([
      { fromMs: at('2026-01-12T09:00:00Z'), toMs: at('2026-01-12T15:30:00Z') },
      { fromMs: at('2026-01-13T07:00:00Z'), toMs: at('2026-01-13T10:00:00Z') },
    ]);
    expect(shiftWindows(at('2026-01-12T20:00:00Z'), at('2026-01-12T21:00:00Z'), WEEK)).toEqual([]);
  });
  test.each(['Pacific/Auckland', 'America/Los_Angeles', 'Asia/Kolkata', 'Pacific/Kiritimati', 'UTC'])(
    'finds every local working day in %s',
    (timeZone) => {
      const windows = shiftWindows(at('2026-02-01T12:00:00Z'), at('2026-05-01T12:00:00Z'), { ...WEEK, timeZone, holidays: [] });
      const local = windows.map((w) =>
        new Intl.DateTimeFormat('en-GB', { timeZone, weekday: 'short', hour: '2-digit', minute: '2-digit' }).format(w.fromMs),
      );
      for (const text of local.slice(1)) expect(text).toMatch(/^(Mon|Tue|Wed|Thu|Fri) 07:00$/);
      expect(windows.length).toBeGreaterThanOrEqual(63);
      windows.slice(1, -1).forEach((w) => expect(w.toMs - w.fromMs).toBe(8.5 * HOUR_MS));
    },
  );
  test('asked twice says the same, and any part of a span as the span itself does', () => {
    const calendar = new WorkCalendar(WEEK);
    const base = at('2026-01-01T00:00:00Z');
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 400 * 24 }),
        fc.integer({ min: 1, max: 90 * 24 }),
        fc.integer({ min: 0, max: 90 * 24 }),
        (start, length, cut) => {
          const from = base + start * HOUR_MS;
          const to = from + length * HOUR_MS;
          const middle = Math.min(to, from + cut * HOUR_MS);
          const worked = (a: number, b: number) => calendar.windows(a, b).reduce((sum, w) => sum + w.toMs - w.fromMs, 0);
          expect(worked(from, middle) + worked(middle, to)).toBe(worked(from, to));
          expect(calendar.windows(from, to)).toEqual(new WorkCalendar(WEEK).windows(from, to));
        },
      ),
      { numRuns: 60 },
    );
  });
});

describe('working time', () => {
  const time = new WorkingTime(shiftWindows(at('2026-01-01T00:00:00Z'), at('2026-06-01T00:00:00Z'), WEEK));
  test('between two instants is what a walk minute by minute counts', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 100 * 24 * 4 }), fc.integer({ min: 0, max: 10 * 24 * 4 }), (start, length) => {
        const quarter = HOUR_MS / 4;
        const from = at('2026-01-01T00:00:00Z') + start * quarter;
        let counted = 0;
        for (let i = 0; i < length; i++) if (time.isWorking(from + i * quarter)) counted += quarter;
        expect(time.between(from, from + length * quarter)).toBe(counted);
      }),
      { numRuns: 80 },
    );
  });
  test('has no next after the last shift', () => {
    expect(time.nextWorking(at('2027-01-01T00:00:00Z'))).toBe(Infinity);
    expect(time.windowOf(at('2026-01-10T12:00:00Z'))).toBeUndefined();
    expect(time.indexOf(at('2020-01-01T00:00:00Z'))).toBe(-1);
  });
});
