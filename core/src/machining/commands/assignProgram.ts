import type { Factory } from '../../factory/index.ts';
import { commandKind, refuse, rowsOf, type Decided, type Decision } from '../../ledger/index.ts';
import type { ProgramAssigned } from '../entries/programAssigned.ts';
import { Program } from '../program.ts';
import { ownerObjection } from './owner.ts';

export interface AssignProgramRequest {
  programId: string;
  ownerId: string | null;
  note: string;
}

/** Says who writes a program. */
export const AssignProgram = commandKind('assign program')<AssignProgramRequest, Factory>({
  role: 'lead',
  concerns: ({ programId }) => ({ about: [rowsOf(Program, [programId])] }),
  decide({ programId, ownerId, note }, { rows, factory }): Decision<Decided<typeof ProgramAssigned>> {
    const { what, ownerId: before } = rows.get(Program, programId);
    const wrong = ownerObjection(ownerId, factory);
    if (wrong) return wrong;
    if (ownerId === before) return refuse(`"${what}" is theirs already`, { field: 'ownerId' });
    return { kind: 'accept', entries: [{ kind: 'program.assigned', payload: { programId, what, ownerId, note: note.trim() } }] };
  },
});
