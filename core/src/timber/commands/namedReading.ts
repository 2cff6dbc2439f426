import { refuse, rowsOf, wrongInput, type Concerns, type Refused, type Rows } from '../../ledger/index.ts';
import { Lot, Reading, ReadingSession } from '../lot.ts';

/** A reading by its number within its session. */
export interface ReadingNamed {
  lotId: string;
  sessionId: string;
  seq: number;
}

export const concernsReading = ({ lotId, sessionId }: ReadingNamed): Concerns => ({
  about: [rowsOf(Lot, [lotId]), rowsOf(ReadingSession, [sessionId])],
});

interface Found {
  kind: 'found';
  session: ReadingSession;
  reading: Reading;
  /** the session's other readings that count */
  others: Reading[];
}

/** A reading that still counts, with its session and the rest of it. */
export function aReading(rows: Rows, { lotId, sessionId, seq }: ReadingNamed): Found | Refused {
  const session = rows.get(ReadingSession, sessionId);
  if (session.lotId !== lotId) return wrongInput('sessionId', `That session is not of lot ${lotId}`);
  const readings = rows.all(Reading).filter((r) => r.sessionId === sessionId);
  const reading = readings.find((r) => r.seq === seq);
  if (!reading) return wrongInput('seq', `That session has no reading ${seq}`);
  if (reading.struck !== null) return refuse('That reading is struck out already');
  return { kind: 'found', session, reading, others: readings.filter((r) => r.struck === null && r.seq !== seq) };
}
