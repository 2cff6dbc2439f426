import { entryKind } from '../../ledger/index.ts';
import { LoadOrder } from '../loadOrder.ts';

/** Somebody says what goes on a machine first; with nothing, that it is planned again. */
export const LoadsOrdered = entryKind('loads.ordered')<{
  machineId: string;
  stationCode: string;
  bench: number;
  batchIds: readonly string[];
}>({
  apply(rows, { payload: { machineId, batchIds }, atMs, personId }) {
    if (batchIds.length === 0) rows.drop(LoadOrder, machineId);
    else rows.put(LoadOrder, { id: machineId, batchIds, personId, atMs });
  },
  sentence: ({ payload: { stationCode, bench, batchIds } }, nameOf) =>
    `${nameOf('station', stationCode)}, machine ${bench}: ${batchIds.length === 0 ? 'its order is planned again' : `${batchIds.join(', ')} ${batchIds.length === 1 ? 'goes' : 'go'} first`}`,
});
