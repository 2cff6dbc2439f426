import { Batch, isCounted, Job, livePieces, piecesIn, visitOf, type BatchHeld, type WorkPaused } from '../batches/index.ts';
import type { Factory } from '../factory/index.ts';
import {
  answerer,
  asked,
  commandKind,
  NOT_ANSWERED,
  question,
  refuse,
  rowsOf,
  wrongInput,
  type Decided,
  type Decision,
  type Rows,
} from '../ledger/index.ts';
import type { Characteristic } from '../routing/index.ts';
import { Dimension, dimensionIdOf, newDimension, openSignalInWords, withValues } from './dimension.ts';
import type { MeasuresTaken, Taken } from './measuresTaken.ts';

export interface TakeMeasuresRequest {
  batchId: string;
  measures: readonly { pieceId: string; characteristicId: string; value: number }[];
}

type Entry = Decided<typeof MeasuresTaken> | Decided<typeof WorkPaused> | Decided<typeof BatchHeld>;

/** The dimensions that the step of a batch measures. */
export const DimensionsAt = question<{ batchId: string }, readonly string[]>('dimensions at');
export const dimensionsAt = answerer<{ batchId: string }, readonly string[], Factory>(DimensionsAt, {
  reads: ({ batchId }) => [rowsOf(Batch, [batchId])],
  answer: ({ batchId }, rows, factory) => measuredAt(rows.find(Batch, batchId), factory),
});

/** The batches whose pieces are worked on in one load with those of a batch. */
export const LoadWith = question<{ batchId: string }, readonly string[]>('load with');
export const loadWith = answerer<{ batchId: string }, readonly string[], Factory>(LoadWith, {
  reads: ({ batchId }, known) => {
    const batch = known.find(Batch, batchId);
    return [rowsOf(Batch, [batchId]), ...(batch ? Batch.under(batch) : [])];
  },
  answer: ({ batchId }, rows) => withIt(rows.find(Batch, batchId), rows),
});

function withIt(batch: Batch | undefined, rows: Rows): string[] {
  const job = batch?.jobId ? rows.find(Job, batch.jobId) : undefined;
  return [...new Set((job?.shares ?? []).flatMap((s) => (s.toMs === null && s.batchId !== batch?.id ? [s.batchId] : [])))];
}

const measuredAt = (batch: Batch | undefined, factory: Factory): string[] =>
  batch ? (factory.operationAt(batch).characteristics ?? []).map((c) => dimensionIdOf(batch.modelId, batch.operationId, c.id)) : [];

/** What a hold at the machine waits for: somebody who decides. */
const WAITS_FOR = 'instruction';

/** Dimensions or set-up measures of pieces of a batch, against the bands of its step; what a chart makes of them may hold its load. */
export const TakeMeasures = commandKind('take measures')<TakeMeasuresRequest, Factory>({
  role: 'operator',
  first: ({ batchId }) => [asked(DimensionsAt, { batchId }), asked(LoadWith, { batchId })],
  concerns({ batchId }, first) {
    const ids = first.to(DimensionsAt, { batchId });
    const others = first.to(LoadWith, { batchId });
    return {
      about: [rowsOf(Batch, [batchId, ...(others === NOT_ANSWERED ? [] : others)])],
      making: ids === NOT_ANSWERED ? [] : [rowsOf(Dimension, ids)],
    };
  },
  notBefore: ({ batchId }, rows) => ({ atMs: rows.get(Batch, batchId).arrivedMs, because: `Batch ${batchId} came here only after that` }),
  decide({ batchId, measures }, { rows, factory, nowMs, answers }): Decision<Entry> {
    const batch = rows.get(Batch, batchId);
    const operation = factory.operationAt(batch);
    const kept = answers.to(DimensionsAt, { batchId });
    if (kept !== NOT_ANSWERED && measuredAt(batch, factory).some((id) => !kept.includes(id)))
      return refuse(`Batch ${batchId} has been moved since then`);
    const load = [batch.id, ...withIt(batch, rows)].map((id) => rows.find(Batch, id));
    if (load.includes(undefined)) return refuse('Another batch has just joined the load: look again');
    const live = new Set(livePieces(piecesIn(rows, batchId)).map((p) => p.id));
    if (measures.length === 0) return wrongInput('measures', 'Type at least one measure');
    const taken: Taken['measures'] = [];
    for (const [i, { pieceId, characteristicId, value }] of measures.entries()) {
      const characteristic = operation.characteristics?.find((c) => c.id === characteristicId);
      if (!characteristic) return wrongInput(`measures.${i}.characteristicId`, `${operation.name} does not measure ${characteristicId}`);
      if (!live.has(pieceId)) return wrongInput(`measures.${i}.pieceId`, `Piece ${pieceId} is not in batch ${batchId}`);
      const id = `${batch.visitId}/${pieceId}/${characteristicId}/${nowMs}`;
      taken.push({ id, pieceId, characteristicId, value, low: characteristic.low, high: characteristic.high });
    }
    const reasons = (operation.characteristics ?? []).flatMap((c) => firedBy(c, batch, taken, rows, nowMs) ?? []);
    return {
      kind: 'accept',
      entries: [
        { kind: 'measures.taken', batchId, payload: { operationId: operation.id, measures: taken } },
        // What ran with it was made as it was.
        ...(reasons.length > 0 ? load.flatMap((each) => (each ? holding(each, reasons.join('; ')) : [])) : []),
      ],
    };
  },
});

/** What the chart of a characteristic that holds its batch says of new measures, when it did not say so before. */
function firedBy(
  { id, name, holds, decidingSkill }: Characteristic,
  batch: Batch,
  taken: Taken['measures'],
  rows: Rows,
  atMs: number,
): string | undefined {
  const values = taken.filter((m) => m.characteristicId === id);
  if (holds !== true || values.length === 0 || !isCounted(batch) || visitOf(rows, batch).redo) return undefined;
  const of = { modelId: batch.modelId, operationId: batch.operationId, characteristicId: id };
  const before = rows.find(Dimension, dimensionIdOf(of.modelId, of.operationId, id)) ?? newDimension(of);
  const { signal } = withValues(
    before,
    values.map(({ pieceId, value }) => ({ pieceId, batchId: batch.id, visitId: batch.visitId, value, atMs })),
  );
  if (signal === null || before.signal !== null) return undefined;
  return `${name}: ${openSignalInWords(signal)}; ${decidingSkill === undefined ? 'a lead' : decidingSkill} decides`;
}

/** What stops a batch where it is: work on it pauses first. */
function holding({ id: batchId, status }: Batch, reason: string): Entry[] {
  if (status === 'held' || status === 'done') return [];
  const pause: Entry[] = status === 'running' ? [{ kind: 'work.paused', batchId, payload: { cause: WAITS_FOR } }] : [];
  return [...pause, { kind: 'batch.held', batchId, payload: { reason } }];
}
