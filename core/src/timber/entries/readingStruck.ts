import { entryKind } from '../../ledger/index.ts';
import { Reading, ReadingSession } from '../lot.ts';
import type { SessionFigures } from '../session.ts';
import { remeanSession } from './lotRows.ts';

/** A reading that was no reading; mean and spread are those of the rest. */
export const ReadingStruck = entryKind('reading.struck')<SessionFigures & { sessionId: string; seq: number; reason: string }>({
  apply(rows, { payload: { sessionId, seq, reason, meanPct, spreadPct } }) {
    const session = rows.change(ReadingSession, sessionId, { meanPct, spreadPct });
    rows.change(Reading, `${sessionId}/${seq}`, { struck: reason });
    remeanSession(rows, session);
  },
  sentence: ({ payload }) => `Reading ${payload.seq} struck out: ${payload.reason}`,
});
