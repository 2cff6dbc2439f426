import { DAY_MS, formatDuration } from '../units/index.ts';

/** What is known of a batch that waits at a station. */
export interface Waiting {
  id: string;
  arrivedMs: number;
  dueMs: number | null;
  /** earliest it could be shipped if it were taken now */
  earliestMs: number | null;
  /** what keeps it from being begun, in words */
  blocked: string | null;
  /** only pieces that came back */
  redo: boolean;
  /** when it must have left at the latest: a recoat window, a longest wait */
  closesMs: number | null;
}

export interface Turn {
  id: string;
  /** why it has its place, in a sentence */
  reason: string;
}

/** A window that closes within this time goes before everything. */
const CLOSING_MS = 4 * 3_600_000;

/**
 * The order in which to take what waits: first what would miss a window, then what came back for rework, then by the
 * days to spare between the earliest date and the due date, then what is for nobody, first come first; what cannot be
 * begun stands last.
 */
export function takeOrder(waiting: readonly Waiting[], nowMs: number): Turn[] {
  const rank = (w: Waiting) => {
    if (w.blocked !== null) return 4;
    if (w.closesMs !== null && w.closesMs - nowMs <= CLOSING_MS) return 0;
    if (w.redo) return 1;
    return w.dueMs === null ? 3 : 2;
  };
  const slackMs = (w: Waiting) => (w.dueMs === null ? 0 : w.dueMs - (w.earliestMs ?? nowMs));
  return [...waiting]
    .sort(
      (a, b) =>
        rank(a) - rank(b) ||
        (rank(a) === 0 ? (a.closesMs ?? 0) - (b.closesMs ?? 0) : 0) ||
        slackMs(a) - slackMs(b) ||
        a.arrivedMs - b.arrivedMs ||
        (a.id < b.id ? -1 : 1),
    )
    .map((w) => ({ id: w.id, reason: reasonOf(w, nowMs, slackMs(w)) }));
}

function reasonOf(w: Waiting, nowMs: number, slackMs: number): string {
  if (w.blocked !== null) return w.blocked;
  if (w.closesMs !== null && w.closesMs - nowMs <= CLOSING_MS)
    return w.closesMs > nowMs ? `Its window closes in ${formatDuration(w.closesMs - nowMs)}` : 'Its window has closed; look at it first';
  if (w.redo) return 'Came back for rework; the rest of its set waits for it';
  if (w.dueMs === null) return 'For no order; first come, first taken';
  const days = Math.floor(Math.abs(slackMs) / DAY_MS);
  const count = days === 1 ? '1 day' : `${days} days`;
  if (slackMs < 0) return days === 0 ? 'Late by less than a day even if taken now' : `Late by ${count} even if taken now`;
  return days === 0 ? 'Just in time if taken now' : `${count} to spare`;
}
