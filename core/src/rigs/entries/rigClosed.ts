import type { RigLaws } from '../../carriers/index.ts';
import { Batch, changeBatch, livePieces, Piece, piecesIn } from '../../batches/index.ts';
import { entryKind } from '../../ledger/index.ts';
import { counted } from '../words.ts';

export interface Closed {
  rigId: string;
  workerId: string;
  /** what the pieces of this batch ask for, and while they are in, all of the load */
  laws: RigLaws;
  /** of the whole load */
  pieces: number;
  /** other batches that are in it */
  withBatchIds: readonly string[];
}

/** A rig is closed over all that is in it, and its time begins; told for each batch in it. */
export const RigClosed = entryKind('rig.closed')<Closed>({
  apply(rows, { batchId, atMs, payload: { rigId, laws } }) {
    const batch = rows.get(Batch, batchId);
    for (const piece of livePieces(piecesIn(rows, batch.id)))
      if (piece.inRig === rigId && piece.stay?.closedMs === null)
        rows.amend(Piece, piece, { stay: { ...piece.stay, closedMs: atMs, laws } });
    changeBatch(rows, batch.id, {});
  },
  sentence: ({ payload: { rigId, workerId, pieces, withBatchIds } }, nameOf) =>
    `${nameOf('carrier', rigId)} closed over ${counted(pieces)} by ${nameOf('person', workerId)}${withBatchIds.length === 0 ? '' : `, together with ${withBatchIds.join(', ')}`}`,
});
