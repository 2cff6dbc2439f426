import { entryKind } from '../../ledger/index.ts';
import { Batch, Piece, piecesIn, Visit, visitOf } from '../batch.ts';
import { goneOn } from './goneOn.ts';
import { changeBatch } from './rows.ts';

export interface Joined {
  operationId: string;
  guestBatchIds: readonly string[];
  joins: readonly { hostId: string; guestIds: readonly string[] }[];
}

/** Guests become part of their hosts; the hosts are done with the step. */
export const PartsJoined = entryKind('parts.joined')<Joined>({
  apply(rows, entry) {
    const host = rows.get(Batch, entry.batchId);
    const { joins, guestBatchIds } = entry.payload;
    for (const { hostId, guestIds } of joins) for (const id of guestIds) rows.change(Piece, id, { state: 'joined', intoId: hostId });
    const joined = new Set(joins.flatMap((j) => j.guestIds));
    for (const id of guestBatchIds) {
      const count = piecesIn(rows, id).filter((p) => joined.has(p.id)).length;
      if (count > 0) goneOn(rows, id, count, entry.atMs);
    }
    rows.amend(Visit, visitOf(rows, host), {
      startedMs: entry.atMs,
      finishedMs: entry.atMs,
      good: host.quantity,
      personId: entry.personId,
    });
    changeBatch(rows, host.id, { status: 'finished', sinceMs: entry.atMs, accepted: true });
  },
  sentence: ({ payload }) => `Joined with ${payload.guestBatchIds.join(', ')}`,
});
