import { entryKind } from '../../ledger/index.ts';
import { changeBatch } from './rows.ts';

export const BatchCalled = entryKind('batch.called')<{ orderId: string | null; dueMs: number | null }>({
  apply(rows, entry) {
    changeBatch(rows, entry.batchId, entry.payload);
  },
  sentence: ({ payload }) => (payload.orderId === null ? 'Called from the buffer' : `Called from the buffer for ${payload.orderId}`),
});
