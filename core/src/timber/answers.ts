import { answerer, rowsBy, type Rows } from '../ledger/index.ts';
import { Reading, ReadingSession } from './lot.ts';
import { ReadingsOf } from './woodFactory.ts';

const sessionsOf = (rows: Rows, lotId: string): ReadingSession[] =>
  rows.where(ReadingSession, 'lotId', lotId).sort((a, b) => a.atMs - b.atMs);

/** Readings are numbered within their session, without gaps. */
function readingsIn(rows: Rows, sessionId: string): Reading[] {
  const readings: Reading[] = [];
  for (let next = rows.find(Reading, `${sessionId}/1`); next; next = rows.find(Reading, `${sessionId}/${next.seq + 1}`))
    readings.push(next);
  return readings;
}

export const readingsOf = answerer(ReadingsOf, {
  reads({ lotId }, known) {
    const latest = sessionsOf(known, lotId).at(-1);
    return [rowsBy(ReadingSession, 'lotId', [lotId]), rowsBy(Reading, 'sessionId', latest ? [latest.id] : [])];
  },
  answer({ lotId }, rows) {
    const sessions = sessionsOf(rows, lotId);
    const latest = sessions.at(-1);
    const readings = latest ? readingsIn(rows, latest.id).filter((r) => r.struck === null) : [];
    return { readings, series: sessions.map(({ atMs, meanPct }) => ({ atMs, value: meanPct })) };
  },
});
