import { entryKind } from '../../ledger/index.ts';
import { Batch, Visit, visitOf } from '../batch.ts';
import { changeBatch } from './rows.ts';

/** To another house or another building. */
export const BatchSent = entryKind('batch.sent')<{ operationId: string; to: string; dueBackMs: number }>({
  apply(rows, entry) {
    const batch = rows.get(Batch, entry.batchId);
    rows.amend(Visit, visitOf(rows, batch), { startedMs: entry.atMs, personId: entry.personId });
    const { to, dueBackMs } = entry.payload;
    changeBatch(rows, batch.id, { status: 'away', sinceMs: entry.atMs, awayTo: to, dueBackMs, accepted: true });
  },
  sentence: ({ payload }) => `Sent to ${payload.to}`,
});
