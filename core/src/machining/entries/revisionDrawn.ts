import { entryKind } from '../../ledger/index.ts';
import { Program, type Revision } from '../program.ts';

export type Drawn = Pick<Revision, 'name' | 'why' | 'file' | 'fixture' | 'piecesALoad' | 'cutters' | 'planned'>;

export const RevisionDrawn = entryKind('revision.drawn')<{ programId: string; what: string; revision: Drawn }>({
  apply(rows, { payload: { programId, revision }, atMs, personId }) {
    const { revisions, version } = rows.get(Program, programId);
    const drawn: Revision = { ...revision, state: 'drawn', steps: [{ state: 'drawn', atMs, personId, note: revision.why }], proof: null };
    rows.change(Program, programId, { revisions: [...revisions, drawn], version: version + 1 });
  },
  sentence: ({ payload: { what, revision } }) => `Program "${what}", revision ${revision.name} drawn: ${revision.why}`,
});
