import { entryKind } from '../../ledger/index.ts';
import { Batch } from '../batch.ts';
import { openRun } from './run.ts';

export const WorkResumed = entryKind('work.resumed')<{ workerId: string }>({
  apply(rows, entry) {
    openRun(rows, rows.get(Batch, entry.batchId), entry.atMs, entry.payload.workerId);
  },
  sentence: ({ payload }, nameOf) => `Resumed by ${nameOf('person', payload.workerId)}`,
});
