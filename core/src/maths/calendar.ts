import dayjs from 'dayjs';
import timezone from 'dayjs/plugin/timezone.js';
import utc from 'dayjs/plugin/utc.js';
import type { Interval } from './interval.ts';

dayjs.extend(utc);
dayjs.extend(timezone);

/** A stretch of a day by the clock, "07:00" to "15:30"; one that ends no later than it starts goes on past midnight. */
export interface ClockSpan {
  startsAt: string;
  endsAt: string;
}

/** A shift and the days of the week on which it begins. */
export interface Shift extends ClockSpan {
  /** ISO weekdays, 1 = Monday */
  days: readonly number[];
  /** when nobody works in it */
  breaks?: readonly ClockSpan[];
}

/** The factory's ordinary week: its first shift, and what else there is. */
export interface WorkWeek extends Shift {
  timeZone: string;
  /** local dates on which no shift begins, "2026-12-25" */
  holidays: readonly string[];
  /** a second and a third shift */
  moreShifts?: readonly Shift[];
  /** local dates on which work that began that day ends early */
  shortDays?: readonly { date: string; endsAt: string }[];
}

const DAY_MS = 86_400_000;

/** The working time of a week's pattern. Finding the instant of a local clock time is dear, so each day is worked out once. */
export class WorkCalendar {
  private readonly known = new Map<number, readonly Interval[]>();

  constructor(private readonly week: WorkWeek) {}

  /** The stretches of working time between two instants: a shift without breaks is one; clock changes shift them as they should. */
  windows(fromMs: number, toMs: number): Interval[] {
    const windows: Interval[] = [];
    // A local day begins at most a day before or after the same date in UTC, and its night shift ends on the next.
    for (let day = Math.floor(fromMs / DAY_MS) - 2; (day - 1) * DAY_MS < toMs; day++)
      for (const worked of this.begunOn(day)) {
        const cut = { fromMs: Math.max(worked.fromMs, fromMs), toMs: Math.min(worked.toMs, toMs) };
        const last = windows.at(-1);
        // Where shifts overlap it is worked once; one that follows on another is a stretch of its own.
        if (last && cut.fromMs < last.toMs) cut.fromMs = last.toMs;
        if (cut.fromMs < cut.toMs) windows.push(cut);
      }
    return windows;
  }

  /** @param day of the local date, in days since 1970-01-01, a Thursday */
  private begunOn(day: number): readonly Interval[] {
    const known = this.known.get(day);
    if (known) return known;
    const { holidays, moreShifts = [], shortDays = [] } = this.week;
    const date = dateOf(day);
    const isoWeekday = ((((day + 3) % 7) + 7) % 7) + 1;
    const shifts = holidays.includes(date) ? [] : [this.week, ...moreShifts].filter((shift) => shift.days.includes(isoWeekday));
    const shortened = shortDays.find((d) => d.date === date);
    const endMs = shortened ? this.at(day, shortened.endsAt) : Infinity;
    const worked = shifts
      .flatMap((shift) => this.workedIn(shift, day))
      .map(({ fromMs, toMs }) => ({ fromMs, toMs: Math.min(toMs, endMs) }))
      .filter(({ fromMs, toMs }) => fromMs < toMs)
      .sort((a, b) => a.fromMs - b.fromMs);
    this.known.set(day, worked);
    return worked;
  }

  /** A shift less its breaks. */
  private workedIn({ startsAt, endsAt, breaks = [] }: Shift, day: number): Interval[] {
    const span = (of: ClockSpan, begins: number): Interval => ({
      fromMs: this.at(begins, of.startsAt),
      toMs: this.at(of.endsAt <= of.startsAt ? begins + 1 : begins, of.endsAt),
    });
    const shift = span({ startsAt, endsAt }, day);
    // A break before the hour at which the shift begins lies past midnight.
    const pauses = breaks.map((pause) => span(pause, pause.startsAt < startsAt ? day + 1 : day)).sort((a, b) => a.fromMs - b.fromMs);
    const edges = [shift.fromMs, ...pauses.flatMap((p) => [p.fromMs, p.toMs]), shift.toMs];
    return edges.flatMap((fromMs, i) => (i % 2 === 0 ? [{ fromMs, toMs: edges[i + 1] ?? fromMs }] : []));
  }

  private at(day: number, time: string): number {
    return dayjs.tz(`${dateOf(day)}T${time}:00`, this.week.timeZone).valueOf();
  }
}

