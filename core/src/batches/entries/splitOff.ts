import { place } from '../../carriers/index.ts';
import type { Rows } from '../../ledger/index.ts';
import { Batch, Instrument, Piece, Visit, visitOf, batchIdOf } from '../batch.ts';
import { joinBatch, lessPieces, visitIdOf } from './rows.ts';

/** Some pieces become a batch of their own, at the same step and as far as the rest. */
export function splitOff(rows: Rows, batchId: string, number: number, pieceIds: readonly string[], atMs: number): Batch {
  const batch = rows.get(Batch, batchId);
  const visit = visitOf(rows, batch);
  const id = batchIdOf(number);
  const quantity = pieceIds.length;
  const visitId = visitIdOf(id, batch.operationId, batch.pass);
  const counted = visit.finishedMs === null ? 0 : quantity;
  rows.put(Visit, { ...visit, id: visitId, batchId: id, quantity, good: counted, rework: 0, scrap: 0, touchMs: 0 });
  rows.amend(Visit, visit, { quantity: visit.quantity - quantity, good: visit.good - counted });
  const passes = { ...batch.passes };
  rows.put(Batch, { ...batch, id, number, quantity, visitId, passes, runId: null, parentId: batch.id, version: 1 });
  for (const pieceId of pieceIds) changeBatchOf(rows, rows.get(Piece, pieceId), id, atMs);
  const { sinceMs } = batch;
  const { went } = lessPieces(rows, batch.id, quantity, atMs);
  rows.change(Batch, batch.id, { sinceMs });
  place(rows, id, went);
  return rows.get(Batch, id);
}

/** An instrument's piece and its record move together. */
export function changeBatchOf(rows: Rows, piece: Piece, batchId: string, atMs: number): void {
  joinBatch(rows, piece, batchId, atMs);
  if (piece.component === 'instrument') rows.change(Instrument, piece.id, { batchId });
}
