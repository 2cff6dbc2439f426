import { DAY_MS, MINUTE_MS, shiftWindows, WorkingTime } from '@ample-crane/core';
import { DEMO_WORK_WEEK } from './scenario.ts';

/** So far into the shift people look at what the morning asks of them. */
const INTO_SHIFT_MS = 10 * MINUTE_MS;
const LONGEST_BREAK_MS = 7 * DAY_MS;

/** When the demo begins: now, while its people work; otherwise the last working morning. */
export function demoMorning(nowMs: number): number {
  const time = new WorkingTime(shiftWindows(nowMs - LONGEST_BREAK_MS, nowMs + DAY_MS, DEMO_WORK_WEEK));
  if (time.isWorking(nowMs)) return nowMs;
  return (time.windows[time.indexOf(nowMs)]?.fromMs ?? nowMs - INTO_SHIFT_MS) + INTO_SHIFT_MS;
}
