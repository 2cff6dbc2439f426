import { rowKind } from '../ledger/index.ts';
import type { Disposition } from './outcome.ts';

/** A fault found on a piece, and where it comes from. */
export interface Defect {
  id: string;
  pieceId: string;
  batchId: string;
  operationId: string;
  originOperationId: string;
  kind: string;
  disposition: Disposition;
  note: string;
  atMs: number;
  personId: string | null;
}
export const Defect = rowKind<Defect>('defect', { key: 'id' });
