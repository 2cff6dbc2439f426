import { changeBatch, Piece, piecesIn, piecesInPass } from '../batches/index.ts';
import { entryKind } from '../ledger/index.ts';

/** A film was sanded by hand: scuffed, so that the next coat keys to it again, or taken off to the wood. */
export const FilmScuffed = entryKind('film.scuffed')<{ operationId: string; grit: number; toBare?: boolean }>({
  apply(rows, { batchId, atMs, payload: { grit, toBare = false } }) {
    const batch = changeBatch(rows, batchId, {});
    for (const piece of piecesInPass(batch, piecesIn(rows, batch.id))) {
      if (piece.lastCoat === null) continue;
      if (toBare) rows.amend(Piece, piece, { grit, coats: 0, lastCoat: null, bareMs: atMs });
      else rows.amend(Piece, piece, { grit, lastCoat: { ...piece.lastCoat, scuffedMs: atMs } });
    }
  },
  sentence: ({ payload: { grit, toBare = false } }) => (toBare ? `Film sanded off to the wood with ${grit}` : `Scuffed with ${grit}`),
});
