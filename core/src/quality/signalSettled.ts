import { entryKind } from '../ledger/index.ts';
import { Dimension } from './dimension.ts';

/** Somebody says what was behind a rule of a chart that fired. */
export const SignalSettled = entryKind('signal.settled')<{ dimensionId: string; name: string; note: string; anew: boolean }>({
  apply(rows, { payload: { dimensionId, note, anew }, atMs, personId }) {
    const dimension = rows.get(Dimension, dimensionId);
    const fresh = anew ? { latest: [], limits: null } : {};
    rows.put(Dimension, { ...dimension, ...fresh, signal: null, settledMs: atMs, found: { note, atMs, personId } });
  },
  sentence: ({ payload: { name, note, anew } }) => `${name}, settled: ${note}${anew ? '; its chart begins anew' : ''}`,
});
