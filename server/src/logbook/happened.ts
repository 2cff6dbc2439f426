import { badInput } from '../platform/problems/problems.ts';

/** How far a device's clock may be out, either way, before what it says is doubted. */
const SKEW_MS = 2 * 60_000;

/** When something happened that is written down now: not later than now, nor before what it rests on. */
export function happenedAt(
  atMs: number | undefined,
  nowMs: number,
  { notBeforeMs, because }: { notBeforeMs: number; because: string },
): number {
  if (atMs === undefined) return nowMs;
  if (atMs > nowMs + SKEW_MS) throw badInput('atMs', 'That lies in the future');
  if (atMs < notBeforeMs - SKEW_MS) throw badInput('atMs', because);
  return Math.min(Math.max(atMs, notBeforeMs), nowMs);
}
