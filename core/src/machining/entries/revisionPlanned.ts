import { entryKind } from '../../ledger/index.ts';
import { plannedLoadMinutes, type PlannedMinutes } from '../program.ts';
import { changeRevision } from './revisionRows.ts';

/** Other minutes are planned for a revision, for a reason. */
export const RevisionPlanned = entryKind('revision.planned')<{
  programId: string;
  what: string;
  revision: string;
  planned: PlannedMinutes;
  note: string;
}>({
  apply(rows, { payload: { programId, revision, planned } }) {
    changeRevision(rows, programId, revision, (r) => ({ ...r, planned }));
  },
  sentence: ({ payload: { what, revision, planned, note } }) =>
    `Program "${what}", revision ${revision}: ${plannedLoadMinutes(planned)} min a load planned, ${planned.setUp} min to set up: ${note}`,
});
