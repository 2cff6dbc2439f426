import { refuse, wrongInput } from '../../ledger/index.ts';
import { accept } from '../decided.ts';
import { onBatch } from './onBatch.ts';

/** Stops a batch where it is, until somebody releases it. */
export const HoldBatch = onBatch('hold batch')<{ reason: string }>({
  role: 'lead',
  decide({ reason }, { batch }) {
    if (reason.trim() === '') return wrongInput('reason', 'A hold needs a reason');
    if (batch.status === 'running') return refuse('Pause the work before holding the batch');
    return accept({ kind: 'batch.held', payload: { reason } });
  },
});
