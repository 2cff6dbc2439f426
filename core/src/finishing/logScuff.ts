import { Batch, LastCoats } from '../batches/index.ts';
import type { Factory } from '../factory/index.ts';
import { asked, commandKind, NOT_ANSWERED, refuse, rowsOf, wrongInput, type Decided, type Decision } from '../ledger/index.ts';
import type { FilmScuffed } from './filmScuffed.ts';

export interface LogScuffRequest {
  batchId: string;
  grit: number;
  /** the film is taken off to the wood, for a new one */
  toBare?: boolean;
}

/** Coarser tears the film, finer leaves nothing to key to. */
const GRITS = { coarsest: 120, finest: 1500 };
/** Coarser scores the wood, finer clogs before the film is off. */
const TO_BARE = { coarsest: 60, finest: 400 };

/** The film on every piece of a pass is scuffed, so that a coat may follow though the window for it has closed; or taken off. */
export const LogScuff = commandKind('log scuff')<LogScuffRequest, Factory>({
  role: 'operator',
  concerns: ({ batchId }) => ({ about: [rowsOf(Batch, [batchId])] }),
  notBefore: ({ batchId }, rows) => ({ atMs: rows.get(Batch, batchId).arrivedMs, because: `Batch ${batchId} came here only after that` }),
  asks: ({ batchId }) => [asked(LastCoats, { batchId })],
  decide({ batchId, grit, toBare = false }, { rows, factory, nowMs, answers }): Decision<Decided<typeof FilmScuffed>> {
    const batch = rows.get(Batch, batchId);
    const { coarsest, finest } = toBare ? TO_BARE : GRITS;
    if (!Number.isInteger(grit) || grit < coarsest || grit > finest)
      return wrongInput('grit', `A film is ${toBare ? 'sanded off' : 'scuffed'} with ${coarsest} to ${finest}`);
    if (batch.status !== 'running' && batch.status !== 'dwelling' && batch.status !== 'finished')
      return refuse(`${factory.operationAt(batch).name} is not begun; start it first`);
    const coats = answers.to(LastCoats, { batchId });
    if (toBare && (batch.status !== 'running' || !factory.operationAt(batch).coat))
      return refuse('A film is sanded off where a new one is laid, in the middle of that work');
    if (coats === NOT_ANSWERED) return refuse('Nobody could say when it was coated last');
    const coated = coats.flatMap((coat) => coat ?? []);
    if (coated.length === 0) return refuse('There is no coat on it');
    if (coated.some(({ atMs }) => atMs >= nowMs)) return refuse('It was coated only after that');
    return {
      kind: 'accept',
      entries: [{ kind: 'film.scuffed', batchId, payload: { operationId: batch.operationId, grit, ...(toBare ? { toBare } : {}) } }],
    };
  },
});
