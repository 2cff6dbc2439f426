import type { Room } from '../ledger/index.ts';
import { Order } from './order.ts';
import { OrderPlaced } from './orderPlaced.ts';
import { PlaceOrder, type OrderBook } from './placeOrder.ts';

export const orders = {
  name: 'orders',
  rows: [Order],
  entries: [OrderPlaced],
  commands: [PlaceOrder],
  answers: [],
} as const satisfies Room<never, OrderBook>;
