import type { Finding } from '../../ledger/index.ts';
import type { AspectKind } from './aspect.ts';

/** Whoever takes the batch over here says so before beginning. */
export const handOver: AspectKind<'handOver', boolean> = {
  key: 'handOver',
  name: 'taken over',
  words: (set) => (set ? 'yes' : 'no'),
  marks: (set) => (set ? ['taken over'] : []),
  mayBegin(set, { batch, operation }): Finding[] {
    if (!set || batch.accepted || batch.redo || operation.kind !== 'work') return [];
    const sentence = `Batch ${batch.id} has not been taken over yet`;
    return [{ rule: 'handOver', verdict: 'stop', sentence, remedy: 'Check the step before, then accept or refuse it' }];
  },
};
