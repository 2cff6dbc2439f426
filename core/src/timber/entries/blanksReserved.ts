import { entryKind } from '../../ledger/index.ts';
import { Blank } from '../stock.ts';

/** Kept for an order, or for none any longer. */
export const BlanksReserved = entryKind('blanks.reserved')<{ blankIds: string[]; orderId: string | null }>({
  apply(rows, { payload }) {
    for (const id of payload.blankIds) {
      const blank = rows.get(Blank, id);
      rows.amend(Blank, blank, { orderId: payload.orderId, version: blank.version + 1 });
    }
  },
  sentence: ({ payload: { blankIds, orderId } }) =>
    `${blankIds.length} blanks ${orderId === null ? 'no longer kept' : `kept for ${orderId}`}`,
});
