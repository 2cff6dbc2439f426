import { entryKind } from '../../ledger/index.ts';
import type { RevisionState } from '../../routing/index.ts';
import { Program } from '../program.ts';
import { changeRevision } from './revisionRows.ts';

const TOLD: Readonly<Record<'checked' | 'released' | 'withdrawn', string>> = {
  checked: 'checked on the screen',
  released: 'released for work',
  withdrawn: 'withdrawn',
};

/** A revision is checked, released, or withdrawn; one that is released takes the place of the one before. */
export const RevisionMoved = entryKind('revision.moved')<{
  programId: string;
  what: string;
  revision: string;
  to: keyof typeof TOLD;
  note: string;
}>({
  apply(rows, { payload: { programId, revision, to, note }, atMs, personId }) {
    const come = (name: string, state: RevisionState, said: string) => {
      changeRevision(rows, programId, name, (r) => ({ ...r, state, steps: [...r.steps, { state, atMs, personId, note: said }] }));
    };
    if (to === 'released')
      for (const before of rows.get(Program, programId).revisions)
        if (before.state === 'released') come(before.name, 'withdrawn', `Revision ${revision} takes its place`);
    come(revision, to, note);
  },
  sentence: ({ payload: { what, revision, to, note } }) =>
    `Program "${what}", revision ${revision} ${TOLD[to]}${note === '' ? '' : `: ${note}`}`,
});
