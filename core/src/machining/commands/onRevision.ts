import { refuse, rowsOf, wrongInput, type Concerns, type Refused, type Rows } from '../../ledger/index.ts';
import type { RevisionState } from '../../routing/index.ts';
import { MAY_BECOME, Program, type Revision } from '../program.ts';

export interface OnRevision {
  programId: string;
  revision: string;
}

export const concernsProgram = ({ programId }: { programId: string }): Concerns => ({ about: [rowsOf(Program, [programId])] });

/** Nothing happens to a program before what happened to it last. */
export const notBeforeLast = ({ programId }: { programId: string }, rows: Rows): { atMs: number; because: string } => {
  const { askedMs, revisions } = rows.get(Program, programId);
  const last = Math.max(askedMs, ...revisions.flatMap((r) => r.steps.map((s) => s.atMs)));
  return { atMs: last, because: 'The program has changed since then' };
};

/** A revision, or why it cannot come to a state. */
export function revisionThatMay(
  rows: Rows,
  { programId, revision: name }: OnRevision,
  to?: RevisionState,
): Refused | { kind: 'found'; program: Program; revision: Revision } {
  const program = rows.get(Program, programId);
  const revision = program.revisions.find((r) => r.name === name);
  if (!revision) return wrongInput('revision', `"${program.what}" has no revision ${name}`);
  if (to !== undefined && !MAY_BECOME[revision.state].includes(to))
    return refuse(`Revision ${name} is ${revision.state}; it cannot become ${to}`, { field: 'to', remedy: ORDER });
  return { kind: 'found', program, revision };
}

const ORDER = 'A revision is drawn, checked on the screen, proven by its first piece, then released';
