import { commandKind, rowsBy, rowsOf, wrongInput, type Decided, type Decision, type Rows } from '../../ledger/index.ts';
import { MINUTE_MS } from '../../units/index.ts';
import type { LotRead } from '../entries/lotRead.ts';
import type { SessionContinued } from '../entries/sessionContinued.ts';
import { Lot, Reading, ReadingSession } from '../lot.ts';
import { figuresOf, readSession, type MeasuredReading, type Method } from '../session.ts';
import type { WoodFactory } from '../woodFactory.ts';

/** A value typed within this time of its session's beginning, by who began it, belongs to that session: a stack is walked in less. */
export const SESSION_LASTS_MS = 20 * MINUTE_MS;

/** A session is no longer than this; what is typed on makes the next one. */
const MOST_IN_SESSION = 200;

export interface ReadLotRequest {
  lotId: string;
  /** a row of values as people say them */
  text: string;
  woodTempC: number;
  meter: Method;
  /** when they were taken; now, when left out */
  atMs?: number;
}

/** Readings of one lot as they are typed: a session, or the rest of the one that its reader has begun. */
export const ReadLot = commandKind('read lot')<ReadLotRequest, WoodFactory>({
  role: 'operator',
  concerns: ({ lotId }) => ({
    about: [rowsOf(Lot, [lotId])],
    reads(known) {
      const sessionIds = sessionIdsOf(known, lotId);
      return [rowsOf(ReadingSession, sessionIds), rowsBy(Reading, 'sessionId', sessionIds)];
    },
  }),
  decide(
    { lotId, text, woodTempC, meter, atMs },
    { rows, factory, nowMs, by },
  ): Decision<Decided<typeof LotRead> | Decided<typeof SessionContinued>> {
    const lot = rows.get(Lot, lotId);
    const species = factory.species(lot.species).meter;
    const { readings, samples, problems } = readSession(meter, text, { woodTempC, samples: lot.samples, ...(species ? { species } : {}) });
    if (problems.length > 0) return wrongInput('text', problems.map((p) => p.message).join('. '));
    if (readings.length === 0) return wrongInput('text', 'Type at least one reading');
    const takenMs = atMs ?? nowMs;
    if (takenMs > nowMs) return wrongInput('atMs', 'A reading cannot lie in the future');
    if (takenMs < lot.receivedMs) return wrongInput('atMs', 'The lot was received after that');
    const begun = Object.keys(samples).length > 0 ? { samples } : {};
    const [latestId = ''] = sessionIdsOf(rows, lotId);
    const latest = rows.find(ReadingSession, latestId);
    const known = rows.all(Reading).filter((r) => r.sessionId === latestId);
    const goesOn =
      latest?.meter === meter && latest.personId === by.personId && isWithin(takenMs, latest.atMs) && !weighsAgain(meter, readings, known);
    if (goesOn && known.length + readings.length <= MOST_IN_SESSION) {
      const more = latest.woodTempC === woodTempC ? readings : readings.map((r) => ({ ...r, woodTempC }));
      const figures = figuresOf([...known.filter((r) => r.struck === null), ...more]);
      const payload = { sessionId: latestId, firstSeq: known.length + 1, readings: more, ...begun, ...figures };
      return { kind: 'accept', entries: [{ kind: 'session.continued', lotId, atMs: takenMs, payload }] };
    }
    const payload = { sessionId: `${lotId}/${lot.sessions + 1}`, meter, woodTempC, readings, ...(species ? { species } : {}), ...begun };
    return { kind: 'accept', entries: [{ kind: 'lot.read', lotId, atMs: takenMs, payload }] };
  },
});

/** The session that was written down last, if there is one. */
const sessionIdsOf = (rows: Rows, lotId: string): string[] => {
  const sessions = rows.find(Lot, lotId)?.sessions ?? 0;
  return sessions === 0 ? [] : [`${lotId}/${sessions}`];
};

/** A sample board that is weighed again has a session of its own each time. */
const weighsAgain = (meter: Method, readings: readonly MeasuredReading[], known: readonly Reading[]): boolean =>
  meter === 'sample board' && readings.some((r) => known.some((k) => k.dryMassG === r.dryMassG));

const isWithin = (takenMs: number, begunMs: number) => takenMs >= begunMs && takenMs - begunMs <= SESSION_LASTS_MS;
