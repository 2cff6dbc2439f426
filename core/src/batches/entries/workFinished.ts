import { entryKind } from '../../ledger/index.ts';
import { afterStep, keepOverride, operationOf, type Override, type Routes } from '../../routing/index.ts';
import { Batch, batchIdOf, Piece, piecesInPass, piecesIn, Visit, visitOf } from '../batch.ts';
import type { PieceOutcome } from '../outcome.ts';
import { runDone } from '../run.ts';
import { sheetSentence, type SheetGiven } from '../sheet.ts';
import { goBackAlone } from './goBackAlone.ts';
import { keepDefect, scrapPiece } from './pieceRows.ts';
import { arrive, lessPieces } from './rows.ts';
import { leaveJob } from './jobRows.ts';

export interface Finished {
  operationId: string;
  good: number;
  rework: number;
  scrap: number;
  outcomes: readonly PieceOutcome[];
  /** only the pieces that had come back were worked on */
  redo?: boolean;
  /** the number of the batch in which what must be done again goes back alone */
  reworkNumber?: number;
  /** what was ticked and noted of it, as its sheet asked */
  sheet?: SheetGiven;
  /** what is out of band, and somebody accepted */
  override?: Override;
}

export const WorkFinished = entryKind('work.finished')<Finished, Routes>({
  apply(rows, entry, routes) {
    const batch = rows.get(Batch, entry.batchId);
    const { good, rework, scrap, outcomes, operationId, reworkNumber, override = null } = entry.payload;
    keepOverride(rows, entry, `${batch.visitId}/measures`, operationId, override);
    const operation = operationOf(routes.routeOf(batch), operationId);
    const after = afterStep(operation);
    if (batch.jobId !== null) leaveJob(rows, batch, entry.atMs);
    const visit = visitOf(rows, batch);
    rows.amend(Visit, visit, { finishedMs: entry.atMs, good, rework, scrap, run: runDone(visit) });
    for (const piece of piecesInPass(batch, piecesIn(rows, batch.id))) {
      const outcome = outcomes.find((o) => o.pieceId === piece.id);
      if (!outcome) {
        const { grit = piece.grit } = after;
        if (piece.state !== 'good' || piece.grit !== grit) rows.amend(Piece, piece, { state: 'good', grit });
      } else {
        keepDefect(rows, entry, batch, `${batch.visitId}/${piece.id}`, outcome, outcome.outcome);
        if (outcome.outcome === 'scrap') scrapPiece(rows, piece.id, entry.atMs);
        else rows.change(Piece, piece.id, { state: 'rework' });
      }
    }
    const { batch: left } = lessPieces(rows, batch.id, scrap, entry.atMs);
    if (left.quantity === 0) {
      rows.change(Batch, left.id, { jobId: null });
      return;
    }
    const finished = rows.change(Batch, left.id, { status: 'finished', jobId: null, awayTo: null, dueBackMs: null });
    if (rework === 0) return;
    if (reworkNumber !== undefined) {
      const again = outcomes.flatMap((o) => (o.outcome === 'rework' ? [o.pieceId] : []));
      goBackAlone(rows, batch.id, { number: reworkNumber, pieceIds: again, operation, atMs: entry.atMs });
      return;
    }
    // What came back is done again before the batch goes on.
    rows.amend(Visit, visitOf(rows, batch), { leftMs: entry.atMs });
    arrive(rows, finished, operation, entry.atMs, true);
  },
  sentence: ({ payload: { good, rework, scrap, outcomes, operationId, reworkNumber, override, sheet } }, nameOf) => {
    const bad = outcomes.map((o) => `${o.pieceId} ${o.outcome}: ${o.defect}`).join(', ');
    return `${nameOf('step', operationId)} finished: ${good} good, ${rework} rework${reworkNumber === undefined ? '' : ` as ${batchIdOf(reworkNumber)}`}, ${scrap} scrap${bad === '' ? '' : ` (${bad})`}${sheetSentence(sheet)}${override ? `; accepted as it is: ${override.reason}` : ''}`;
  },
});
