import type { Room } from '../ledger/index.ts';
import { Order } from './order.ts';
import { OrderPlaced } from './orderPlaced.ts';

export const orders = { name: 'orders', rows: [Order], entries: [OrderPlaced] } as const satisfies Room;
