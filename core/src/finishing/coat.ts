import { rowKind } from '../ledger/index.ts';

/** One coat on one batch. */
export interface Coat {
  id: string;
  batchId: string;
  visitId: string;
  operationId: string;
  atMs: number;
  personId: string | null;
  materialId: string;
  wetUm: number;
  dryUm: number;
  flashUntilMs: number;
}
export const Coat = rowKind<Coat>('coat', { key: 'id', by: ['batchId'], seldom: true });
