import { Batch, changeBatch, comeOut, Piece } from '../../batches/index.ts';
import { entryKind } from '../../ledger/index.ts';
import { keepOverride, type Override } from '../../routing/index.ts';
import { counted } from '../words.ts';

export interface Emptied {
  rigId: string;
  operationId: string;
  pieceIds: readonly string[];
  workerId: string;
  /** it was no pressing: they go in again */
  back: boolean;
  /** taken out before their time */
  override: Override | null;
}

/** Pieces of a batch come out of a rig. */
export const RigEmptied = entryKind('rig.emptied')<Emptied>({
  apply(rows, entry) {
    const { operationId, pieceIds, back, override } = entry.payload;
    const batch = rows.get(Batch, entry.batchId);
    for (const pieceId of pieceIds) {
      const piece = rows.get(Piece, pieceId);
      if (back) rows.amend(Piece, piece, { inRig: null, stay: null });
      else comeOut(rows, piece, entry.atMs, { early: override !== null });
    }
    keepOverride(rows, entry, `${batch.visitId}/rig/${entry.atMs}`, operationId, override);
    changeBatch(rows, batch.id, {});
  },
  sentence: ({ payload: { rigId, pieceIds, workerId, back, override } }, nameOf) =>
    `${counted(pieceIds.length)} taken out of ${nameOf('carrier', rigId)} by ${nameOf('person', workerId)}${back ? '; to go in again' : ''}${override ? `, before its time: ${override.reason}` : ''}`,
});
