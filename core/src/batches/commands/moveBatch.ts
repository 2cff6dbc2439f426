import type { Placement } from '../../carriers/index.ts';
import { mayActAs, refuse, wrongInput } from '../../ledger/index.ts';
import { roundOrOn, roundTooMany } from '../../routing/index.ts';
import { gateAsks, gateEvidence, gateFindings } from '../gate.ts';
import { moveAsks, moveTo } from '../moving.ts';
import { onBatch, OVERRIDE_ROLE } from './onBatch.ts';

const OVERRIDE_REASON_LENGTH = 5;

export interface MoveSaid {
  overrideReason?: string;
  /** answers the question of a loop that runs until somebody accepts */
  accepted?: boolean;
  placements?: readonly Placement[];
}

/** Moves a batch that is done with its step, through the gate or against it. */
export const MoveBatch = onBatch('move batch')<MoveSaid>({
  role: 'operator',
  objection: ({ overrideReason }, by) =>
    overrideReason !== undefined && !mayActAs(by.role, OVERRIDE_ROLE)
      ? `A gate can be overridden by a ${OVERRIDE_ROLE} or above; you are ${by.role}.`
      : null,
  asks: ({ placements }, at) => [...gateAsks(at.batch, at.operation, at.factory, at.nowMs), ...moveAsks(placements, at)],
  decide({ overrideReason, accepted, placements }, at) {
    const { batch, operation, factory, nowMs, answers } = at;
    if (batch.status !== 'finished' && batch.status !== 'dwelling')
      return refuse(
        batch.status === 'stocked'
          ? `${operation.name} keeps it until a build calls`
          : `${operation.name} is ${batch.status}; it has to be finished before the batch moves on`,
      );
    const findings = gateFindings(batch, operation, gateEvidence(batch, factory, nowMs, answers));
    const tooMany = roundTooMany(operation, batch.rounds, accepted);
    if (tooMany) findings.push(tooMany);
    const held = findings.filter((f) => f.verdict !== 'pass');
    const reason = overrideReason?.trim() ?? '';
    if (held.length > 0 && overrideReason === undefined) return { kind: 'refuse', because: held };
    if (held.length > 0 && reason.length < OVERRIDE_REASON_LENGTH)
      return wrongInput('overrideReason', 'An override needs a reason that others will understand');
    const override = held.length === 0 ? null : { reason, findings };
    const way = tooMany ? ({ kind: 'on', again: false } as const) : roundOrOn(operation, batch.rounds, accepted);
    return way.kind === 'refuse' ? way : moveTo(at, { again: way.again, override, told: placements });
  },
});
