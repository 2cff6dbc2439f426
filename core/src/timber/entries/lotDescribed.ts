import { entryKind } from '../../ledger/index.ts';
import type { Lot } from '../lot.ts';
import { changeLot } from './lotRows.ts';

/** Papers, grade, place: what is known of a lot better than before. */
export const LotDescribed = entryKind('lot.described')<Partial<Pick<Lot, 'papersPct' | 'grade' | 'place' | 'permit'>>>({
  apply: (rows, { lotId, payload }) => void changeLot(rows, lotId, payload),
  sentence: ({ payload: { papersPct, grade, place, permit } }) =>
    Object.entries({ papers: papersPct, grade, place, permit })
      .flatMap(([what, value]) => (value === undefined ? [] : [`${what} ${value ?? 'none'}`]))
      .join(', '),
});
