import { refuse, wrongInput } from '../../ledger/index.ts';
import { aspectAsks } from '../../routing/index.ts';
import { Batch, livePieces, piecesIn } from '../batch.ts';
import { benchObjection } from '../bench.ts';
import { accept } from '../decided.ts';
import { BATCH_NUMBER, NO_NUMBER, numberIn } from '../numbers.ts';
import { halves } from './halves.ts';
import { onBatch } from './onBatch.ts';

/** Brings each body together again with its own neck. */
export const RefitInstruments = onBatch('refit instruments')<{ personId: string; neckBatchId: string }>({
  role: 'operator',
  others: ({ neckBatchId }) => [neckBatchId],
  reads: halves,
  asks: (_, at) => [BATCH_NUMBER, ...aspectAsks('begin', at)],
  decide({ personId, neckBatchId }, at) {
    const { batch, operation, rows, live, answers } = at;
    if (operation.kind !== 'refit') return refuse(`Nothing is fitted again at ${operation.name}`);
    if (batch.component !== 'body') return refuse('Name the batch of bodies first, then that of their necks');
    const cannot = benchObjection(at, personId);
    if (cannot) return cannot;
    const necks = rows.find(Batch, neckBatchId);
    if (necks?.component !== 'neck') return wrongInput('neckBatchId', `There is no batch of necks ${neckBatchId}`);
    if (necks.operationId !== batch.operationId || necks.status !== 'queued')
      return wrongInput('neckBatchId', `Batch ${necks.id} is not waiting at ${operation.name}`);
    const ofNecks = new Set(livePieces(piecesIn(rows, necks.id)).flatMap((p) => p.serial ?? []));
    const serials = live.flatMap((p) => (p.serial !== null && ofNecks.has(p.serial) ? [p.serial] : []));
    if (serials.length === 0) return refuse(`No body of batch ${batch.id} has its own neck in batch ${necks.id}`, { field: 'neckBatchId' });
    const number = numberIn(answers);
    if (number === null) return NO_NUMBER;
    return accept({
      kind: 'instruments.refitted',
      payload: { operationId: operation.id, number, bodyBatchId: batch.id, neckBatchId: necks.id, serials },
    });
  },
});
