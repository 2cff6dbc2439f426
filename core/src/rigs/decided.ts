import type { BatchEntry } from '../batches/index.ts';
import type { Decided } from '../ledger/index.ts';
import type { RIG_ENTRIES } from './entries/index.ts';

/** What a decision on what is pressed writes; about the batch that was judged unless it names another. */
export type RigEntry = BatchEntry | Decided<(typeof RIG_ENTRIES)[number]>;
