import { asked, NOT_ANSWERED, question, type Finding } from '../../ledger/index.ts';
import { listed, type AspectKind } from './aspect.ts';

/** A dimension or set-up measure and its band. */
export interface Characteristic {
  id: string;
  name: string;
  unit: string;
  low: number;
  target: number;
  high: number;
}

/** The pieces of a batch's present pass that lack a measure its step asks for. */
export const UnmeasuredOf = question<{ batchId: string }, readonly string[]>('unmeasured of');

export const measure: AspectKind<'characteristics', readonly Characteristic[]> = {
  key: 'characteristics',
  name: 'measures',
  words: (all) => listed(all?.map((c) => `${c.name} ${c.low}–${c.high} ${c.unit}`)),
  asks: (_, moment, { batch }) => (moment === 'finish' ? [asked(UnmeasuredOf, { batchId: batch.id })] : []),
  mayFinish(_, { batch, pieceIds, answers }): Finding[] {
    const unmeasured = answers.to(UnmeasuredOf, { batchId: batch.id });
    const left = unmeasured === NOT_ANSWERED ? pieceIds : unmeasured.filter((id) => pieceIds.includes(id));
    if (left.length === 0) return [];
    return [
      { rule: 'state', verdict: 'stop', sentence: `Not measured yet: ${left.join(', ')}`, remedy: 'Log the measures of this step first' },
    ];
  },
};
