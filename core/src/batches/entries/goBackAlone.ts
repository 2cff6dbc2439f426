import { place } from '../../carriers/index.ts';
import type { Rows } from '../../ledger/index.ts';
import type { Operation } from '../../routing/index.ts';
import { Batch, batchIdOf, Piece } from '../batch.ts';
import { arrive, lessPieces } from './rows.ts';
import { changeBatchOf } from './splitOff.ts';

interface Back {
  number: number;
  pieceIds: readonly string[];
  operation: Operation;
  atMs: number;
}

/** Pieces go back to a step as a batch of their own, a pass later than the rest, which does not wait for them. */
export function goBackAlone(rows: Rows, batchId: string, { number, pieceIds, operation, atMs }: Back): void {
  const batch = rows.get(Batch, batchId);
  const id = batchIdOf(number);
  for (const pieceId of pieceIds) changeBatchOf(rows, rows.get(Piece, pieceId), id, atMs);
  const { went } = lessPieces(rows, batch.id, pieceIds.length, atMs);
  place(rows, id, went);
  const passes = { ...batch.passes };
  const own = { ...batch, id, number, quantity: pieceIds.length, visitId: '', passes, jobId: null, parentId: batch.id, version: 0 };
  arrive(rows, own, operation, atMs, true);
}
