import { entryKind } from '../ledger/index.ts';
import { Order } from './order.ts';

export interface Placed {
  order: Pick<Order, 'id' | 'number' | 'modelId' | 'quantity' | 'choices' | 'customer' | 'dueMs'>;
}

export const OrderPlaced = entryKind('order.placed')<Placed>({
  version: 2,
  readers: {
    /** before routes had options */
    1: ({ order }: { order: Omit<Placed['order'], 'choices'> & Partial<Placed['order']> }): Placed => ({
      order: { choices: {}, ...order },
    }),
  },
  apply: (rows, { payload, atMs }) => rows.put(Order, { placedMs: atMs, shipped: 0, version: 1, ...payload.order }),
  sentence: ({ payload }) => `Order for ${payload.order.quantity} from ${payload.order.customer}`,
});
