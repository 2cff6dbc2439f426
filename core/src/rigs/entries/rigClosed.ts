import type { RigLaws } from '../../carriers/index.ts';
import { Batch, changeBatch, livePieces, Piece, piecesIn } from '../../batches/index.ts';
import { entryKind } from '../../ledger/index.ts';
import { keepOverride, type Override } from '../../routing/index.ts';
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
  /** closed after the glue of some had lain open too long; not there where it had not */
  override?: Override;
}

/** A rig is closed over all that is in it, and its time begins; told for each batch in it. */
export const RigClosed = entryKind('rig.closed')<Closed>({
  apply(rows, entry) {
    const { batchId, atMs, payload } = entry;
    const { rigId, laws, override } = payload;
    const batch = rows.get(Batch, batchId);
    for (const piece of livePieces(piecesIn(rows, batch.id)))
      if (piece.inRig === rigId && piece.stay?.closedMs === null)
        rows.amend(Piece, piece, { stay: { ...piece.stay, closedMs: atMs, laws } });
    keepOverride(rows, entry, `${batch.visitId}/rig/${atMs}`, batch.operationId, override ?? null);
    changeBatch(rows, batch.id, {});
  },
  sentence: ({ payload: { rigId, workerId, pieces, withBatchIds, override } }, nameOf) =>
    `${nameOf('carrier', rigId)} closed over ${counted(pieces)} by ${nameOf('person', workerId)}${withBatchIds.length === 0 ? '' : `, together with ${withBatchIds.join(', ')}`}${override ? `, with glue that had lain open too long: ${override.reason}` : ''}`,
});
