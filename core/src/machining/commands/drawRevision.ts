import type { Factory } from '../../factory/index.ts';
import { commandKind, wrongInput, type Decided, type Decision, type Refused } from '../../ledger/index.ts';
import type { Drawn, RevisionDrawn } from '../entries/revisionDrawn.ts';
import { plannedLoadMinutes, Program, revisionName, type PlannedMinutes } from '../program.ts';
import { concernsProgram, notBeforeLast } from './onRevision.ts';

export type DrawRevisionRequest = { programId: string } & Omit<Drawn, 'name'>;

/** Puts a new revision of a program on record, as it was drawn. */
export const DrawRevision = commandKind('draw revision')<DrawRevisionRequest, Factory>({
  role: 'lead',
  concerns: concernsProgram,
  notBefore: notBeforeLast,
  decide({ programId, why, file, fixture, piecesALoad, cutters, planned }, { rows }): Decision<Decided<typeof RevisionDrawn>> {
    const { what, revisions } = rows.get(Program, programId);
    if (why.trim() === '') return wrongInput('why', 'Say what it is for, or what it changes');
    if (!Number.isInteger(piecesALoad) || piecesALoad < 1) return wrongInput('piecesALoad', 'A load holds one piece at least');
    const named = cutters.map((c) => ({ ...c, cutter: c.cutter.trim() }));
    if (new Set(named.map((c) => c.cutter.toLowerCase())).size !== named.length) return wrongInput('cutters', 'A cutter is named twice');
    if (named.some((c) => c.cutter === '' || !(c.minutes > 0)))
      return wrongInput('cutters', 'Each cutter has a name, and minutes that it cuts');
    const wrong = plannedObjection(planned);
    if (wrong) return wrong;
    const revision = {
      name: revisionName(revisions.length),
      why: why.trim(),
      file: file.trim(),
      fixture: fixture.trim(),
      piecesALoad,
      cutters: named,
      planned,
    };
    return { kind: 'accept', entries: [{ kind: 'revision.drawn', payload: { programId, what, revision } }] };
  },
});

/** What is wrong with planned minutes; nothing when they can be. */
export function plannedObjection(planned: PlannedMinutes): Refused | undefined {
  if (Object.values(planned).some((minutes) => !(minutes >= 0))) return wrongInput('planned', 'Minutes are not below nothing');
  return plannedLoadMinutes(planned) > 0 ? undefined : wrongInput('planned', 'A load takes some minutes');
}
