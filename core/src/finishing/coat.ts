import { rowKind, type Rows } from '../ledger/index.ts';

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
export const Coat = rowKind<Coat>('coat', { key: 'id', seldom: true });

/** How many of the planned coats a visit has: they are numbered within it, without gaps. */
export function coatsOnVisit(rows: Rows, visitId: string, planned: number): number {
  let count = 0;
  while (count < planned && rows.find(Coat, `${visitId}/${count + 1}`)) count++;
  return count;
}
