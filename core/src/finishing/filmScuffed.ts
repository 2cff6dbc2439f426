import { changeBatch, Piece, piecesIn, piecesInPass } from '../batches/index.ts';
import { entryKind } from '../ledger/index.ts';

/** A film whose window for the next coat had closed, or is to be opened, was scuffed by hand: the next coat keys to it again. */
export const FilmScuffed = entryKind('film.scuffed')<{ operationId: string; grit: number }>({
  apply(rows, { batchId, atMs, payload: { grit } }) {
    const batch = changeBatch(rows, batchId, {});
    for (const piece of piecesInPass(batch, piecesIn(rows, batch.id)))
      if (piece.lastCoat !== null) rows.amend(Piece, piece, { grit, lastCoat: { ...piece.lastCoat, scuffedMs: atMs } });
  },
  sentence: ({ payload }) => `Scuffed with ${payload.grit}`,
});