/** What is wrong with a week, and where; undefined when people can work by it. */
export function checkWorkWeek({
  timeZone,
  holidays,
  moreShifts = [],
  shortDays = [],
  ...first
}: WorkWeek): { field: string; problem: string } | undefined {
  try {
    new Intl.DateTimeFormat('en', { timeZone });
  } catch {
    return { field: 'timeZone', problem: `There is no time zone ${timeZone}` };
  }
  for (const [i, { days, startsAt, endsAt, breaks = [] }] of [first, ...moreShifts].entries()) {
    if (days.length === 0) return { field: `shifts.${i}.days`, problem: 'Say on which days the shift begins' };
    if (startsAt === endsAt) return { field: `shifts.${i}.endsAt`, problem: 'A shift ends at another time than it starts' };
    // Minutes after the shift's beginning: what lies past midnight comes after what lies before.
    const after = (time: string) => (minutesOf(time) - minutesOf(startsAt) + DAY_MINUTES) % DAY_MINUTES;
    const outside = breaks.find((pause) => !(after(pause.startsAt) < after(pause.endsAt) && after(pause.endsAt) <= after(endsAt)));
    if (outside)
      return { field: `shifts.${i}.breaks`, problem: `The break from ${outside.startsAt} to ${outside.endsAt} does not lie in its shift` };
  }
  const dates = [...holidays, ...shortDays.map((d) => d.date)];
  const twice = dates.find((date, i) => dates.indexOf(date) !== i);
  return twice === undefined ? undefined : { field: 'holidays', problem: `${twice} stands there twice` };
}

const DAY_MINUTES = 1440;
const minutesOf = (time: string): number => Number(time.slice(0, 2)) * 60 + Number(time.slice(3, 5));

const dateOf = (day: number) => new Date(day * DAY_MS).toISOString().slice(0, 10);

/** The working time between two instants by a week's pattern. */
export const shiftWindows = (fromMs: number, toMs: number, week: WorkWeek): Interval[] => new WorkCalendar(week).windows(fromMs, toMs);

/** Working time as one unbroken axis: nights and weekends take no room on it. */
export class WorkingTime {
  private readonly starts: number[];
  private readonly positions: number[];

  /** @param windows disjoint, in time order */
  constructor(readonly windows: readonly Interval[]) {
    this.starts = windows.map((w) => w.fromMs);
    this.positions = [];
    let total = 0;
    for (const w of windows) {
      this.positions.push(total);
      total += w.toMs - w.fromMs;
    }
  }

  /** Index of the last window that has begun by then; −1 before the first. */
  indexOf(atMs: number): number {
    let low = 0;
    let high = this.starts.length;
    while (low < high) {
      const mid = (low + high) >> 1;
      if ((this.starts[mid] ?? Infinity) <= atMs) low = mid + 1;
      else high = mid;
    }
    return low - 1;
  }

  /** Working time gone by from the first window until an instant, ms. */
  position(atMs: number): number {
    const i = this.indexOf(atMs);
    const w = this.windows[i];
    return w ? (this.positions[i] ?? 0) + Math.min(atMs, w.toMs) - w.fromMs : 0;
  }

  /** Working time between two instants, ms. */
  between(fromMs: number, toMs: number): number {
    return this.position(toMs) - this.position(fromMs);
  }

  isWorking(atMs: number): boolean {
    const w = this.windows[this.indexOf(atMs)];
    return w !== undefined && atMs < w.toMs;
  }

  /** The first working instant at or after this one; Infinity past the last window. */
  nextWorking(atMs: number): number {
    if (this.isWorking(atMs)) return atMs;
    return this.windows[this.indexOf(atMs) + 1]?.fromMs ?? Infinity;
  }

  /** The window that holds a working instant. */
  windowOf(atMs: number): Interval | undefined {
    const w = this.windows[this.indexOf(atMs)];
    return w && atMs < w.toMs ? w : undefined;
  }

  /** The working instant at a position of working time, the inverse of `position`. */
  instant(position: number): number {
    return this.at(position, (begun) => begun <= position);
  }

  /** The first instant by which so much working time has gone by: what is done with the shift is done then, not the next morning. */
  reached(position: number): number {
    return this.at(position, (begun) => begun < position);
  }

  /** An instant in the last window that has begun by a position. */
  private at(position: number, hasBegun: (windowPosition: number) => boolean): number {
    let low = 0;
    let high = this.positions.length;
    while (low < high) {
      const mid = (low + high) >> 1;
      if (hasBegun(this.positions[mid] ?? Infinity)) low = mid + 1;
      else high = mid;
    }
    const w = this.windows[low - 1];
    return w ? Math.min(w.toMs, w.fromMs + position - (this.positions[low - 1] ?? 0)) : (this.starts[0] ?? 0);
  }
}
