import { asked, NOT_ANSWERED, question, type Finding } from '../../ledger/index.ts';
import type { LastCoat } from '../rules/index.ts';
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

/** The coats of this pass on one piece. */
export interface CoatsOnPiece {
  pieceId: string;
  coats: number;
  /** the latest; null where there is none */
  last: LastCoat | null;
}

/** What was laid in this pass on each piece of it. */
export const CoatsOn = question<{ batchId: string }, readonly CoatsOnPiece[]>('coats on');

/** A step's coats are not all laid: whoever may, finishes it so with a reason. */
export const COATS_RULE = 'coats';

/** Coats that every piece of a pass has; 0 where there is none. */
export const coatsOnAll = (pieces: readonly CoatsOnPiece[]): number =>
  pieces.reduce((least, { coats }) => Math.min(least, coats), pieces[0]?.coats ?? 0);

export const coat: AspectKind<'coat', CoatPlan> = {
  key: 'coat',
  name: 'coats',
  words: (plan) => (plan ? `${plan.coats} × ${plan.wetUm} µm ${plan.materialId}` : '—'),
  checkWorld: ({ materialId }, step, _, { materialIds }) =>
    materialIds.has(materialId) ? [] : [`"${step.name}" lays ${materialId}, which is no coating on record`],
  asks: (_, moment, { batch: { id: batchId } }) => (moment === 'finish' ? [asked(CoatsOn, { batchId })] : []),
  mayFinish({ coats }, { batch, pieceIds, answers }): Finding[] {
    // What came back gets at least one coat; whoever polishes a fault out without one says so.
    const wanted = batch.redo ? 1 : coats;
    const stop = (sentence: string, rule = 'state'): Finding[] => [
      { rule, verdict: 'stop', sentence, remedy: 'Log each coat as it is sprayed' },
    ];
    const laid = answers.to(CoatsOn, { batchId: batch.id });
    if (laid === NOT_ANSWERED) return stop(`Nobody could say how many of ${wanted} coats are laid`);
    const told = laid.filter(({ pieceId }) => pieceIds.includes(pieceId));
    const short = told.filter((piece) => piece.coats < wanted);
    if (short.length === 0 && told.length === pieceIds.length) return [];
    const on = short.length < pieceIds.length ? ` on ${short.map((p) => p.pieceId).join(', ')}` : '';
    const said = batch.redo ? 'No coat logged on what came back' : `${coatsOnAll(short)} of ${wanted} coats logged`;
    return stop(`${said}${on}`, COATS_RULE);
  },
};
