import { refuse } from '../../ledger/index.ts';
import { waysOf } from '../../routing/index.ts';
import { skillObjection } from '../bench.ts';
import { accept } from '../decided.ts';
import { onBatch } from './onBatch.ts';

/** Somebody goes on with work that was paused: the same person or another. */
export const ResumeWork = onBatch('resume work')<{ personId: string }>({
  role: 'operator',
  decide({ personId }, at) {
    const { batch, operation } = at;
    if (batch.status !== 'paused') return refuse(`${operation.name} is not paused`);
    const way = waysOf(operation).find((w) => w.id === batch.wayId) ?? operation;
    return skillObjection(way, personId, at) ?? accept({ kind: 'work.resumed', payload: { workerId: personId } });
  },
});
