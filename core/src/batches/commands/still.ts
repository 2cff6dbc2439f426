import type { BatchStatus } from '../batch.ts';

/** Nobody is at work on it: it can be parted or brought together with another. */
export const STILL: ReadonlySet<BatchStatus> = new Set(['queued', 'finished', 'dwelling', 'stocked']);
