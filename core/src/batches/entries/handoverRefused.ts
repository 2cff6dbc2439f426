import { entryKind, type Rows } from '../../ledger/index.ts';
import { operationOf, type Routes } from '../../routing/index.ts';
import { Batch, Piece, Visit, visitOf } from '../batch.ts';
import type { Refusal } from '../outcome.ts';
import { leaveJob } from './jobRows.ts';
import { keepDefect } from './pieceRows.ts';
import { arrive, changeBatch, leave } from './rows.ts';
import { scrapPieces } from './scrapPieces.ts';
import { splitOff } from './splitOff.ts';

/** What is sent back from where it was found: each fate has its own way. */
export const HandoverRefused = entryKind('handover.refused')<{ operationId: string; refusals: readonly Refusal[] }, Routes>({
  apply(rows, entry, routes) {
    for (const refusal of entry.payload.refusals) {
      const batch = rows.get(Batch, entry.batchId);
      for (const piece of refusal.pieces)
        keepDefect(rows, entry, batch, `${batch.visitId}/${piece.pieceId}@${entry.atMs}`, piece, refusal.disposition);
      const ids = refusal.pieces.map((p) => p.pieceId);
      switch (refusal.disposition) {
        case 'use as is':
          changeBatch(rows, batch.id, {});
          continue;
        case 'scrap':
          scrapPieces(rows, batch.id, ids, entry.atMs);
          continue;
        case 'hold': {
          const held = refusal.number === null ? batch : splitOff(rows, batch.id, refusal.number, ids, entry.atMs);
          const reason = `Refused: ${[...new Set(refusal.pieces.map((p) => p.defect))].join(', ')}`;
          changeBatch(rows, held.id, { status: 'held', heldStatus: held.status, holdReason: reason, sinceMs: entry.atMs });
          continue;
        }
        case 'rework': {
          if (refusal.number === null && batch.jobId !== null) leaveJob(rows, batch, entry.atMs);
          const back = refusal.number === null ? rows.get(Batch, batch.id) : splitOff(rows, batch.id, refusal.number, ids, entry.atMs);
          for (const id of ids) rows.change(Piece, id, { state: 'rework' });
          if (back.status === 'queued') leave(rows, back, entry.atMs);
          else takenOut(rows, visitOf(rows, back), ids.length, entry.atMs);
          const to = operationOf(routes.routeOf(back), refusal.toOperationId ?? back.operationId);
          arrive(rows, back, to, entry.atMs, true);
        }
      }
    }
  },
  sentence: ({ payload: { operationId, refusals } }, nameOf) => {
    const fates = refusals.map((r) => {
      const back = r.toOperationId === null ? '' : ` at ${nameOf('step', r.toOperationId)}`;
      return `${r.pieces.map((p) => `${p.pieceId} (${p.defect})`).join(', ')}: ${r.disposition}${back}`;
    });
    return `Refused at ${nameOf('step', operationId)}: ${fates.join('; ')}`;
  },
});

/** Pieces go back in the middle of a visit, or after it: they did not come out good. */
function takenOut(rows: Rows, visit: Visit, pieces: number, atMs: number): void {
  const { finishedMs, good, rework } = visit;
  rows.amend(Visit, visit, { finishedMs: finishedMs ?? atMs, leftMs: atMs, good: Math.max(0, good - pieces), rework: rework + pieces });
}
