import { commandKind, refuse, rowsOf, wrongInput, type Decided, type Decision } from '../../ledger/index.ts';
import { mean } from '../../maths/index.ts';
import type { ReadingStruck } from '../entries/readingStruck.ts';
import { Lot, Reading, ReadingSession } from '../lot.ts';

export interface StrikeReadingRequest {
  lotId: string;
  sessionId: string;
  seq: number;
  reason: string;
}

/** Takes a reading out of the reckoning; it stays on record with the reason. */
export const StrikeReading = commandKind('strike reading')<StrikeReadingRequest>({
  role: 'operator',
  concerns: ({ lotId, sessionId }) => ({ about: [rowsOf(Lot, [lotId]), rowsOf(ReadingSession, [sessionId])] }),
  decide({ lotId, sessionId, seq, reason }, { rows }): Decision<Decided<typeof ReadingStruck>> {
    if (rows.get(ReadingSession, sessionId).lotId !== lotId) return wrongInput('sessionId', `That session is not of lot ${lotId}`);
    const readings = rows.all(Reading).filter((r) => r.sessionId === sessionId);
    const struck = readings.find((r) => r.seq === seq);
    if (!struck) return wrongInput('seq', `That session has no reading ${seq}`);
    if (struck.struck !== null) return refuse('That reading is struck out already');
    const left = readings.filter((r) => r.struck === null && r.seq !== seq).map((r) => r.correctedPct);
    if (left.length === 0) return refuse('The last reading of a session cannot be struck out');
    const payload = { sessionId, seq, reason, meanPct: mean(left), spreadPct: Math.max(...left) - Math.min(...left) };
    return { kind: 'accept', entries: [{ kind: 'reading.struck', lotId, payload }] };
  },
});
