import type { Accepted, Decided } from '../ledger/index.ts';
import type { BATCH_ENTRIES } from './entries/index.ts';

/** What a decision on a batch writes in the logbook; about the batch that was judged unless it names another. */
export type BatchEntry = Decided<(typeof BATCH_ENTRIES)[number]>;

export const accept = (...entries: BatchEntry[]): Accepted<BatchEntry> => ({ kind: 'accept', entries });
