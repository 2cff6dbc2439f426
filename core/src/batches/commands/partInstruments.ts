import { refuse } from '../../ledger/index.ts';
import { aspectAsks } from '../../routing/index.ts';
import { benchObjection } from '../bench.ts';
import { accept } from '../decided.ts';
import { BATCH_NUMBER, NO_NUMBER, numberIn } from '../numbers.ts';
import { halves } from './halves.ts';
import { onBatch } from './onBatch.ts';

/** Takes instruments apart; each body and neck stay bound by their serial. */
export const PartInstruments = onBatch('part instruments')<{ personId: string }>({
  role: 'operator',
  reads: halves,
  asks: (_, at) => [BATCH_NUMBER, ...aspectAsks('begin', at)],
  decide({ personId }, at) {
    const { operation, answers } = at;
    if (operation.kind !== 'part') return refuse(`Nothing is taken apart at ${operation.name}`);
    const cannot = benchObjection(at, personId);
    if (cannot) return cannot;
    const number = numberIn(answers);
    if (number === null) return NO_NUMBER;
    return accept({ kind: 'instruments.parted', payload: { operationId: operation.id, bodyNumber: number, neckNumber: number + 1 } });
  },
});
