import { entryKind } from '../../ledger/index.ts';
import { Batch, batchIdOf } from '../batch.ts';
import { splitOff } from './splitOff.ts';

export const BatchSplit = entryKind('batch.split')<{ number: number; pieceIds: readonly string[] }>({
  apply(rows, entry) {
    const batch = rows.get(Batch, entry.batchId);
    splitOff(rows, batch.id, entry.payload.number, entry.payload.pieceIds, entry.atMs);
  },
  sentence: ({ payload }) => `${payload.pieceIds.length} pieces split off as ${batchIdOf(payload.number)}`,
});
