import { entryKind } from '../../ledger/index.ts';
import { operationOf, type Routes } from '../../routing/index.ts';
import { Batch, Visit, visitOf } from '../batch.ts';
import { arrive, changeBatch, leave, loadSOf } from './rows.ts';

/** Another version of the route: a step of the same name goes on where it was, any other is arrived at now. */
export const BatchRerouted = entryKind('batch.rerouted')<{ routeId: string; operationId: string; reason: string }, Routes>({
  apply(rows, entry, routes) {
    const { routeId, operationId } = entry.payload;
    const batch = rows.get(Batch, entry.batchId);
    const was = operationOf(routes.routeOf(batch), batch.operationId);
    const moved = changeBatch(rows, batch.id, { routeId });
    const to = operationOf(routes.routeOf(moved), operationId);
    if (to.id === was.id && to.kind === was.kind) {
      const visit = visitOf(rows, moved);
      const loadS = visit.loadS === null ? null : loadSOf(to, visit.quantity);
      rows.amend(Visit, visit, { stationCode: to.stationCode, stage: to.stage, loadS });
      rows.change(Batch, moved.id, { stationCode: to.stationCode, stage: to.stage });
      return;
    }
    leave(rows, moved, entry.atMs);
    arrive(rows, moved, to, entry.atMs);
  },
  sentence: ({ payload }, nameOf) =>
    `Moved to ${nameOf('route version', payload.routeId)} at ${nameOf('step', payload.operationId)}: ${payload.reason}`,
});
