import { entryKind } from '../../ledger/index.ts';
import { Batch } from '../batch.ts';
import { changeBatch } from './rows.ts';

export const BatchHeld = entryKind('batch.held')<{ reason: string }>({
  apply(rows, entry) {
    const batch = rows.get(Batch, entry.batchId);
    changeBatch(rows, batch.id, { status: 'held', heldStatus: batch.status, holdReason: entry.payload.reason, sinceMs: entry.atMs });
  },
  sentence: ({ payload }) => `Held: ${payload.reason}`,
});
