import { entryKind } from '../../ledger/index.ts';
import { Lot, Reading, ReadingSession } from '../lot.ts';
import { changeLot } from './lotRows.ts';

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
    changeLot(rows, lot.id, {
      ...(lot.firstReadMs === session.atMs ? { firstPct: meanPct } : {}),
      ...(lot.lastReadMs === session.atMs ? { meanPct } : {}),
    });
  },
  sentence: ({ payload }) => `Reading ${payload.seq} struck out: ${payload.reason}`,
});
