import { entryKind } from '../../ledger/index.ts';
import { Blank } from '../stock.ts';
import { changeLot } from './lotRows.ts';

/** Blanks are glued edge to edge into one that is wider, and to be weighed as a whole. */
export const BlanksJoined = entryKind('blanks.joined')<{
  id: string;
  fromIds: readonly string[];
  lengthMm: number;
  widthMm: number;
  thicknessMm: number;
}>({
  apply(rows, { lotId, payload: { id, fromIds, ...size } }) {
    const from = fromIds.map((blankId) => rows.get(Blank, blankId));
    const [first] = from;
    if (!first) throw new Error(`Blank ${id} is joined of nothing`);
    const look = from.every((b) => b.look === 'clear') ? ('clear' as const) : ('solid' as const);
    rows.put(Blank, { ...first, ...size, id, look, massG: null, moisturePct: null, version: 1 });
    for (const blank of from) rows.amend(Blank, blank, { state: 'joined', version: blank.version + 1 });
    changeLot(rows, lotId, {});
  },
  sentence: ({ payload: { id, fromIds } }) => `${fromIds.join(' and ')} joined as ${id}`,
});
