import type { Factory } from '../../factory/index.ts';
import { commandKind, refuse, rowsOf, wrongInput, type Decided, type Decision } from '../../ledger/index.ts';
import { Cutter } from '../cutter.ts';
import type { CutterKept } from '../entries/cutterKept.ts';

export type KeepCutterRequest = Pick<Cutter, 'id' | 'kind' | 'lifeMinutes' | 'note'>;

/** Puts a cutter on record, with how long it cuts well. */
export const KeepCutter = commandKind('keep cutter')<KeepCutterRequest, Factory>({
  role: 'lead',
  concerns: ({ id }) => ({ about: [], making: [rowsOf(Cutter, [id.trim()])] }),
  decide({ id, kind, lifeMinutes, note }, { rows }): Decision<Decided<typeof CutterKept>> {
    if (id.trim() === '') return wrongInput('id', 'Say how it is marked');
    if (kind.trim() === '') return wrongInput('kind', 'Say what programs call it');
    if (!(lifeMinutes > 0)) return wrongInput('lifeMinutes', 'It cuts for some minutes at least');
    if (rows.find(Cutter, id.trim())) return refuse(`There is a cutter ${id.trim()} already`, { field: 'id' });
    return {
      kind: 'accept',
      entries: [{ kind: 'cutter.kept', payload: { id: id.trim(), kind: kind.trim(), lifeMinutes, note: note.trim() } }],
    };
  },
});
