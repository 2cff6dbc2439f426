import { entryKind } from '../../ledger/index.ts';
import { Batch, Visit, visitOf } from '../batch.ts';
import type { Run } from '../run.ts';
import { beginJob } from './jobRows.ts';
import { leaveOn } from './machineRows.ts';

export interface Resumed {
  workerId: string;
  bench?: number;
  /** what the machine runs, where it had to be set up again */
  run?: Run;
  ticks?: readonly string[];
}

export const WorkResumed = entryKind('work.resumed')<Resumed>({
  apply(rows, entry) {
    const { run, ticks = [], workerId } = entry.payload;
    const batch = rows.get(Batch, entry.batchId);
    if (run) {
      rows.amend(Visit, visitOf(rows, batch), { run });
      leaveOn(rows, run, ticks, { batch, stationCode: batch.stationCode, personId: workerId, atMs: entry.atMs });
    }
    beginJob(rows, batch, entry.atMs, entry.payload);
  },
  sentence: ({ payload: { workerId, run } }, nameOf) =>
    `Resumed by ${nameOf('person', workerId)}${run ? `, the machine set up again for "${run.what}" revision ${run.revision}` : ''}`,
});
