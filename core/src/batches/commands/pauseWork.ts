import { refuse, wrongInput } from '../../ledger/index.ts';
import { accept } from '../decided.ts';
import { onBatch } from './onBatch.ts';

export const PauseWork = onBatch('pause work')<{ cause: string }>({
  role: 'operator',
  decide({ cause }, { batch, operation, factory }) {
    if (batch.status !== 'running') return refuse(`${operation.name} is not running`);
    if (!factory.knowsPauseCause(cause))
      return wrongInput('cause', `"${cause}" is not in the register of causes: Setup, Cautions and pauses`);
    return accept({ kind: 'work.paused', payload: { cause } });
  },
});
