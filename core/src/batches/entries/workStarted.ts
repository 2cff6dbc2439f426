import { entryKind } from '../../ledger/index.ts';
import { operationOf, OWN_WAY, type Routes } from '../../routing/index.ts';
import { Batch, Visit, visitOf } from '../batch.ts';
import { openRun } from './run.ts';

export const WorkStarted = entryKind('work.started')<{ operationId: string; workerId: string; wayId?: string }, Routes>({
  apply(rows, entry, routes) {
    const batch = rows.get(Batch, entry.batchId);
    const { operationId, workerId, wayId = OWN_WAY } = entry.payload;
    const { ways } = operationOf(routes.routeOf(batch), operationId);
    const stationCode = ways?.find((w) => w.id === wayId)?.stationCode ?? batch.stationCode;
    rows.amend(Visit, visitOf(rows, batch), { startedMs: entry.atMs, personId: workerId, stationCode });
    openRun(rows, rows.amend(Batch, batch, { stationCode, wayId, accepted: true }), entry.atMs, workerId);
  },
  sentence: ({ payload }, nameOf) => `${nameOf('step', payload.operationId)} started by ${nameOf('person', payload.workerId)}`,
});
