import { refuse } from '../../ledger/index.ts';
import { waysOf } from '../../routing/index.ts';
import { skillObjection } from '../bench.ts';
import { benchAsks, freeBench } from '../benchPlaces.ts';
import { accept } from '../decided.ts';
import { onBatch } from './onBatch.ts';

/** Somebody goes on with work that was paused: the same person or another, at a place that is free. */
export const ResumeWork = onBatch('resume work')<{ personId: string }>({
  role: 'operator',
  asks: (_, { batch }) => benchAsks(batch.stationCode),
  decide({ personId }, at) {
    const { batch, operation, factory, answers } = at;
    if (batch.status !== 'paused') return refuse(`${operation.name} is not paused`);
    const way = waysOf(operation).find((w) => w.id === batch.wayId) ?? operation;
    const objection = skillObjection(way, personId, at);
    if (objection) return objection;
    const own = freeBench(batch.stationCode, factory, answers);
    return own.kind === 'refuse' ? own : accept({ kind: 'work.resumed', payload: { workerId: personId, bench: own.bench } });
  },
});
