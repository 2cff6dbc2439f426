import { entryKind } from '../../ledger/index.ts';
import { Batch } from '../batch.ts';
import { changeBatch } from './rows.ts';

export const BatchReleased = entryKind('batch.released')<Record<string, never>>({
  apply(rows, entry) {
    const batch = rows.get(Batch, entry.batchId);
    changeBatch(rows, batch.id, { status: batch.heldStatus ?? 'queued', heldStatus: null, holdReason: null, sinceMs: entry.atMs });
  },
  sentence: () => 'Hold released',
});
