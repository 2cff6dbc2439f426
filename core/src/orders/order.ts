import { rowKind } from '../ledger/index.ts';

/** What a customer, or the stock, is waiting for. */
export interface Order {
  id: string;
  number: number;
  modelId: string;
  quantity: number;
  /** what was chosen of the route's options */
  choices: Readonly<Record<string, string>>;
  customer: string;
  placedMs: number;
  dueMs: number;
  /** instruments of it that have shipped */
  shipped: number;
  version: number;
}
export const Order = rowKind<Order>('order', { key: 'id' });
