import type { Rows } from '../../ledger/index.ts';
import { Batch, Instrument, Piece } from '../batch.ts';
import { Defect } from '../defect.ts';
import type { Disposition, PieceDefect } from '../outcome.ts';

/** Writes down what is wrong with a piece, and where it comes from. */
export function keepDefect(
  rows: Rows,
  entry: { atMs: number; personId: string | null },
  batch: Batch,
  id: string,
  { pieceId, defect, originOperationId, note }: PieceDefect,
  disposition: Disposition,
): void {
  rows.put(Defect, {
    id,
    pieceId,
    batchId: batch.id,
    operationId: batch.operationId,
    originOperationId,
    kind: defect,
    disposition,
    note,
    atMs: entry.atMs,
    personId: entry.personId,
  });
}

/** A piece is out for good; an instrument with it. */
export function scrapPiece(rows: Rows, pieceId: string, atMs: number): void {
  const piece = rows.change(Piece, pieceId, { state: 'scrapped', outMs: atMs, inRig: null });
  if (piece.component !== 'instrument') return;
  const instrument = rows.get(Instrument, pieceId);
  rows.change(Instrument, pieceId, { state: 'scrapped', version: instrument.version + 1 });
}
