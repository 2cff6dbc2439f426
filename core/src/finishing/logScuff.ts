import { Batch, LastCoats } from '../batches/index.ts';
import type { Factory } from '../factory/index.ts';
import { asked, commandKind, NOT_ANSWERED, refuse, rowsOf, wrongInput, type Decided, type Decision } from '../ledger/index.ts';
import type { FilmScuffed } from './filmScuffed.ts';

export interface LogScuffRequest {
  batchId: string;
  grit: number;
}

/** Coarser tears the film, finer leaves nothing to key to. */
const GRITS = { coarsest: 120, finest: 1500 };

/** The film on every piece of a pass is scuffed, so that a coat may follow though the window for it has closed. */
export const LogScuff = commandKind('log scuff')<LogScuffRequest, Factory>({
  role: 'operator',
  concerns: ({ batchId }) => ({ about: [rowsOf(Batch, [batchId])] }),
  notBefore: ({ batchId }, rows) => ({ atMs: rows.get(Batch, batchId).arrivedMs, because: `Batch ${batchId} came here only after that` }),
  asks: ({ batchId }) => [asked(LastCoats, { batchId })],
  decide({ batchId, grit }, { rows, factory, nowMs, answers }): Decision<Decided<typeof FilmScuffed>> {
    const batch = rows.get(Batch, batchId);
    if (!Number.isInteger(grit) || grit < GRITS.coarsest || grit > GRITS.finest)
      return wrongInput('grit', `A film is scuffed with ${GRITS.coarsest} to ${GRITS.finest}`);
    if (batch.status !== 'running' && batch.status !== 'dwelling' && batch.status !== 'finished')
      return refuse(`${factory.operationAt(batch).name} is not begun; start it first`);
    const coats = answers.to(LastCoats, { batchId });
    if (coats === NOT_ANSWERED) return refuse('Nobody could say when it was coated last');
    const coated = coats.flatMap((coat) => coat ?? []);
    if (coated.length === 0) return refuse('There is no coat on it to scuff');
    if (coated.some(({ atMs }) => atMs >= nowMs)) return refuse('It was coated only after that');
    return { kind: 'accept', entries: [{ kind: 'film.scuffed', batchId, payload: { operationId: batch.operationId, grit } }] };
  },
});
