import { entryKind } from '../../ledger/index.ts';
import { keepOverride, operationOf, type Override, type Routes } from '../../routing/index.ts';
import { Batch, piecesIn } from '../batch.ts';
import { doneInRig } from './rigRows.ts';
import { arrive, leave } from './rows.ts';

/** At the end of a loop: which round this was, and whether it goes back to the start of it. */
export interface Moved {
  from: string;
  to: string;
  override: Override | null;
  round?: number;
  again?: boolean;
}

export const BatchMoved = entryKind('batch.moved')<Moved, Routes>({
  apply(rows, entry, routes) {
    const batch = rows.get(Batch, entry.batchId);
    const { from, to, override, round, again } = entry.payload;
    leave(rows, batch, entry.atMs);
    // Round again at the same step: what was in a rig the last time has been.
    if (from === to) for (const piece of piecesIn(rows, batch.id)) doneInRig(rows, piece, entry.atMs);
    keepOverride(rows, entry, batch.visitId, from, override);
    const rounds = round === undefined ? undefined : { ...batch.rounds, [from]: again ? round : 0 };
    arrive(rows, batch, operationOf(routes.routeOf(batch), to), entry.atMs, false, rounds);
  },
  sentence: ({ payload: { to, override, round, again } }, nameOf) => {
    if (again) return `Round ${round ?? 1} done; back to ${nameOf('step', to)}`;
    return override ? `Moved to ${nameOf('step', to)} against its gate: ${override.reason}` : `Moved to ${nameOf('step', to)}`;
  },
});
