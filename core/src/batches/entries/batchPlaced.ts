import { place, type Placement } from '../../carriers/index.ts';
import { entryKind } from '../../ledger/index.ts';
import { Batch } from '../batch.ts';
import { changeBatch } from './rows.ts';

export const BatchPlaced = entryKind('batch.placed')<{ placements: readonly Placement[] }>({
  apply(rows, entry) {
    place(rows, rows.get(Batch, entry.batchId).id, entry.payload.placements);
    changeBatch(rows, entry.batchId, {});
  },
  sentence: ({ payload: { placements } }, nameOf) =>
    placements.length === 0
      ? 'Taken off its carriers'
      : `Put on ${placements.map((p) => `${nameOf('carrier', p.carrierId)} (${p.pieces})`).join(', ')}`,
});
