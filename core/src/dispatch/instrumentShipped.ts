import { goneOn, Instrument, Piece } from '../batches/index.ts';
import { entryKind } from '../ledger/index.ts';
import { Order } from '../orders/index.ts';

export const InstrumentShipped = entryKind('instrument.shipped')<{ consignee: string; shipper: string }>({
  apply(rows, entry) {
    const instrument = rows.get(Instrument, entry.serial);
    const { consignee, shipper } = entry.payload;
    rows.change(Instrument, instrument.serial, {
      state: 'shipped',
      shippedMs: entry.atMs,
      consignee,
      shipper,
      version: instrument.version + 1,
    });
    rows.change(Piece, instrument.serial, { state: 'shipped', outMs: entry.atMs });
    if (instrument.orderId !== null) {
      const order = rows.get(Order, instrument.orderId);
      rows.change(Order, order.id, { shipped: order.shipped + 1, version: order.version + 1 });
    }
    goneOn(rows, instrument.batchId, 1, entry.atMs);
  },
  sentence: ({ serial, payload }) => `${serial ?? ''} shipped to ${payload.consignee}`,
});
