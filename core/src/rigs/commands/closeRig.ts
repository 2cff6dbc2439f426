import { TOGETHER, type DwellLaw } from '../../carriers/index.ts';
import { onBatch, OVERRIDE_ROLE } from '../../batches/index.ts';
import { mayActAs, refuse, rowsOf, type Decision } from '../../ledger/index.ts';
import type { RigEntry } from '../decided.ts';
import { openTooLong } from '../openTime.ts';
import { RigCount } from '../rigCount.ts';
import { newcomersIn, nothingIn, othersTogether, overrideOf, rigAsked, rigAt, type RigRequest } from './atRig.ts';

export interface CloseRigRequest extends RigRequest {
  /** why it is closed over glue that has lain open too long */
  overrideReason?: string;
}

/** Closes a rig over all that is in it: from then on nothing goes in, and its time runs. */
export const CloseRig = onBatch('close rig')<CloseRigRequest, RigEntry>({
  role: 'operator',
  objection: ({ overrideReason }, by) =>
    overrideReason !== undefined && !mayActAs(by.role, OVERRIDE_ROLE)
      ? `A rig is closed over glue that has lain open too long by a ${OVERRIDE_ROLE} or above; you are ${by.role}.`
      : null,
  whileHeld: true,
  first: (request) => [rigAsked(request)],
  others: othersTogether,
  making: ({ rigId }) => [rowsOf(RigCount, [rigId])],
  asks: (request) => [rigAsked(request)],
  decide(request, at): Decision<RigEntry> {
    const { rigId, personId } = request;
    const nothing = nothingIn(rigId, at);
    if (nothing) return nothing;
    const found = rigAt(rigId, at);
    if (found.kind === 'refuse') return found;
    const { rig, there } = found;
    if (rig.rig.cycle !== TOGETHER) return refuse(`${rig.name} has a timer for each place: nothing closes it over all`);
    const more = newcomersIn(there, at);
    if (more) return more;
    if (there.some((p) => p.stay.closedMs !== null)) return refuse(`${rig.name} is closed already`);
    const override = overrideOf(request, openTooLong(there, rig.name, at.nowMs));
    if (override !== null && 'because' in override) return override;
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
          ...(override === null ? {} : { override }),
        },
      })),
    };
  },
});
