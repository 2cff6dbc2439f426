import { entryKind } from '../../ledger/index.ts';
import { said } from '../../units/index.ts';
import type { FirstPieceProof } from '../program.ts';
import { changeRevision } from './revisionRows.ts';

export type Proof = Pick<FirstPieceProof, 'piece' | 'measures' | 'note'>;

/** The first piece that a revision cut was measured, and is good. */
export const RevisionProven = entryKind('revision.proven')<{ programId: string; what: string; revision: string; proof: Proof }>({
  apply(rows, { payload: { programId, revision, proof }, atMs, personId }) {
    changeRevision(rows, programId, revision, (r) => ({
      ...r,
      state: 'proven',
      steps: [...r.steps, { state: 'proven', atMs, personId, note: proof.note }],
      proof: { ...proof, atMs, personId },
    }));
  },
  sentence: ({ payload: { what, revision, proof } }) =>
    `Program "${what}", revision ${revision}: first piece ${proof.piece} is good${
      proof.measures.length === 0 ? '' : ` (${proof.measures.map((m) => `${m.name.toLowerCase()} ${said(m.value, m.unit)}`).join(', ')})`
    }`,
});
