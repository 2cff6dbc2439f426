/** A stretch of time in epoch milliseconds, `from` included, `to` excluded. */
export interface Interval {
  fromMs: number;
  toMs: number;
}

/** Length of the part of an interval that lies inside a window, ms. */
export function overlapMs(interval: Interval, window: Interval): number {
  return Math.max(0, Math.min(interval.toMs, window.toMs) - Math.max(interval.fromMs, window.fromMs));
}

/**
 * Joins intervals that touch or overlap, or lie no further apart than a gap.
 *
 * @param intervals any order
 * @param joinGapMs gaps up to this length are closed
 * @returns disjoint intervals in time order
 */
export function unite(intervals: readonly Interval[], joinGapMs = 0): Interval[] {
  const united: Interval[] = [];
  for (const interval of [...intervals].sort((a, b) => a.fromMs - b.fromMs)) {
    const last = united.at(-1);
    if (last && interval.fromMs <= last.toMs + joinGapMs) last.toMs = Math.max(last.toMs, interval.toMs);
    else united.push({ ...interval });
  }
  return united;
}
