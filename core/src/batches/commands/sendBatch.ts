import { refuse, wrongInput } from '../../ledger/index.ts';
import { aspectAsks } from '../../routing/index.ts';
import { beginObjection, benchOf } from '../bench.ts';
import { accept } from '../decided.ts';
import { onBatch } from './onBatch.ts';

/** Sends a batch to another house or another building. */
export const SendBatch = onBatch('send batch')<{ to: string; dueBackMs: number }>({
  role: 'lead',
  asks: (_, at) => aspectAsks('begin', at),
  decide({ to, dueBackMs }, at) {
    const { batch, operation, nowMs } = at;
    if (operation.kind !== 'outside' && operation.kind !== 'transfer') return refuse(`${operation.name} is done here`);
    if (batch.status !== 'queued') return refuse(`Batch ${batch.id} is ${batch.status}`);
    if (to.trim() === '') return wrongInput('to', 'Say where it goes');
    if (dueBackMs <= nowMs) return wrongInput('dueBackMs', 'It can only come back later than now');
    return beginObjection(benchOf(at)) ?? accept({ kind: 'batch.sent', payload: { operationId: operation.id, to: to.trim(), dueBackMs } });
  },
});
