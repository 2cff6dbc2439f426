import { refuse } from '../../ledger/index.ts';
import { accept } from '../decided.ts';
import type { PauseCause } from '../../factory/index.ts';
import { onBatch } from './onBatch.ts';

export const PauseWork = onBatch('pause work')<{ cause: PauseCause }>({
  role: 'operator',
  decide: ({ cause }, { batch, operation }) =>
    batch.status === 'running' ? accept({ kind: 'work.paused', payload: { cause } }) : refuse(`${operation.name} is not running`),
});
