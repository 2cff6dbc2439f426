import { question, type Entry } from '../ledger/index.ts';
import type { Undoable } from './entries/undoable.ts';

/** A batch's latest entry that has not been taken back. */
export interface LastEntry {
  id: number;
  kind: string;
  undoable: Undoable | null;
}

/** A batch's latest entry that has not been taken back; null when it has none. */
export const LatestEntry = question<{ batchId: string }, LastEntry | null>('latest entry');

const UNDOABLE: readonly string[] = ['work.started', 'work.finished', 'batch.moved'] satisfies Undoable['kind'][];

/** A batch's latest entry that has not been taken back, from its entries in the order they were written. */
export function lastOf(entries: readonly (Entry & { id: number })[]): LastEntry | undefined {
  const gone = new Set<number>();
  for (const entry of [...entries].reverse()) {
    // What an entry of a kind says is known by its kind; the kernel does not tie the two.
    if (entry.kind === 'entry.undone') gone.add((entry.payload as { entryId: number }).entryId);
    else if (!gone.has(entry.id)) return { id: entry.id, kind: entry.kind, undoable: undoableOf(entry) };
  }
  return undefined;
}

const undoableOf = ({ kind, payload }: Entry): Undoable | null => (UNDOABLE.includes(kind) ? ({ kind, payload } as Undoable) : null);
