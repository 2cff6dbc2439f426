import { refuse, wrongInput } from '../../ledger/index.ts';
import { accept } from '../decided.ts';
import { onBatch } from './onBatch.ts';

/** Somebody who holds the skill that the gate asks for accepts the work that waits at it. */
export const SignOffWork = onBatch('sign off')<{ personId: string; skill: string }>({
  role: 'operator',
  decide({ personId, skill }, { batch, operation, factory, nowMs }) {
    if (batch.status !== 'finished' && batch.status !== 'dwelling')
      return refuse(`${operation.name} is ${batch.status}; it is accepted when it is done`);
    if (!operation.gate.some((r) => r.kind === 'signOff' && r.skill === skill))
      return wrongInput('skill', `The gate of ${operation.name} does not ask for ${skill}`);
    if (batch.signOffs.some((s) => s.skill === skill)) return refuse(`${operation.name} has been accepted for ${skill} already`);
    if (!factory.holdsSkill(personId, skill, 1, nowMs))
      return refuse(`This person is not signed off for ${skill}`, { rule: 'skill', field: 'personId' });
    return accept({ kind: 'gate.signedOff', payload: { operationId: operation.id, skill, personId } });
  },
});
