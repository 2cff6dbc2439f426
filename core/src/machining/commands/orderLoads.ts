import { Batch, benchFrom, machineIdOf, placesOf } from '../../batches/index.ts';
import type { Factory } from '../../factory/index.ts';
import { commandKind, refuse, rowsOf, wrongInput, type Decided, type Decision } from '../../ledger/index.ts';
import { waysOf } from '../../routing/index.ts';
import type { LoadsOrdered } from '../entries/loadsOrdered.ts';
import { LoadOrder } from '../loadOrder.ts';

export interface OrderLoadsRequest {
  stationCode: string;
  /** which of the station's machines, from 1 */
  bench: number;
  /** what goes first, in this order; none where it is planned again */
  batchIds: readonly string[];
  /** what was to go first as it was seen */
  before: readonly string[];
}

const idOf = ({ stationCode, bench }: OrderLoadsRequest) => machineIdOf(stationCode, bench);

/** Says in which order batches go on a machine, whatever a plan would do. */
export const OrderLoads = commandKind('order loads')<OrderLoadsRequest, Factory>({
  role: 'lead',
  concerns: (request) => ({ about: [rowsOf(Batch, request.batchIds)], making: [rowsOf(LoadOrder, [idOf(request)])] }),
  decide(request, { rows, factory }): Decision<Decided<typeof LoadsOrdered>> {
    const { stationCode, bench, batchIds, before } = request;
    const machineId = idOf(request);
    if (factory.setUp.stations.get(stationCode)?.kind !== 'work') return wrongInput('stationCode', `There is no machine at ${stationCode}`);
    if (!placesOf(stationCode, factory).includes(benchFrom(stationCode, machineId)))
      return wrongInput('bench', `${factory.stationName(stationCode)} has no machine ${bench}`);
    const now = rows.find(LoadOrder, machineId)?.batchIds ?? [];
    if (now.join() !== before.join())
      return refuse(`Somebody else has said what goes first here: ${now.length === 0 ? 'nothing' : now.join(', ')}`, { field: 'before' });
    if (new Set(batchIds).size !== batchIds.length) return wrongInput('batchIds', 'A batch is named twice');
    for (const id of batchIds) {
      const batch = rows.get(Batch, id);
      const operation = factory.operationAt(batch);
      if (batch.status !== 'queued') return wrongInput('batchIds', `Batch ${id} does not wait: it is ${batch.status}`);
      if (!waysOf(operation).some((w) => w.stationCode === stationCode))
        return wrongInput('batchIds', `${operation.name} of ${id} is not done at ${factory.stationName(stationCode)}`);
    }
    if (now.join() === batchIds.join()) return refuse('That is the order already', { field: 'batchIds' });
    return { kind: 'accept', entries: [{ kind: 'loads.ordered', payload: { machineId, stationCode, bench, batchIds } }] };
  },
});
