import { Batch, livePieces, MeasuresOf, Piece, piecesIn, piecesInPass } from '../batches/index.ts';
import type { Factory } from '../factory/index.ts';
import { answerer, rowsBy, rowsOf, type Ask, type Rows } from '../ledger/index.ts';
import { UnmeasuredOf, type Operation } from '../routing/index.ts';
import { Measure } from './measure.ts';
import { measureEvidence } from './measureEvidence.ts';

/** The measures of the pieces that are still in a batch, wherever they were taken. */
const measuresIn = (rows: Rows, pieces: readonly Piece[]): Measure[] => pieces.flatMap(({ id }) => rows.where(Measure, 'pieceId', id));

const reads = ({ batchId }: { batchId: string }, known: Rows): readonly Ask[] => [
  rowsOf(Batch, [batchId]),
  rowsBy(Piece, 'batchId', [batchId]),
  rowsBy(
    Measure,
    'pieceId',
    livePieces(piecesIn(known, batchId)).map((p) => p.id),
  ),
];

export const measuresOf = answerer(MeasuresOf, {
  reads,
  answer: ({ batchId }, rows) => measureEvidence(measuresIn(rows, livePieces(piecesIn(rows, batchId)))),
});

/** Pieces of the pass that lack a measure a step asks for, taken since the batch came to it. */
export function unmeasuredPieces(
  batch: Pick<Batch, 'redo' | 'arrivedMs'>,
  operation: Operation,
  pieces: readonly Piece[],
  measures: readonly Measure[],
): string[] {
  const wanted = operation.characteristics ?? [];
  const taken = new Set(
    measures
      .filter((m) => m.operationId === operation.id && m.atMs >= batch.arrivedMs)
      .map((m) => JSON.stringify([m.pieceId, m.characteristicId])),
  );
  return piecesInPass(batch, pieces)
    .filter((piece) => !wanted.every((c) => taken.has(JSON.stringify([piece.id, c.id]))))
    .map((piece) => piece.id);
}

export const unmeasuredOf = answerer<{ batchId: string }, readonly string[], Factory>(UnmeasuredOf, {
  reads,
  answer({ batchId }, rows, factory) {
    const batch = rows.get(Batch, batchId);
    const pieces = piecesIn(rows, batchId);
    return unmeasuredPieces(batch, factory.operationAt(batch), pieces, measuresIn(rows, pieces));
  },
});
