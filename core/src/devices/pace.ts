/** How fast one device may speak: so many at once, and so many a second for long. */
export interface MessagePace {
  atOnce: number;
  aSecond: number;
}
export const USUAL_PACE: MessagePace = { atOnce: 100, aSecond: 50 };

/** What is left of a device's pace at an instant. */
export interface PaceLeft {
  left: number;
  atMs: number;
}

/**
 * Whether one more message fits a device's pace. What does not is neither taken nor answered: it is sent again, and nothing
 * is lost but time.
 *
 * @param before what was left after the last one; undefined for the first
 * @returns what is left then; null where it comes too fast
 */
export function paced(before: PaceLeft | undefined, nowMs: number, { atOnce, aSecond }: MessagePace = USUAL_PACE): PaceLeft | null {
  // A clock that was set back brings nobody to a halt.
  const grown = before === undefined ? atOnce : before.left + (Math.max(0, nowMs - before.atMs) / 1000) * aSecond;
  const left = Math.min(atOnce, grown) - 1;
  return left < 0 ? null : { left, atMs: nowMs };
}
