import { commandKind, refuse, rowsOf, type Decided, type Decision } from '../../ledger/index.ts';
import { Order } from '../../orders/index.ts';
import type { BlanksReserved } from '../entries/blanksReserved.ts';
import { Lot } from '../lot.ts';
import { Blank, lotsOfBlanks } from '../stock.ts';
import type { WoodFactory } from '../woodFactory.ts';
import { blankObjection } from '../woodNeed.ts';

export interface ReserveBlanksRequest {
  blankIds: readonly string[];
  /** the order they are kept for; nothing lets them go */
  orderId: string | null;
}

/** Keeps blanks for an order that can use them, or lets them go; what is kept for another order is never taken. */
export const ReserveBlanks = commandKind('reserve blanks')<ReserveBlanksRequest, WoodFactory>({
  role: 'lead',
  concerns: ({ blankIds, orderId }) => ({ about: [rowsOf(Blank, blankIds), rowsOf(Order, orderId === null ? [] : [orderId])] }),
  decide({ blankIds, orderId }, { rows, factory, nowMs }): Decision<Decided<typeof BlanksReserved>> {
    const blanks = blankIds.map((id) => rows.get(Blank, id));
    for (const blank of blanks) {
      if (blank.state !== 'free') return refuse(`Blank ${blank.id} has become ${blank.pieceId ?? 'part of another'}`);
      if (orderId === null) continue;
      if (blank.orderId !== null && blank.orderId !== orderId) return refuse(`Blank ${blank.id} is kept for ${blank.orderId}`);
      const fitting = factory
        .woodNeedsOf(rows.get(Order, orderId), nowMs)
        .filter((need) => blankObjection(blank, rows.get(Lot, blank.lotId), need) === null);
      if (fitting.length === 0) return refuse(`Blank ${blank.id} fits no part of ${orderId}: it is of another wood, or too small`);
      // Which instrument it becomes is settled by what it weighs, where a weight is aimed at.
      if (blank.massG === null && fitting.every((need) => need.weight !== undefined))
        return refuse(`Weigh blank ${blank.id} first: its weight says which instrument it may become`);
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
