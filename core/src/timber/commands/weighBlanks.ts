import { commandKind, rowsOf, wrongInput, type Decided, type Decision } from '../../ledger/index.ts';
import type { BlanksWeighed } from '../entries/blanksWeighed.ts';
import { Lot } from '../lot.ts';
import { Blank, lotsOfBlanks } from '../stock.ts';

export interface WeighBlanksRequest {
  /** the moisture is the lot's latest where none is said */
  blanks: readonly { id: string; massG: number; moisturePct?: number }[];
}

export const WeighBlanks = commandKind('weigh blanks')<WeighBlanksRequest>({
  role: 'operator',
  concerns: ({ blanks }) => ({
    about: [
      rowsOf(
        Blank,
        blanks.map((b) => b.id),
      ),
    ],
  }),
  decide({ blanks }, { rows }): Decision<Decided<typeof BlanksWeighed>> {
    const joined = blanks.find((b) => rows.get(Blank, b.id).state === 'joined');
    if (joined) return wrongInput('blanks', `Blank ${joined.id} has been joined to others: weigh what came of it`);
    const entries: Decided<typeof BlanksWeighed>[] = [];
    for (const [lotId, own] of lotsOfBlanks(rows, blanks)) {
      const { meanPct } = rows.get(Lot, lotId);
      const weighed = own.map(({ id, massG, moisturePct }) => ({ id, massG, moisturePct: moisturePct ?? meanPct }));
      const unknown = weighed.find((b) => b.moisturePct === null);
      if (unknown) return wrongInput('blanks', `Lot ${lotId} was never read: say the moisture of ${unknown.id}`);
      const said = weighed.flatMap(({ moisturePct, ...b }) => (moisturePct === null ? [] : [{ ...b, moisturePct }]));
      entries.push({ kind: 'blanks.weighed', lotId, payload: { blanks: said } });
    }
    return { kind: 'accept', entries };
  },
});
