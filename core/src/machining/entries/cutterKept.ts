import { entryKind } from '../../ledger/index.ts';
import { Cutter } from '../cutter.ts';

/** A cutter is bought, and marked. */
export const CutterKept = entryKind('cutter.kept')<Pick<Cutter, 'id' | 'kind' | 'lifeMinutes' | 'note'>>({
  apply(rows, { payload, atMs }) {
    rows.put(Cutter, { ...payload, state: 'ready', stationCode: null, bench: null, sharpened: 0, sinceMs: atMs, version: 1 });
  },
  sentence: ({ payload: { id, kind, lifeMinutes } }) => `Cutter ${id}, ${kind}, on record: good for ${lifeMinutes} min`,
});
