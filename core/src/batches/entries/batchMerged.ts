import { place, placementsOf } from '../../carriers/index.ts';
import { entryKind } from '../../ledger/index.ts';
import { Batch, livePieces, piecesIn, Visit, visitOf } from '../batch.ts';
import { changeBatch } from './rows.ts';
import { changeBatchOf } from './splitOff.ts';

/** The other batch's pieces come over; the wait of both counts from the later arrival. */
export const BatchMerged = entryKind('batch.merged')<{ fromBatchId: string }>({
  apply(rows, entry) {
    const into = rows.get(Batch, entry.batchId);
    const from = rows.get(Batch, entry.payload.fromBatchId);
    const [visit, fromVisit] = [visitOf(rows, into), visitOf(rows, from)];
    const moved = livePieces(piecesIn(rows, from.id));
    const placements = [...placementsOf(rows, into.id), ...placementsOf(rows, from.id)];
    for (const piece of moved) changeBatchOf(rows, piece, into.id, entry.atMs);
    place(rows, from.id, []);
    const byCarrier = new Map<string, number>();
    for (const p of placements) byCarrier.set(p.carrierId, (byCarrier.get(p.carrierId) ?? 0) + p.pieces);
    place(
      rows,
      into.id,
      [...byCarrier].map(([carrierId, pieces]) => ({ carrierId, pieces })),
    );
    rows.amend(Visit, visit, {
      quantity: visit.quantity + moved.length,
      good: visit.good + fromVisit.good,
      loadS: visit.loadS === null || fromVisit.loadS === null ? visit.loadS : visit.loadS + fromVisit.loadS,
      continues: [...new Set([...visit.continues, fromVisit.id, ...fromVisit.continues])],
    });
    rows.amend(Visit, fromVisit, {
      quantity: fromVisit.quantity - moved.length,
      good: 0,
      loadS: fromVisit.loadS === null ? null : 0,
      leftMs: entry.atMs,
    });
    changeBatch(rows, into.id, {
      quantity: into.quantity + moved.length,
      arrivedMs: Math.max(into.arrivedMs, from.arrivedMs),
      startedMs: Math.min(into.startedMs, from.startedMs),
      sinceMs: Math.max(into.sinceMs, from.sinceMs),
    });
    changeBatch(rows, from.id, { quantity: 0, status: 'done', endedMs: entry.atMs, sinceMs: entry.atMs });
  },
  sentence: ({ payload }) => `Took in ${payload.fromBatchId}`,
});
