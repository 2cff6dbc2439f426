import { Batch, ControlOf, countsFor, livePieces, MeasuresOf, Piece, piecesIn, piecesInPass, Visit, visitOf } from '../batches/index.ts';
import type { Factory } from '../factory/index.ts';
import { answerer, rowsBy, rowsOf, type Ask, type Question, type Rows } from '../ledger/index.ts';
import {
  OutOfBandOf,
  sampleOf,
  UnmeasuredOf,
  type ControlNow,
  type OffMeasure,
  type Operation,
  type Unmeasured,
} from '../routing/index.ts';
import { Dimension, dimensionIdOf, LIMITS_FROM, openSignalInWords } from './dimension.ts';
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

/** What the pieces of the pass lack of the measures a step asks for, taken since they came to it, in this batch or another. */
export function unmeasuredIn(
  batch: Pick<Batch, 'redo'>,
  visit: Pick<Visit, 'id' | 'continues'>,
  operation: Operation,
  pieces: readonly Piece[],
  measures: readonly Measure[],
): Unmeasured[] {
  const taken = new Set(
    measures
      .filter((m) => m.operationId === operation.id && countsFor(visit, m.visitId))
      .map((m) => JSON.stringify([m.pieceId, m.characteristicId])),
  );
  const inPass = piecesInPass(batch, pieces);
  return (operation.characteristics ?? []).flatMap((c) => {
    const pieceIds = inPass.map((piece) => piece.id).filter((id) => !taken.has(JSON.stringify([id, c.id])));
    const left = { characteristicId: c.id, name: c.name, taken: inPass.length - pieceIds.length, pieceIds };
    const wanted = sampleOf(c, inPass.length);
    return left.taken < wanted ? [{ ...left, wanted }] : [];
  });
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
/** What the charts say: of a characteristic that several steps measure, a signal of any of them, or the one with fewest values. */
export const controlOf = answerer(ControlOf, {
  reads: ({ modelId, measured }) => [
    rowsOf(
      Dimension,
      measured.map((m) => dimensionIdOf(modelId, m.operationId, m.characteristicId)),
    ),
  ],
  answer({ modelId, measured }, rows) {
    const control: Record<string, ControlNow> = {};
    for (const { operationId, characteristicId } of measured) {
      const dimension = rows.find(Dimension, dimensionIdOf(modelId, operationId, characteristicId));
      const said = { values: dimension?.latest.length ?? 0, needed: LIMITS_FROM, signal: dimension?.signal ?? null };
      const now = { ...said, signal: said.signal && openSignalInWords(said.signal) };
      const before = control[characteristicId];
      if (!before || (before.signal === null && (now.signal !== null || now.values < before.values))) control[characteristicId] = now;
    }
    return { control };
  },
});

export const unmeasuredOf = ofPass(UnmeasuredOf, unmeasuredIn);
