import { commandKind, refuse, rowsOf, wrongInput, type Decided, type Decision } from '../../ledger/index.ts';
import { Order } from '../../orders/index.ts';
import type { WoodKept } from '../entries/woodKept.ts';
import { keptByOthers, keptInWords, keptWoodId, ordersKeeping } from '../keptWood.ts';
import { KeptWood, Lot } from '../lot.ts';
import type { WoodFactory } from '../woodFactory.ts';
import { said } from '../../units/index.ts';

export interface KeepWoodRequest {
  lotId: string;
  orderId: string;
  /** how much of the lot the order has from now on; 0 lets it go */
  volumeM3: number;
}

/** Keeps wood of a lot for an order that has chosen such wood, drying or released, or lets it go. */
export const KeepWood = commandKind('keep wood')<KeepWoodRequest, WoodFactory>({
  role: 'lead',
  concerns: ({ lotId, orderId }) => ({
    about: [rowsOf(Lot, [lotId])],
    reads: (known) => [rowsOf(Order, [orderId]), ordersKeeping(known, [lotId])],
  }),
  decide({ lotId, orderId, volumeM3 }, { rows, factory, nowMs }): Decision<Decided<typeof WoodKept>> {
    const lot = rows.get(Lot, lotId);
    const order = rows.find(Order, orderId);
    if (!order) return wrongInput('orderId', `There is no order ${orderId}`);
    const kept = rows.find(KeptWood, keptWoodId(lotId, orderId));
    const accept: Decision<Decided<typeof WoodKept>> = {
      kind: 'accept',
      entries: [{ kind: 'wood.kept', lotId, payload: { orderId, volumeM3 } }],
    };
    if (volumeM3 === 0) return kept ? accept : refuse(`Nothing of lot ${lotId} is kept for ${orderId}`);
    if (order.shipped >= order.quantity) return refuse(`${orderId} has been sent`);
    if (!factory.woodNeedsOf(order, nowMs).some((need) => need.species === lot.species && need.use === lot.use))
      return refuse(`${orderId} asks for no ${lot.species} for ${lot.use}`);
    const others = keptByOthers(rows, lotId, orderId);
    const free = lot.leftM3 - others.reduce((sum, k) => sum + k.volumeM3, 0);
    if (volumeM3 > free + 1e-9) {
      const why = others.length === 0 ? '' : `; ${keptInWords(others)}`;
      return wrongInput('volumeM3', `${said(Math.max(0, free).toFixed(3), 'm³')} of lot ${lotId} is free${why}`);
    }
    return accept;
  },
});
