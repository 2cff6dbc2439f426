import type { Factory } from '../../factory/index.ts';
import { commandKind, wrongInput, type Decided, type Decision } from '../../ledger/index.ts';
import type { RevisionPlanned } from '../entries/revisionPlanned.ts';
import type { PlannedMinutes } from '../program.ts';
import { plannedObjection } from './drawRevision.ts';
import { concernsProgram, revisionThatMay, type OnRevision } from './onRevision.ts';

export type PlanRevisionRequest = OnRevision & { planned: PlannedMinutes; note: string };

/** Plans other minutes for a revision: what was observed, or what somebody knows better. */
export const PlanRevision = commandKind('plan revision')<PlanRevisionRequest, Factory>({
  role: 'lead',
  concerns: concernsProgram,
  decide({ planned, note, ...which }, { rows }): Decision<Decided<typeof RevisionPlanned>> {
    const found = revisionThatMay(rows, which);
    if (found.kind === 'refuse') return found;
    const wrong = plannedObjection(planned);
    if (wrong) return wrong;
    if (note.trim() === '') return wrongInput('note', 'Say where the minutes come from');
    const { programId, revision } = which;
    const payload = { programId, what: found.program.what, revision, planned, note: note.trim() };
    return { kind: 'accept', entries: [{ kind: 'revision.planned', payload }] };
  },
});
