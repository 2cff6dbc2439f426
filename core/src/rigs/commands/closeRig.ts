import { TOGETHER, type DwellLaw } from '../../carriers/index.ts';
import { onBatch } from '../../batches/index.ts';
import { refuse, rowsOf, type Decision } from '../../ledger/index.ts';
import type { RigEntry } from '../decided.ts';
import { RigCount } from '../rigCount.ts';
import { newcomersIn, nothingIn, othersTogether, rigAsked, rigAt, type RigRequest } from './atRig.ts';

/** Closes a rig over all that is in it: from then on nothing goes in, and its time runs. */
export const CloseRig = onBatch('close rig')<RigRequest, RigEntry>({
  role: 'operator',
  whileHeld: true,
  first: (request) => [rigAsked(request)],
  others: othersTogether,
  making: ({ rigId }) => [rowsOf(RigCount, [rigId])],
  asks: (request) => [rigAsked(request)],
  decide({ rigId, personId }, at): Decision<RigEntry> {
    const nothing = nothingIn(rigId, at);
    if (nothing) return nothing;
    const found = rigAt(rigId, at);
    if (found.kind === 'refuse') return found;
    const { rig, there } = found;
    if (rig.rig.cycle !== TOGETHER) return refuse(`${rig.name} has a timer for each place: nothing closes it over all`);
    const more = newcomersIn(there, at);
    if (more) return more;
    if (there.some((p) => p.stay.closedMs !== null)) return refuse(`${rig.name} is closed already`);
    // What is in together comes out together, when the last of it may.
    const longest = new Map<string, DwellLaw>();
    for (const { stay } of there) for (const law of stay.laws?.out ?? []) longest.set(JSON.stringify(law), law);
    const out = [...longest.values()];
    const batchIds = [...new Set(there.map((p) => p.batchId))];
    return {
      kind: 'accept',
      entries: batchIds.map((batchId) => ({
        kind: 'rig.closed',
        batchId,
        payload: {
          rigId,
          workerId: personId,
          laws: { out, set: there.find((p) => p.batchId === batchId)?.stay.laws?.set ?? null },
          pieces: there.length,
          withBatchIds: batchIds.filter((id) => id !== batchId),
        },
      })),
    };
  },
});
