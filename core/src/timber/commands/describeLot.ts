import { commandKind, rowsOf, wrongInput, type Decided, type Decision } from '../../ledger/index.ts';
import type { LotDescribed } from '../entries/lotDescribed.ts';
import { Lot } from '../lot.ts';

export type DescribeLotRequest = { lotId: string } & Partial<Pick<Lot, 'papersPct' | 'grade' | 'place' | 'permit'>>;

/** What is known of a lot better than before. */
export const DescribeLot = commandKind('describe lot')<DescribeLotRequest>({
  role: 'operator',
  concerns: ({ lotId }) => ({ about: [rowsOf(Lot, [lotId])] }),
  decide: ({ lotId, ...said }): Decision<Decided<typeof LotDescribed>> =>
    Object.keys(said).length === 0
      ? wrongInput('version', 'Nothing is said of the lot')
      : { kind: 'accept', entries: [{ kind: 'lot.described', lotId, payload: said }] },
});
