import { commandKind, rowsBy, rowsOf, wrongInput, type Decided, type Decision } from '../../ledger/index.ts';
import { groupBy, mean } from '../../maths/index.ts';
import type { LotRead } from '../entries/lotRead.ts';
import { Lot, Reading, ReadingSession } from '../lot.ts';
import type { TypedReading } from '../readings.ts';
import { metered, type MeasuredReading } from '../session.ts';
import type { WoodFactory } from '../woodFactory.ts';

/** A session out of a file. */
export interface ImportedSession {
  lotId: string;
  atMs: number;
  readings: readonly (TypedReading & { woodTempC: number })[];
}

export interface ImportReadingsRequest {
  sessions: readonly ImportedSession[];
}

/** What makes a session of a lot the same as another, whoever brings it and however often. */
export const sessionContent = (atMs: number, readings: readonly TypedReading[]): string =>
  [atMs, ...readings.map((r) => `${r.depth} ${r.rawPct}`).sort()].join(' ');

/** A reading as it was written down first. */
export const asWritten = ({ depth, rawPct, firstRawPct }: Reading): TypedReading => ({ depth, rawPct: firstRawPct ?? rawPct });

/** Sessions out of a pin meter's file, each of one lot. One that is on record already is left as it is. */
export const ImportReadings = commandKind('import readings')<ImportReadingsRequest, WoodFactory>({
  role: 'operator',
  concerns({ sessions }) {
    const lotIds = sessions.map((s) => s.lotId);
    return {
      about: [rowsOf(Lot, lotIds)],
      reads(known) {
        const sessionIds = known.all(ReadingSession).map((s) => s.id);
        return [rowsBy(ReadingSession, 'lotId', lotIds), rowsBy(Reading, 'sessionId', sessionIds)];
      },
    };
  },
  decide({ sessions }, { rows, factory }): Decision<Decided<typeof LotRead>> {
    const entries: Decided<typeof LotRead>[] = [];
    const added = new Map<string, number>();
    const readingsOf = groupBy(rows.all(Reading), (r) => r.sessionId);
    const known = new Set(
      rows.all(ReadingSession).map((s) => `${s.lotId} ${sessionContent(s.atMs, (readingsOf.get(s.id) ?? []).map(asWritten))}`),
    );
    for (const [i, { lotId, atMs, readings: typed }] of sessions.entries()) {
      const content = `${lotId} ${sessionContent(atMs, typed)}`;
      if (known.has(content)) continue;
      known.add(content);
      const lot = rows.get(Lot, lotId);
      const species = factory.species(lot.species).meter;
      if (typed.length === 0) return wrongInput(`sessions.${i}`, 'This session has no reading');
      const woodTempC = Math.round(mean(typed.map((r) => r.woodTempC)) * 100) / 100;
      const readings: MeasuredReading[] = [];
      for (const { woodTempC: own, ...reading } of typed) {
        try {
          readings.push({ ...metered('pin', reading, own, species), ...(Math.abs(own - woodTempC) < 0.005 ? {} : { woodTempC: own }) });
        } catch (error) {
          return wrongInput(`sessions.${i}`, error instanceof Error ? error.message : String(error));
        }
      }
      const number = (added.get(lotId) ?? lot.sessions) + 1;
      added.set(lotId, number);
      const payload = { sessionId: `${lotId}/${number}`, meter: 'pin' as const, woodTempC, readings, ...(species ? { species } : {}) };
      entries.push({ kind: 'lot.read', lotId, atMs, payload });
    }
    return { kind: 'accept', entries };
  },
});
