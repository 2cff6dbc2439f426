import { asked, NOT_ANSWERED, refuse, rowsBy, wrongInput, type Decision } from '../../ledger/index.ts';
import { placementsOf } from '../../carriers/index.ts';
import { operationOf } from '../../routing/index.ts';
import { Visit, visitOf, type BatchStatus } from '../batch.ts';
import { accept, type BatchEntry } from '../decided.ts';
import { Defect } from '../defect.ts';
import { Job } from '../job.ts';
import type { Undoable } from '../entries/undoable.ts';
import { kitsAsked, kitsIn } from '../kits.ts';
import { LatestEntry } from '../lastEntry.ts';
import { placeAsks, placed } from '../places.ts';
import { onBatch, type AtStep } from './onBatch.ts';

const WHILE: Readonly<Record<Undoable['kind'], readonly BatchStatus[]>> = {
  'work.started': ['running'],
  'work.finished': ['finished', 'queued'],
  'batch.moved': ['queued', 'dwelling', 'stocked'],
};

/** Takes the latest entry back, as long as nothing rests on it. */
export const UndoEntry = onBatch('undo entry')<{ entryId: number; reason: string }>({
  role: 'operator',
  first: (request) => [kitsAsked(request)],
  stock: ({ batchId }, first) => kitsIn(batchId, first),
  // What is taken back may reach to earlier visits, and to what was found wrong.
  reads:
    ({ batchId }) =>
    () => [rowsBy(Visit, 'batchId', [batchId]), rowsBy(Defect, 'batchId', [batchId])],
  asks: ({ batchId }, at) => [asked(LatestEntry, { batchId }), ...placeAsks(undefined, at)],
  decide({ entryId, reason }, at) {
    const last = at.answers.to(LatestEntry, { batchId: at.batch.id });
    if (reason.trim() === '') return wrongInput('reason', 'Say why it is taken back');
    if (last === NOT_ANSWERED || last?.id !== entryId)
      return refuse('Only the latest entry can be taken back; something else has been logged since');
    if (!last.undoable) return refuse('This kind of entry cannot be taken back; log a correction instead');
    return takeBack(last.undoable, { kind: 'entry.undone', payload: { entryId, undone: last.undoable, reason: reason.trim() } }, at);
  },
});

function takeBack(undoable: Undoable, undone: BatchEntry, at: AtStep): Decision<BatchEntry> {
  const { batch, operation, route, rows, live } = at;
  if (!WHILE[undoable.kind].includes(batch.status)) return refuse(`Batch ${batch.id} is ${batch.status}; that can no longer be taken back`);
  switch (undoable.kind) {
    case 'work.started': {
      const shares = batch.jobId === null ? [] : rows.get(Job, batch.jobId).shares;
      if (shares.some((s) => s.batchId !== batch.id && s.toMs !== null && s.toMs > s.fromMs))
        return refuse('What was begun together with it has been worked on; that can no longer be taken back');
      if (operation.draws) return refuse('Small parts were drawn for it; that cannot be taken back');
      const tookPlaces = (operation.noWait || operation.place) && placementsOf(rows, batch.id).length > 0;
      return tookPlaces ? accept(undone, { kind: 'batch.placed', payload: { placements: [] } }) : accept(undone);
    }
    case 'work.finished':
      if (undoable.payload.redo) return refuse('Rework that is finished cannot be taken back');
      return undoable.payload.reworkNumber === undefined
        ? accept(undone)
        : refuse('What must be done again has gone back by itself; that can no longer be taken back');
    case 'batch.moved': {
      const visit = visitOf(rows, batch);
      if (visit.good !== 0 || visit.quantity !== live.length)
        return refuse(`Some of batch ${batch.id} has gone on from here; that can no longer be taken back`);
      const from = operationOf(route, undoable.payload.from);
      const placing = placed(at, { need: from.place, where: from.name, told: undefined, quantity: live.length });
      return placing.kind === 'refuse' ? placing : accept(undone, ...placing.entries);
    }
  }
}
