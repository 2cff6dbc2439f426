import { rowKind } from '../ledger/index.ts';

/** One coat, on all pieces of a batch's pass at the time. */
export interface Coat {
  id: string;
  batchId: string;
  visitId: string;
  /** the job it was laid in */
  jobId: string;
  pieceIds: readonly string[];
  operationId: string;
  atMs: number;
  personId: string | null;
  materialId: string;
  wetUm: number;
  dryUm: number;
  flashUntilMs: number;
}
export const Coat = rowKind<Coat>('coat', { key: 'id', by: ['batchId'], seldom: true });
