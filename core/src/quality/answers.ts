import { Batch, countsFor, livePieces, MeasuresOf, Piece, piecesIn, piecesInPass, Visit, visitOf } from '../batches/index.ts';
import type { Factory } from '../factory/index.ts';
import { answerer, rowsBy, rowsOf, type Ask, type Question, type Rows } from '../ledger/index.ts';
import { OutOfBandOf, UnmeasuredOf, type OffMeasure, type Operation } from '../routing/index.ts';
import { Measure } from './measure.ts';
import { measureEvidence } from './measureEvidence.ts';

/** The measures of the pieces that are still in a batch, wherever they were taken. */
const measuresIn = (rows: Rows, pieces: readonly Piece[]): Measure[] => pieces.flatMap(({ id }) => rows.where(Measure, 'pieceId', id));

const visitIds = (known: Rows, batchId: string): string[] => {
  const batch = known.find(Batch, batchId);
  return batch ? [batch.visitId] : [];
};

const reads = ({ batchId }: { batchId: string }, known: Rows): readonly Ask[] => [
  rowsOf(Batch, [batchId]),
  rowsOf(Visit, visitIds(known, batchId)),
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

/** Pieces of the pass that lack a measure a step asks for, taken since they came to it, in this batch or another. */
export function unmeasuredPieces(
  batch: Pick<Batch, 'redo'>,
  visit: Pick<Visit, 'id' | 'continues'>,
  operation: Operation,
  pieces: readonly Piece[],
  measures: readonly Measure[],
): string[] {
  const wanted = operation.characteristics ?? [];
  const taken = new Set(
    measures
      .filter((m) => m.operationId === operation.id && countsFor(visit, m.visitId))
      .map((m) => JSON.stringify([m.pieceId, m.characteristicId])),
  );
  return piecesInPass(batch, pieces)
    .filter((piece) => !wanted.every((c) => taken.has(JSON.stringify([piece.id, c.id]))))
    .map((piece) => piece.id);
}

/** Of the pieces of the pass, the latest measures of the step that lie out of band, taken since they came to it. */
export function offMeasures(
  batch: Pick<Batch, 'redo'>,
  visit: Pick<Visit, 'id' | 'continues'>,
  operation: Operation,
  pieces: readonly Piece[],
  measures: readonly Measure[],
): OffMeasure[] {
  const inPass = new Set(piecesInPass(batch, pieces).map((p) => p.id));
  const latest = new Map<string, Measure>();
  for (const m of [...measures].sort((a, b) => a.atMs - b.atMs))
    if (inPass.has(m.pieceId) && m.operationId === operation.id && countsFor(visit, m.visitId))
      latest.set(JSON.stringify([m.pieceId, m.characteristicId]), m);
  return [...latest.values()].flatMap(({ pieceId, characteristicId, value, low, high, inBand }) => {
    const asked = operation.characteristics?.find((c) => c.id === characteristicId);
    return inBand || !asked ? [] : [{ pieceId, name: asked.name, unit: asked.unit, value, low, high }];
  });
}

/** Answers what is asked of the pieces of a batch's pass, from their measures. */
const ofPass = <Answer>(asking: Question<{ batchId: string }, Answer>, of: (...pass: Parameters<typeof offMeasures>) => Answer) =>
  answerer<{ batchId: string }, Answer, Factory>(asking, {
    reads,
    answer({ batchId }, rows, factory) {
      const batch = rows.get(Batch, batchId);
      const pieces = piecesIn(rows, batchId);
      return of(batch, visitOf(rows, batch), factory.operationAt(batch), pieces, measuresIn(rows, pieces));
    },
  });

export const outOfBandOf = ofPass(OutOfBandOf, offMeasures);
export const unmeasuredOf = ofPass(UnmeasuredOf, unmeasuredPieces);
