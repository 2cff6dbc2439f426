import type { Rows } from '../../ledger/index.ts';
import { Batch, Visit, visitOf } from '../batch.ts';
import { scrapPiece } from './pieceRows.ts';
import { lessPieces } from './rows.ts';

export function scrapPieces(rows: Rows, batchId: string, ids: readonly string[], atMs: number): void {
  for (const id of ids) scrapPiece(rows, id, atMs);
  const batch = rows.get(Batch, batchId);
  const visit = visitOf(rows, batch);
  rows.amend(Visit, visit, { scrap: visit.scrap + ids.length });
  lessPieces(rows, batchId, ids.length, atMs);
}
