import { refuse, wrongInput } from '../../ledger/index.ts';
import { Batch } from '../batch.ts';
import { accept } from '../decided.ts';
import { WORK_CLASS_NAMES } from '../workClass.ts';
import { onBatch } from './onBatch.ts';
import { STILL } from './still.ts';

/** Brings two batches at the same step together. */
export const MergeBatches = onBatch('merge batches')<{ fromBatchId: string }>({
  role: 'operator',
  others: ({ fromBatchId }) => [fromBatchId],
  decide({ fromBatchId }, { batch, rows }) {
    const other = rows.find(Batch, fromBatchId);
    if (!other || other.id === batch.id) return wrongInput('fromBatchId', `There is no other batch ${fromBatchId}`);
    if (!STILL.has(batch.status)) return refuse(`Batch ${batch.id} is ${batch.status}`);
    const same: [keyof Batch, string][] = [
      ['modelId', 'is of another model'],
      ['component', 'holds another component'],
      ['routeId', 'is on another version of the route'],
      ['operationId', 'is at another step'],
      ['status', `is ${other.status}`],
      ['orderId', 'is for another order'],
      ['redo', 'comes back for rework'],
      ['workClass', `is for ${WORK_CLASS_NAMES[other.workClass]}`],
    ];
    const differs = same.find(([key]) => batch[key] !== other[key]);
    if (differs) return refuse(`Batch ${other.id} ${differs[1]}; only like batches at one step can be merged`);
    const settled = ({ facts, rounds, signOffs }: Batch) => JSON.stringify([facts, rounds, signOffs]);
    if (settled(batch) !== settled(other))
      return refuse(`Batch ${other.id} has other options, has been round another number of times, or was accepted by others`);
    return accept({ kind: 'batch.merged', payload: { fromBatchId: other.id } });
  },
});
