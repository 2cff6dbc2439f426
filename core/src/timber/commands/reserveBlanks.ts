import { commandKind, refuse, rowsOf, type Decided, type Decision } from '../../ledger/index.ts';
import { Order } from '../../orders/index.ts';
import type { BlanksReserved } from '../entries/blanksReserved.ts';
import { Blank, lotsOfBlanks } from '../stock.ts';

export interface ReserveBlanksRequest {
  blankIds: readonly string[];
  /** the order they are kept for; nothing lets them go */
  orderId: string | null;
}

/** Keeps blanks for an order, or lets them go; what is kept for another order is never taken. */
export const ReserveBlanks = commandKind('reserve blanks')<ReserveBlanksRequest>({
  role: 'lead',
  concerns: ({ blankIds, orderId }) => ({ about: [rowsOf(Blank, blankIds), rowsOf(Order, orderId === null ? [] : [orderId])] }),
  decide({ blankIds, orderId }, { rows }): Decision<Decided<typeof BlanksReserved>> {
    const blanks = blankIds.map((id) => rows.get(Blank, id));
    for (const blank of blanks) {
      if (blank.state !== 'free') return refuse(`Blank ${blank.id} has become ${blank.pieceId ?? 'a piece'}`);
      if (orderId === null) continue;
      if (blank.orderId !== null && blank.orderId !== orderId) return refuse(`Blank ${blank.id} is kept for ${blank.orderId}`);
      if (rows.get(Order, orderId).modelId !== blank.modelId) return refuse(`Blank ${blank.id} is for another model than ${orderId}`);
    }
    return {
      kind: 'accept',
      entries: [...lotsOfBlanks(rows, blanks)].map(([lotId, own]) => ({
        kind: 'blanks.reserved',
        lotId,
        payload: { blankIds: own.map((b) => b.id), orderId },
      })),
    };
  },
});
