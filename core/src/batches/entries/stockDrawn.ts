import { entryKind } from '../../ledger/index.ts';
import { Batch, livePieces, Piece, piecesIn } from '../batch.ts';
import { goneOn } from './goneOn.ts';

/** Small parts are taken for another batch, the first in the box first. */
export const StockDrawn = entryKind('stock.drawn')<{ forBatchId: string; operationId: string; count: number }>({
  apply(rows, entry) {
    const stock = rows.get(Batch, entry.batchId);
    const inBox = livePieces(piecesIn(rows, stock.id)).sort((a, b) => a.ordinal - b.ordinal || (a.id < b.id ? -1 : 1));
    for (const piece of inBox.slice(0, entry.payload.count))
      rows.change(Piece, piece.id, { state: 'drawn', intoId: entry.payload.forBatchId });
    goneOn(rows, stock.id, entry.payload.count, entry.atMs);
  },
  sentence: ({ payload }) => `${payload.count} drawn for ${payload.forBatchId}`,
});
