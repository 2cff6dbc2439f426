import { LastCoat } from '../batches/index.ts';
import { answerer, rowsBy } from '../ledger/index.ts';
import { CoatsOn } from '../routing/index.ts';
import { Coat } from './coat.ts';

/** Coats are numbered within their visit, without gaps. */
export const coatsOn = answerer(CoatsOn, {
  reads: ({ visitId }) => [rowsBy(Coat, 'visitId', [visitId])],
  answer({ visitId }, rows) {
    let count = 0;
    while (rows.find(Coat, `${visitId}/${count + 1}`)) count++;
    return count;
  },
});

export const lastCoat = answerer(LastCoat, {
  reads: ({ batchId }) => [rowsBy(Coat, 'batchId', [batchId])],
  answer: ({ batchId, visitId }, rows) =>
    rows
      .where(Coat, 'batchId', batchId)
      .filter((coat) => visitId === null || coat.visitId === visitId)
      .reduce<number | null>((latest, { atMs }) => Math.max(latest ?? atMs, atMs), null),
});
