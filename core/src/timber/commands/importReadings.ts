import { commandKind, rowsOf, wrongInput, type Decided, type Decision } from '../../ledger/index.ts';
import type { LotRead } from '../entries/lotRead.ts';
import { Lot } from '../lot.ts';
import { readSession } from '../session.ts';
import type { WoodFactory } from '../woodFactory.ts';

export interface ImportReadingsRequest {
  sessions: readonly { lotId: string; text: string; woodTempC: number; atMs: number | null }[];
}

/** Sessions out of a pin meter's file, each of one lot. */
export const ImportReadings = commandKind('import readings')<ImportReadingsRequest, WoodFactory>({
  role: 'operator',
  concerns: ({ sessions }) => ({
    about: [
      rowsOf(
        Lot,
        sessions.map((s) => s.lotId),
      ),
    ],
  }),
  decide({ sessions }, { rows, factory, nowMs }): Decision<Decided<typeof LotRead>> {
    const entries: Decided<typeof LotRead>[] = [];
    const counted = new Map<string, number>();
    for (const [i, { lotId, text, woodTempC, atMs }] of sessions.entries()) {
      const lot = rows.get(Lot, lotId);
      const species = factory.species(lot.species).meter;
      const { readings, problems } = readSession('pin', text, { woodTempC, samples: {}, ...(species ? { species } : {}) });
      if (problems.length > 0) return wrongInput(`sessions.${i}`, problems.map((p) => p.message).join('. '));
      if (readings.length === 0) return wrongInput(`sessions.${i}`, 'This session has no reading');
      const number = (counted.get(lotId) ?? lot.sessions) + 1;
      counted.set(lotId, number);
      const payload = { sessionId: `${lotId}/${number}`, meter: 'pin', woodTempC, readings, ...(species ? { species } : {}) };
      entries.push({ kind: 'lot.read', lotId, atMs: atMs ?? nowMs, payload });
    }
    return { kind: 'accept', entries };
  },
});
