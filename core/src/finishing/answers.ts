import { Batch, countsFor, LastCoats, livePieces, Piece, piecesIn, piecesInPass, Visit, visitOf } from '../batches/index.ts';
import { answerer, rowsBy, rowsOf, type Ask, type Rows } from '../ledger/index.ts';
import { CoatsOn, type LastCoat } from '../routing/index.ts';

const reads = ({ batchId }: { batchId: string }, known: Rows): readonly Ask[] => {
  const visitId = known.find(Batch, batchId)?.visitId;
  return [rowsOf(Batch, [batchId]), rowsBy(Piece, 'batchId', [batchId]), rowsOf(Visit, visitId === undefined ? [] : [visitId])];
};

const timesOf = ({ atMs, scuffedMs }: NonNullable<Piece['lastCoat']>): LastCoat => ({ atMs, scuffedMs: scuffedMs ?? null });

/** Each piece knows its own: what was split off or came in keeps the coats it has. */
export const coatsOn = answerer(CoatsOn, {
  reads,
  answer({ batchId }, rows) {
    const batch = rows.get(Batch, batchId);
    const visit = visitOf(rows, batch);
    return piecesInPass(batch, piecesIn(rows, batchId)).map(({ id, lastCoat }) =>
      lastCoat && countsFor(visit, lastCoat.visitId)
        ? { pieceId: id, coats: lastCoat.coats, last: timesOf(lastCoat) }
        : { pieceId: id, coats: 0, last: null },
    );
  },
});

export const lastCoats = answerer(LastCoats, {
  reads,
  answer: ({ batchId }, rows) => livePieces(piecesIn(rows, batchId)).map(({ lastCoat }) => lastCoat && timesOf(lastCoat)),
});
