import { entryKind } from '../../ledger/index.ts';
import { Batch } from '../batch.ts';
import { beginJob } from './jobRows.ts';

export const WorkResumed = entryKind('work.resumed')<{ workerId: string; bench?: number }>({
  apply(rows, entry) {
    beginJob(rows, rows.get(Batch, entry.batchId), entry.atMs, entry.payload);
  },
  sentence: ({ payload }, nameOf) => `Resumed by ${nameOf('person', payload.workerId)}`,
});
