import { entryKind } from '../../ledger/index.ts';
import { Batch } from '../batch.ts';
import type { PauseCause } from '../../factory/index.ts';
import { closeRun } from './run.ts';

export const WorkPaused = entryKind('work.paused')<{ cause: PauseCause }>({
  apply(rows, entry) {
    const batch = rows.get(Batch, entry.batchId);
    closeRun(rows, batch, entry.atMs);
    rows.amend(Batch, batch, { version: batch.version + 1, status: 'paused', sinceMs: entry.atMs, runId: null });
  },
  sentence: ({ payload }) => `Paused: ${payload.cause}`,
});
