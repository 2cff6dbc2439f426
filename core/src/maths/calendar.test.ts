import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { DAY_MS, HOUR_MS } from '../units/index.ts';
import { checkWorkWeek, shiftWindows, WorkCalendar, WorkingTime, type WorkWeek } from './index.ts';

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
  test('has two shifts, a night that goes past midnight, breaks and short days', () => {
    const shifts: WorkWeek = {
      ...WEEK,
      breaks: [{ startsAt: '12:00', endsAt: '12:30' }],
      moreShifts: [
        { days: [1, 2, 3, 4], startsAt: '15:30', endsAt: '22:00' },
        { days: [1], startsAt: '22:00', endsAt: '06:00', breaks: [{ startsAt: '02:00', endsAt: '02:45' }] },
      ],
      shortDays: [{ date: '2026-01-13', endsAt: '12:00' }],
    };
    const day = (date: string) =>
      shiftWindows(at(`${date}T06:30:00Z`), at(`${date}T06:30:00Z`) + DAY_MS, shifts).map((w) =>
        [w.fromMs, w.toMs].map((ms) => new Date(ms).toISOString().slice(11, 16)).join('–'),
      );
    expect(day('2026-01-12')).toEqual(['07:00–12:00', '12:30–15:30', '15:30–22:00', '22:00–02:00', '02:45–06:00']);
    // A short day ends what began that day, and not the night before.
    expect(day('2026-01-13')).toEqual(['07:00–12:00']);
    expect(day('2026-01-14')).toEqual(['07:00–12:00', '12:30–15:30', '15:30–22:00']);
    expect(shiftWindows(at('2026-01-13T03:00:00Z'), at('2026-01-13T05:00:00Z'), shifts)).toEqual([
      { fromMs: at('2026-01-13T03:00:00Z'), toMs: at('2026-01-13T05:00:00Z') },
    ]);
  });
  test.each([
    ['put forward', '2026-03-28', 7],
    ['put back', '2026-10-24', 9],
    ['left alone', '2026-06-06', 8],
  ])('a night on which clocks are %s lasts as long as it does', (_, date, hours) => {
    const night: WorkWeek = { ...WEEK, days: [6], startsAt: '22:00', endsAt: '06:00' };
    const [shift] = shiftWindows(at(`${date}T12:00:00Z`), at(`${date}T12:00:00Z`) + DAY_MS, night);
    expect((shift?.toMs ?? 0) - (shift?.fromMs ?? 0)).toBe(hours * HOUR_MS);
  });
  test('works overlapping shifts once', () => {
    const overlapping: WorkWeek = { ...WEEK, moreShifts: [{ days: [1], startsAt: '14:00', endsAt: '18:00' }] };
    const windows = shiftWindows(at('2026-01-12T00:00:00Z'), at('2026-01-13T00:00:00Z'), overlapping);
    expect(windows.reduce((sum, w) => sum + w.toMs - w.fromMs, 0)).toBe(11 * HOUR_MS);
    windows.slice(1).forEach((w, i) => expect(w.fromMs).toBeGreaterThanOrEqual(windows[i]?.toMs ?? Infinity));
  });
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

describe('a week that people can work by', () => {
  test.each<[string, Partial<WorkWeek>, string | undefined]>([
    ['as it is', {}, undefined],
    [
      'with a night and its break past midnight',
      { startsAt: '22:00', endsAt: '06:00', breaks: [{ startsAt: '02:00', endsAt: '02:30' }] },
      undefined,
    ],
    ['nowhere', { timeZone: 'Europe/Nowhere' }, 'timeZone'],
    ['on no day', { days: [] }, 'shifts.0.days'],
    ['in no time', { moreShifts: [{ days: [1], startsAt: '16:00', endsAt: '16:00' }] }, 'shifts.1.endsAt'],
    ['with a break after it', { breaks: [{ startsAt: '15:00', endsAt: '16:00' }] }, 'shifts.0.breaks'],
    ['with a break the wrong way round', { breaks: [{ startsAt: '12:30', endsAt: '12:00' }] }, 'shifts.0.breaks'],
    ['with a holiday that is a short day', { shortDays: [{ date: '2026-12-25', endsAt: '12:00' }] }, 'holidays'],
  ])('%s', (_, over, field) => {
    expect(checkWorkWeek({ ...WEEK, ...over })?.field).toBe(field);
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
