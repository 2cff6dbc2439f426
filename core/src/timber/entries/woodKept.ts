import { entryKind } from '../../ledger/index.ts';
import { keptWoodId } from '../keptWood.ts';
import { KeptWood } from '../lot.ts';
import { changeLot } from './lotRows.ts';
import { said } from '../../units/index.ts';

/** So much of a lot is an order's from now on; none of it any longer where that is 0. */
export const WoodKept = entryKind('wood.kept')<{ orderId: string; volumeM3: number }>({
  apply(rows, { lotId, payload: { orderId, volumeM3 } }) {
    const lot = changeLot(rows, lotId, {});
    const id = keptWoodId(lot.id, orderId);
    if (volumeM3 > 0) rows.put(KeptWood, { id, lotId: lot.id, orderId, volumeM3 });
    else rows.drop(KeptWood, id);
  },
  sentence: ({ payload: { orderId, volumeM3 } }) =>
    volumeM3 > 0 ? `${said(volumeM3.toFixed(3), 'm³')} kept for ${orderId}` : `No longer kept for ${orderId}`,
});
