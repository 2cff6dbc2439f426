import { entryKind } from '../../ledger/index.ts';
import { afterStep, operationOf, type Routes } from '../../routing/index.ts';
import { Batch, Piece, Visit, visitOf, batchIdOf } from '../batch.ts';
import { runDone } from '../run.ts';
import { sheetSentence, type SheetGiven } from '../sheet.ts';
import { splitOff } from './splitOff.ts';

/** Some of the pieces are ready before the others, and go on as a batch of their own; the work on the rest goes on. */
export const WorkPartFinished = entryKind('work.partFinished')<
  { operationId: string; number: number; pieceIds: readonly string[]; sheet?: SheetGiven },
  Routes
>({
  apply(rows, entry, routes) {
    const { number, pieceIds, operationId } = entry.payload;
    const batch = rows.get(Batch, entry.batchId);
    const after = afterStep(operationOf(routes.routeOf(batch), operationId));
    const ready = splitOff(rows, batch.id, number, pieceIds, entry.atMs);
    const visit = visitOf(rows, ready);
    rows.amend(Visit, visit, { finishedMs: entry.atMs, good: pieceIds.length, run: runDone(visit) });
    rows.change(Batch, ready.id, { status: 'finished', sinceMs: entry.atMs });
    for (const id of pieceIds) rows.change(Piece, id, { state: 'good', ...after });
  },
  sentence: ({ payload }) =>
    `${payload.pieceIds.length} ready before the rest, as ${batchIdOf(payload.number)}${sheetSentence(payload.sheet)}`,
});
