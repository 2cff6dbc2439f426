import { asked, NOT_ANSWERED, question, type Finding } from '../../ledger/index.ts';
import type { AspectKind } from './aspect.ts';

/** Coats of a finish, each with the time it flashes off and the time by which the next must follow. */
export interface CoatPlan {
  materialId: string;
  /** share of the wet film that stays */
  volumeSolids: number;
  coats: number;
  wetUm: number;
  flashMinutes: number;
  recoatMaxMinutes: number;
}

/** How many coats were laid in a visit. */
export const CoatsOn = question<{ visitId: string }, number>('coats on');

export const coat: AspectKind<'coat', CoatPlan> = {
  key: 'coat',
  name: 'coats',
  words: (plan) => (plan ? `${plan.coats} × ${plan.wetUm} µm ${plan.materialId}` : '—'),
  checkWorld: ({ materialId }, step, _, { materialIds }) =>
    materialIds.has(materialId) ? [] : [`"${step.name}" lays ${materialId}, which is no coating on record`],
  asks: (_, moment, { batch: { visitId } }) => (moment === 'finish' ? [asked(CoatsOn, { visitId })] : []),
  mayFinish({ coats }, { batch, answers }): Finding[] {
    // What came back is touched up, not coated anew.
    if (batch.redo) return [];
    const laid = answers.to(CoatsOn, { visitId: batch.visitId });
    if (laid !== NOT_ANSWERED && laid >= coats) return [];
    const sentence = laid === NOT_ANSWERED ? `Nobody could say how many of ${coats} coats are laid` : `${laid} of ${coats} coats logged`;
    return [{ rule: 'state', verdict: 'stop', sentence, remedy: 'Log each coat as it is sprayed' }];
  },
};
