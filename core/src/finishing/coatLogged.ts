import { changeBatch, Piece, piecesInPass, piecesIn } from '../batches/index.ts';
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
    const { coatId, flashMinutes, override, ...coat } = entry.payload;
    keepOverride(rows, entry, coatId, coat.operationId, override);
    rows.put(Coat, {
      id: coatId,
      batchId: batch.id,
      visitId: batch.visitId,
      atMs: entry.atMs,
      personId: entry.personId,
      flashUntilMs: entry.atMs + flashMinutes * MINUTE_MS,
      ...coat,
    });
    for (const piece of piecesInPass(batch, piecesIn(rows, batch.id))) rows.amend(Piece, piece, { coats: piece.coats + 1 });
  },
  sentence: ({ payload }) => `Coat of ${payload.wetUm} µm wet, ${payload.dryUm} µm dry`,
});
