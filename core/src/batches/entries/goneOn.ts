import type { Rows } from '../../ledger/index.ts';
import { Batch, Visit, visitOf } from '../batch.ts';
import { lessPieces } from './rows.ts';

/** Pieces that left a batch as good, to become part of something else. */
export function goneOn(rows: Rows, batchId: string, count: number, atMs: number): void {
  const batch = rows.get(Batch, batchId);
  const visit = visitOf(rows, batch);
  rows.amend(Visit, visit, { good: visit.good + count, startedMs: visit.startedMs ?? atMs });
  lessPieces(rows, batchId, count, atMs);
}

/** What a batch made from another keeps of it. */
export const sameOrder = (batch: Batch) => ({
  modelId: batch.modelId,
  orderId: batch.orderId,
  lotId: batch.lotId,
  routeId: batch.routeId,
  dueMs: batch.dueMs,
  facts: batch.facts,
  workClass: batch.workClass,
  parentId: batch.id,
});
