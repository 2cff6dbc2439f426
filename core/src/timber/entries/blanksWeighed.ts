import { entryKind } from '../../ledger/index.ts';
import { Blank } from '../stock.ts';

export const BlanksWeighed = entryKind('blanks.weighed')<{ blanks: { id: string; massG: number; moisturePct: number }[] }>({
  apply(rows, { payload }) {
    for (const { id, massG, moisturePct } of payload.blanks) {
      const blank = rows.get(Blank, id);
      rows.amend(Blank, blank, { massG, moisturePct, version: blank.version + 1 });
    }
  },
  sentence: ({ payload }) => `${payload.blanks.length} blanks weighed`,
});
