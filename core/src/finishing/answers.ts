import { Batch, countsFor, LastCoats, livePieces, Piece, piecesIn, piecesInPass, Visit, visitOf } from '../batches/index.ts';
import { answerer, rowsBy, rowsOf, type Ask, type Rows } from '../ledger/index.ts';
import { CoatsOn } from '../routing/index.ts';

const reads = ({ batchId }: { batchId: string }, known: Rows): readonly Ask[] => {
  const visitId = known.find(Batch, batchId)?.visitId;
  return [rowsOf(Batch, [batchId]), rowsBy(Piece, 'batchId', [batchId]), rowsOf(Visit, visitId === undefined ? [] : [visitId])];
};

/** Each piece knows its own: what was split off or came in keeps the coats it has. */
export const coatsOn = answerer(CoatsOn, {
  reads,
  answer({ batchId }, rows) {
    const batch = rows.get(Batch, batchId);
    const visit = visitOf(rows, batch);
    return piecesInPass(batch, piecesIn(rows, batchId)).map(({ id, lastCoat }) =>
      lastCoat && countsFor(visit, lastCoat.visitId)
        ? { pieceId: id, coats: lastCoat.coats, lastMs: lastCoat.atMs }
        : { pieceId: id, coats: 0, lastMs: null },
    );
  },
});

export const lastCoats = answerer(LastCoats, {
  reads,
  answer: ({ batchId }, rows) => livePieces(piecesIn(rows, batchId)).map(({ lastCoat }) => lastCoat?.atMs ?? null),
});
