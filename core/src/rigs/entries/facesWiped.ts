import { Batch, changeBatch, Piece } from '../../batches/index.ts';
import { entryKind } from '../../ledger/index.ts';
import { counted } from '../words.ts';

export interface Wiped {
  /** the step that they are glued for */
  operationId: string;
  pieceIds: readonly string[];
  withWhat: string;
  workerId: string;
}

/** Faces of pieces of a batch are wiped before they are glued. */
export const FacesWiped = entryKind('faces.wiped')<Wiped>({
  apply(rows, { batchId, atMs, payload: { pieceIds } }) {
    for (const pieceId of pieceIds) rows.change(Piece, pieceId, { wipedMs: atMs });
    changeBatch(rows, rows.get(Batch, batchId).id, {});
  },
  sentence: ({ payload: { pieceIds, withWhat, workerId } }, nameOf) =>
    `${counted(pieceIds.length)} wiped with ${withWhat} by ${nameOf('person', workerId)}`,
});
