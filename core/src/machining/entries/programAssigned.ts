import { entryKind } from '../../ledger/index.ts';
import { Program } from '../program.ts';

export const ProgramAssigned = entryKind('program.assigned')<{ programId: string; what: string; ownerId: string | null; note: string }>({
  apply(rows, { payload: { programId, ownerId } }) {
    const { version } = rows.get(Program, programId);
    rows.change(Program, programId, { ownerId, version: version + 1 });
  },
  sentence: ({ payload: { what, ownerId, note } }, nameOf) =>
    `Program "${what}": ${ownerId === null ? 'nobody writes it' : `${nameOf('person', ownerId)} writes it`}${note === '' ? '' : `; ${note}`}`,
});
