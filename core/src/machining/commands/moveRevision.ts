import type { Factory } from '../../factory/index.ts';
import { commandKind, wrongInput, type Decided, type Decision } from '../../ledger/index.ts';
import type { RevisionMoved } from '../entries/revisionMoved.ts';
import { concernsProgram, notBeforeLast, revisionThatMay, type OnRevision } from './onRevision.ts';

export const MOVED_TO = ['checked', 'released', 'withdrawn'] as const;
export type MoveRevisionRequest = OnRevision & { to: (typeof MOVED_TO)[number]; note: string };

/** Says that a revision was checked on the screen, releases it for work, or withdraws it. */
export const MoveRevision = commandKind('move revision')<MoveRevisionRequest, Factory>({
  role: 'lead',
  concerns: concernsProgram,
  notBefore: notBeforeLast,
  decide({ to, note, ...which }, { rows }): Decision<Decided<typeof RevisionMoved>> {
    const found = revisionThatMay(rows, which, to);
    if (found.kind === 'refuse') return found;
    if (to === 'withdrawn' && note.trim() === '') return wrongInput('note', 'Say why it is withdrawn');
    const { programId, revision } = which;
    const payload = { programId, what: found.program.what, revision, to, note: note.trim() };
    return { kind: 'accept', entries: [{ kind: 'revision.moved', payload }] };
  },
});
