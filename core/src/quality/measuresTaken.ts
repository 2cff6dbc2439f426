import { changeBatch, isCounted, visitOf } from '../batches/index.ts';
import { entryKind } from '../ledger/index.ts';
import { Dimension, dimensionIdOf, newDimension, withValues } from './dimension.ts';
import { isInBand, Measure } from './measure.ts';
import { counted } from '../units/index.ts';

export interface Taken {
  operationId: string;
  measures: { id: string; pieceId: string; characteristicId: string; value: number; low: number; high: number }[];
}

export const MeasuresTaken = entryKind('measures.taken')<Taken>({
  apply(rows, entry) {
    const batch = changeBatch(rows, entry.batchId, {});
    const { operationId, measures } = entry.payload;
    const { redo, stationCode } = visitOf(rows, batch);
    const isCharted = isCounted(batch) && !redo;
    for (const { id, pieceId, characteristicId, value, low, high } of measures) {
      const dimensionId = isCharted ? dimensionIdOf(batch.modelId, operationId, characteristicId) : null;
      const { visitId } = batch;
      rows.put(Measure, {
        id,
        pieceId,
        batchId: batch.id,
        visitId,
        operationId,
        characteristicId,
        value,
        low,
        high,
        inBand: isInBand(value, { low, high }),
        atMs: entry.atMs,
        personId: entry.personId,
        dimensionId,
      });
      if (dimensionId === null) continue;
      const before = rows.find(Dimension, dimensionId) ?? newDimension({ modelId: batch.modelId, operationId, characteristicId });
      const came = { pieceId, batchId: batch.id, visitId, value, atMs: entry.atMs };
      rows.put(Dimension, { ...withValues(before, [came]), stationCode, low, high });
    }
  },
  sentence: ({ payload }, nameOf) => `${counted(payload.measures.length, 'measure')} at ${nameOf('step', payload.operationId)}`,
});
