import { entryKind } from '../../ledger/index.ts';
import { Lot, Reading, ReadingSession } from '../lot.ts';

/** A reading that was no reading; mean and spread are those of the rest. */
export const ReadingStruck = entryKind('reading.struck')<{
  sessionId: string;
  seq: number;
  reason: string;
  meanPct: number;
  spreadPct: number;
}>({
  apply(rows, { payload: { sessionId, seq, reason, meanPct, spreadPct } }) {
    const session = rows.change(ReadingSession, sessionId, { meanPct, spreadPct });
    rows.change(Reading, `${sessionId}/${seq}`, { struck: reason });
    const lot = rows.get(Lot, session.lotId);
    rows.change(Lot, lot.id, {
      version: lot.version + 1,
      ...(lot.lastReadMs === session.atMs ? { meanPct } : {}),
    });
  },
  sentence: ({ payload }) => `Reading ${payload.seq} struck out: ${payload.reason}`,
});
