import { refuse } from '../../ledger/index.ts';
import { accept } from '../decided.ts';
import { onBatch } from './onBatch.ts';

/** Lets a batch that was held go on. */
export const ReleaseBatch = onBatch('release batch')<object>({
  role: 'lead',
  whileHeld: true,
  decide: (_, { batch }) =>
    batch.status === 'held' ? accept({ kind: 'batch.released', payload: {} }) : refuse(`Batch ${batch.id} is not held`),
});
