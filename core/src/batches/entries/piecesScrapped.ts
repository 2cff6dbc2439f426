import { entryKind } from '../../ledger/index.ts';
import { Batch } from '../batch.ts';
import type { PieceDefect } from '../outcome.ts';
import { keepDefect } from './pieceRows.ts';
import { scrapPieces } from './scrapPieces.ts';

export const PiecesScrapped = entryKind('pieces.scrapped')<{ operationId: string; pieces: readonly PieceDefect[] }>({
  apply(rows, entry) {
    const batch = rows.get(Batch, entry.batchId);
    for (const piece of entry.payload.pieces)
      keepDefect(rows, entry, batch, `${batch.visitId}/${piece.pieceId}@${entry.atMs}`, piece, 'scrap');
    scrapPieces(
      rows,
      batch.id,
      entry.payload.pieces.map((p) => p.pieceId),
      entry.atMs,
    );
  },
  sentence: ({ payload }) => `Scrapped: ${payload.pieces.map((p) => `${p.pieceId} (${p.defect})`).join(', ')}`,
});
