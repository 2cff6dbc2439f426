import { entryKind } from '../../ledger/index.ts';
import { Batch } from '../batch.ts';
import { leaveJob } from './jobRows.ts';

export const WorkPaused = entryKind('work.paused')<{ cause: string }>({
  apply(rows, entry) {
    const batch = rows.get(Batch, entry.batchId);
    leaveJob(rows, batch, entry.atMs);
    rows.amend(Batch, batch, { version: batch.version + 1, status: 'paused', sinceMs: entry.atMs, jobId: null });
  },
  sentence: ({ payload }, nameOf) => `Paused: ${nameOf('pause cause', payload.cause)}`,
});
