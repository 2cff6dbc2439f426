import { changeBatch, countsFor, idsInOrder, Job, Piece, piecesInPass, piecesIn, visitOf } from '../batches/index.ts';
import { entryKind } from '../ledger/index.ts';
import { keepOverride, type Override } from '../routing/index.ts';
import { MINUTE_MS } from '../units/index.ts';
import { Coat } from './coat.ts';

export interface Logged {
  coatId: string;
  operationId: string;
  materialId: string;
  wetUm: number;
  dryUm: number;
  flashMinutes: number;
  override: Override | null;
}

export const CoatLogged = entryKind('coat.logged')<Logged>({
  apply(rows, entry) {
    const batch = changeBatch(rows, entry.batchId, {});
    const visit = visitOf(rows, batch);
    const pieces = piecesInPass(batch, piecesIn(rows, batch.id));
    const { coatId, flashMinutes, override, ...coat } = entry.payload;
    keepOverride(rows, entry, coatId, coat.operationId, override);
    rows.put(Coat, {
      id: coatId,
      batchId: batch.id,
      visitId: batch.visitId,
      jobId: rows.get(Job, batch.jobId).id,
      pieceIds: idsInOrder(pieces),
      atMs: entry.atMs,
      personId: entry.personId,
      flashUntilMs: entry.atMs + flashMinutes * MINUTE_MS,
      ...coat,
    });
    for (const piece of pieces) {
      const { lastCoat } = piece;
      const before = lastCoat && countsFor(visit, lastCoat.visitId) ? lastCoat.coats : 0;
      const atMs = Math.max(entry.atMs, lastCoat?.atMs ?? entry.atMs);
      rows.amend(Piece, piece, { coats: piece.coats + 1, lastCoat: { visitId: visit.id, coats: before + 1, atMs } });
    }
  },
  sentence: ({ payload }) => `Coat of ${payload.wetUm} µm wet, ${payload.dryUm} µm dry`,
});
