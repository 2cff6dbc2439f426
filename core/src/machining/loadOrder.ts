import { rowKind } from '../ledger/index.ts';

/** What a person wants to go on a machine first, in this order; what is on it already is passed over. */
export interface LoadOrder {
  /** the machine */
  id: string;
  batchIds: readonly string[];
  personId: string | null;
  atMs: number;
}
export const LoadOrder = rowKind<LoadOrder>('load order', { key: 'id' });
