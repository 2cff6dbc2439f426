import { refuse } from '../../ledger/index.ts';
import { accept } from '../decided.ts';
import { BATCH_NUMBER, NO_NUMBER, numberIn } from '../numbers.ts';
import { choiceObjection } from '../pieces.ts';
import { onBatch } from './onBatch.ts';
import { STILL } from './still.ts';

/** Parts a batch in two that go their own ways from here. */
export const SplitBatch = onBatch('split batch')<{ pieceIds: readonly string[] }>({
  role: 'operator',
  asks: () => [BATCH_NUMBER],
  decide({ pieceIds }, { batch, live, answers }) {
    if (!STILL.has(batch.status)) return refuse(`Batch ${batch.id} is ${batch.status}; it can be split between two steps`);
    const wrong = choiceObjection(pieceIds, new Set(live.map((p) => p.id)), batch);
    if (wrong) return wrong;
    const number = numberIn(answers);
    return number === null ? NO_NUMBER : accept({ kind: 'batch.split', payload: { number, pieceIds } });
  },
});
