import { rowsOf, type Ask, type Rows } from '../ledger/index.ts';
import { Order } from '../orders/index.ts';
import { KeptWood } from './lot.ts';
import { said } from '../units/index.ts';

export const keptWoodId = (lotId: string, orderId: string): string => `${lotId} ${orderId}`;

/** The orders that keep wood of lots: what judges by it must know whether they still wait for it. */
export const ordersKeeping = (rows: Rows, lotIds: readonly string[]): Ask =>
  rowsOf(
    Order,
    lotIds.flatMap((id) => rows.where(KeptWood, 'lotId', id).map((kept) => kept.orderId)),
  );

/** What of a lot others than an order keep, each with its order. What has been sent keeps nothing. */
export const keptByOthers = (rows: Rows, lotId: string, orderId: string | null): KeptWood[] =>
  rows.where(KeptWood, 'lotId', lotId).filter((kept) => {
    const order = rows.find(Order, kept.orderId);
    return kept.orderId !== orderId && !(order && order.shipped >= order.quantity);
  });

/** "0.040 m³ of it is kept for O1003" */
export const keptInWords = (kept: readonly KeptWood[]): string =>
  kept.map(({ volumeM3, orderId }) => `${said(volumeM3.toFixed(3), 'm³')} of it is kept for ${orderId}`).join(', ');

/** An order has taken wood: so much less is kept for it. */
export function takeKept(rows: Rows, lotId: string, orderId: string | null, volumeM3: number): void {
  const kept = orderId === null ? undefined : rows.find(KeptWood, keptWoodId(lotId, orderId));
  if (!kept) return;
  const left = Math.round((kept.volumeM3 - volumeM3) * 1e6) / 1e6;
  if (left > 0) rows.amend(KeptWood, kept, { volumeM3: left });
  else rows.drop(KeptWood, kept.id);
}
