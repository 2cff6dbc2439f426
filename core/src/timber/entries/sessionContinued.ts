import { entryKind } from '../../ledger/index.ts';
import { counted } from '../../units/index.ts';
import { Lot, ReadingSession } from '../lot.ts';
import type { MeasuredReading, SessionFigures } from '../session.ts';
import { asTyped, changeLot, putReadings, remeanSession } from './lotRows.ts';

/** More readings of a session that is still going on. */
export const SessionContinued = entryKind('session.continued')<
  SessionFigures & {
    sessionId: string;
    /** number of the first of them within the session */
    firstSeq: number;
    readings: MeasuredReading[];
    /** dry masses of sample boards begun with these */
    samples?: Readonly<Record<string, number>>;
  }
>({
  apply(rows, { payload: { sessionId, firstSeq, readings, samples, meanPct, spreadPct } }) {
    const session = rows.change(ReadingSession, sessionId, { meanPct, spreadPct });
    putReadings(rows, sessionId, readings, firstSeq);
    if (samples) changeLot(rows, session.lotId, { samples: { ...rows.get(Lot, session.lotId).samples, ...samples } });
    remeanSession(rows, session);
  },
  sentence: ({ payload: { readings } }) => `${counted(readings.length, 'more reading')}: ${asTyped(readings)}`,
});
