import { KitsFor, KitStock } from '../assembly/index.ts';
import { asked, NOT_ANSWERED, rowsOf, type Answers, type Ask, type Asked } from '../ledger/index.ts';

/** Asks which counted kits a batch's step needs, before it is judged. */
export const kitsAsked = ({ batchId }: { batchId: string }): Asked => asked(KitsFor, { batchId });

/** The kits that a batch's step takes from: kept still until it is done. */
export const kitsIn = (batchId: string, answers: Answers): readonly Ask[] => {
  const ids = kitIdsIn(batchId, answers);
  return ids.length === 0 ? [] : [rowsOf(KitStock, ids)];
};

/** Their ids, as far as anybody could say. */
export const kitIdsIn = (batchId: string, answers: Answers): readonly string[] => {
  const ids = answers.to(KitsFor, { batchId });
  return ids === NOT_ANSWERED ? [] : ids;
};
