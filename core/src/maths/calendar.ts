import dayjs from 'dayjs';
import timezone from 'dayjs/plugin/timezone.js';
import utc from 'dayjs/plugin/utc.js';
import type { Interval } from './interval.ts';

dayjs.extend(utc);
dayjs.extend(timezone);

/** The factory's ordinary week. */
export interface WorkWeek {
  timeZone: string;
  /** ISO weekdays worked, 1 = Monday */
  days: readonly number[];
  /** local clock times, "07:00" */
  startsAt: string;
  endsAt: string;
  /** local dates not worked, "2026-12-25" */
  holidays: readonly string[];
}

const DAY_MS = 86_400_000;

/** The working days of a week's pattern. Finding the instant of a local clock time is dear, so each day is worked out once. */
export class WorkCalendar {
  private readonly shifts = new Map<number, Interval | null>();

  /** @throws RangeError when the shift ends before it starts */
  constructor(private readonly week: WorkWeek) {
    if (week.endsAt <= week.startsAt) throw new RangeError('A shift ends after it starts, on the same day');
  }

  /** The stretches of working time between two instants, one per working day; clock changes shift them as they should. */
  windows(fromMs: number, toMs: number): Interval[] {
    const windows: Interval[] = [];
    // A local day begins at most a day before or after the same date in UTC.
    for (let day = Math.floor(fromMs / DAY_MS) - 1; (day - 1) * DAY_MS < toMs; day++) {
      const shift = this.shiftOf(day);
      if (shift && shift.fromMs < toMs && shift.toMs > fromMs)
        windows.push({ fromMs: Math.max(shift.fromMs, fromMs), toMs: Math.min(shift.toMs, toMs) });
    }
    return windows;
  }

  /** @param day of the local date, in days since 1970-01-01, a Thursday */
  private shiftOf(day: number): Interval | null {
    const known = this.shifts.get(day);
    if (known !== undefined) return known;
    const { days, holidays, timeZone, startsAt, endsAt } = this.week;
    const date = new Date(day * DAY_MS).toISOString().slice(0, 10);
    const isoWeekday = ((((day + 3) % 7) + 7) % 7) + 1;
    const at = (time: string) => dayjs.tz(`${date}T${time}:00`, timeZone).valueOf();
    const shift = days.includes(isoWeekday) && !holidays.includes(date) ? { fromMs: at(startsAt), toMs: at(endsAt) } : null;
    this.shifts.set(day, shift);
    return shift;
  }
}

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
