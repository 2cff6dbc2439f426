import { entryKind } from '../ledger/index.ts';
import { kitIdOf, KitStock } from './kitStock.ts';

/** Sets of a kit are counted: what has come, what is missing, or that nobody counts them any longer. */
export const KitsCounted = entryKind('kits.counted')<{ what: string; serves: string; sets: number | null; note: string }>({
  apply(rows, { payload: { what, serves, sets } }) {
    const id = kitIdOf(serves, what);
    if (sets === null) rows.drop(KitStock, id);
    else rows.put(KitStock, { id, what, serves, sets });
  },
  sentence: ({ payload: { what, sets, note } }) =>
    `${what}: ${sets === null ? 'no longer counted' : `${sets} on hand`}${note === '' ? '' : ` (${note})`}`,
});
