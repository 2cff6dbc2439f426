import type { Rows } from '../../ledger/index.ts';
import { Program, type Revision } from '../program.ts';

/** Changes one revision of a program. @throws Error when there is none of that name: the logbook was cut or tampered with */
export function changeRevision(rows: Rows, programId: string, name: string, change: (revision: Revision) => Revision): void {
  const { revisions, version } = rows.get(Program, programId);
  if (!revisions.some((r) => r.name === name))
    throw new Error(`The logbook speaks of revision ${name} of ${programId}, which it has not drawn`);
  rows.change(Program, programId, { revisions: revisions.map((r) => (r.name === name ? change(r) : r)), version: version + 1 });
}
