import { entryKind } from '../../ledger/index.ts';
import { Reading, ReadingSession } from '../lot.ts';
import type { MeasuredReading, SessionFigures } from '../session.ts';
import { asTyped, remeanSession } from './lotRows.ts';

/** A reading that was written down wrong; what was written first stays with it. */
export const ReadingCorrected = entryKind('reading.corrected')<
  SessionFigures & { sessionId: string; seq: number; was: Pick<MeasuredReading, 'depth' | 'rawPct'>; reading: MeasuredReading }
>({
  apply(rows, { payload: { sessionId, seq, was, reading, meanPct, spreadPct } }) {
    const session = rows.change(ReadingSession, sessionId, { meanPct, spreadPct });
    const { depth, rawPct, correctedPct, massG = null, dryMassG = null } = reading;
    const now = rows.get(Reading, `${sessionId}/${seq}`);
    rows.amend(Reading, now, { depth, rawPct, correctedPct, massG, dryMassG, firstRawPct: now.firstRawPct ?? was.rawPct });
    remeanSession(rows, session);
  },
  sentence: ({ payload: { seq, was, reading } }) => `Reading ${seq} corrected from ${asTyped([was])} to ${asTyped([reading])}`,
});
