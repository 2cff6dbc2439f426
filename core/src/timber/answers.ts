import { answerer, rowsBy, type Rows } from '../ledger/index.ts';
import { Reading, ReadingSession } from './lot.ts';
import { ReadingsOf } from './woodFactory.ts';

const sessionsOf = (rows: Rows, lotId: string): ReadingSession[] =>
  rows.where(ReadingSession, 'lotId', lotId).sort((a, b) => a.atMs - b.atMs);

export const readingsOf = answerer(ReadingsOf, {
  reads({ lotId }, known) {
    const latest = sessionsOf(known, lotId).at(-1);
    return [rowsBy(ReadingSession, 'lotId', [lotId]), rowsBy(Reading, 'sessionId', latest ? [latest.id] : [])];
  },
  answer({ lotId }, rows) {
    const sessions = sessionsOf(rows, lotId);
    const latest = sessions.at(-1);
    const readings = rows
      .all(Reading)
      .filter((r) => r.sessionId === latest?.id && r.struck === null)
      .sort((a, b) => a.seq - b.seq);
    return { readings, series: sessions.map(({ atMs, meanPct }) => ({ atMs, value: meanPct })) };
  },
});
