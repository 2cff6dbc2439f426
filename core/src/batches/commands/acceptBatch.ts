import { refuse } from '../../ledger/index.ts';
import { accept } from '../decided.ts';
import { onBatch } from './onBatch.ts';

/** The next station takes a batch over. */
export const AcceptBatch = onBatch('accept batch')<object>({
  role: 'operator',
  decide(_, { batch, operation }) {
    if (batch.status !== 'queued') return refuse(`Batch ${batch.id} is ${batch.status}`);
    if (batch.accepted) return refuse(`${operation.name} has taken it over already`);
    return accept({ kind: 'handover.accepted', payload: { operationId: operation.id } });
  },
});
