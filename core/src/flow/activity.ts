import type { Interval } from '../maths/index.ts';
import { HOUR_MS } from '../units/index.ts';

/** An hour of the window and how much of each quarter of it is working time. */
export interface WorkingHour extends Interval {
  hour: number;
  workMs: number;
  quarters: readonly { fromMs: number; toMs: number; workMs: number }[];
}

/** A station was at full work, hour after hour. */
export interface ActivePeriod {
  station: string;
  fromMs: number;
  toMs: number;
  /** length in working time */
  workedMs: number;
}

/** Of an hour, how long the station had places and how long they were busy, in working time. */
export interface HourShare {
  hour: WorkingHour;
  placesMs: number;
  busyMs: number;
}

/** An hour counts as fully worked when its places stood idle for no more than this share of it: ten minutes of an hour, for hand-overs. */
const IDLE_SHARE = 1 / 6;

/**
 * The stretches in which all places of a station were at work: working hours one after the other, with nights, breaks
 * and days off between them. One shorter than half an hour is none.
 *
 * @param shares of the working hours of a window, in time order
 */
export function activePeriods(station: string, shares: readonly HourShare[]): ActivePeriod[] {
  const periods: ActivePeriod[] = [];
  let open: ActivePeriod | null = null;
  for (const { hour, placesMs, busyMs } of shares) {
    // To the millisecond of a rounded sum.
    if (placesMs === 0 || busyMs + 1 < placesMs * (1 - IDLE_SHARE)) {
      open = null;
      continue;
    }
    const atWork = hour.quarters.filter((q) => q.workMs > 0);
    const toMs = atWork.at(-1)?.toMs ?? hour.toMs;
    if (open === null) {
      open = { station, fromMs: atWork[0]?.fromMs ?? hour.fromMs, toMs, workedMs: 0 };
      periods.push(open);
    }
    open.toMs = toMs;
    open.workedMs += hour.workMs;
  }
  return periods.filter((p) => p.workedMs >= HOUR_MS / 2);
}
