import { changeBatch } from '../batches/index.ts';
import { entryKind } from '../ledger/index.ts';
import { isInBand, Measure } from './measure.ts';

export interface Taken {
  operationId: string;
  measures: { id: string; pieceId: string; characteristicId: string; value: number; low: number; high: number }[];
}

export const MeasuresTaken = entryKind('measures.taken')<Taken>({
  apply(rows, entry) {
    const batch = changeBatch(rows, entry.batchId, {});
    const { operationId, measures } = entry.payload;
    for (const { id, pieceId, characteristicId, value, low, high } of measures)
      rows.put(Measure, {
        id,
        pieceId,
        batchId: batch.id,
        visitId: batch.visitId,
        operationId,
        characteristicId,
        value,
        low,
        high,
        inBand: isInBand(value, { low, high }),
        atMs: entry.atMs,
        personId: entry.personId,
      });
  },
  sentence: ({ payload }, nameOf) => `${payload.measures.length} measures at ${nameOf('step', payload.operationId)}`,
});
