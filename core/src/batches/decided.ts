import type { Accepted, Decided } from '../ledger/index.ts';
import type { BATCH_ENTRIES } from './entries/index.ts';

/** What a decision on a batch writes in the logbook; about the batch that was judged unless it names another. */
export type BatchEntry = Decided<(typeof BATCH_ENTRIES)[number]>;

/** The numbers of the batches that an entry makes. */
export function batchNumbersOf(entry: BatchEntry): number[] {
  switch (entry.kind) {
    case 'work.partFinished':
    case 'batch.split':
    case 'instruments.refitted':
      return [entry.payload.number];
    case 'handover.refused':
      return entry.payload.refusals.flatMap((r) => r.number ?? []);
    case 'instruments.parted':
      return [entry.payload.bodyNumber, entry.payload.neckNumber];
    default:
      return [];
  }
}

export const accept = (...entries: BatchEntry[]): Accepted<BatchEntry> => ({ kind: 'accept', entries });
