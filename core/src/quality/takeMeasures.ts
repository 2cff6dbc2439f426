import { Batch, livePieces, piecesIn } from '../batches/index.ts';
import type { Factory } from '../factory/index.ts';
import { commandKind, rowsOf, wrongInput, type Decided, type Decision } from '../ledger/index.ts';
import type { MeasuresTaken, Taken } from './measuresTaken.ts';

export interface TakeMeasuresRequest {
  batchId: string;
  measures: readonly { pieceId: string; characteristicId: string; value: number }[];
}

/** Dimensions or set-up measures of pieces of a batch, against the bands of its step. */
export const TakeMeasures = commandKind('take measures')<TakeMeasuresRequest, Factory>({
  role: 'operator',
  concerns: ({ batchId }) => ({ about: [rowsOf(Batch, [batchId])] }),
  notBefore: ({ batchId }, rows) => ({ atMs: rows.get(Batch, batchId).arrivedMs, because: `Batch ${batchId} came here only after that` }),
  decide({ batchId, measures }, { rows, factory, nowMs }): Decision<Decided<typeof MeasuresTaken>> {
    const batch = rows.get(Batch, batchId);
    const operation = factory.operationAt(batch);
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
    return { kind: 'accept', entries: [{ kind: 'measures.taken', batchId, payload: { operationId: operation.id, measures: taken } }] };
  },
});
