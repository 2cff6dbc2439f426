import { refuse, wrongInput } from '../../ledger/index.ts';
import { pathFrom } from '../../routing/index.ts';
import { batchIdOf, type Batch, type BatchStatus } from '../batch.ts';
import { accept, type BatchEntry } from '../decided.ts';
import { BATCH_NUMBER, NO_NUMBER, numberIn } from '../numbers.ts';
import { DISPOSITIONS, type Disposition, type PieceDefect, type Refusal } from '../outcome.ts';
import { namedObjection } from '../pieces.ts';
import { onBatch, type AtStep } from './onBatch.ts';

type RefusedPiece = PieceDefect & { disposition: Disposition; toOperationId: string | null };

/** While nobody has finished with them they go back or stay: what is scrap, or to be looked at, is counted when the work is done. */
const BEGUN: ReadonlySet<BatchStatus> = new Set(['running', 'paused']);
const FOUND_IN: ReadonlySet<BatchStatus> = new Set(['queued', 'finished', 'dwelling', ...BEGUN]);

/** Whether pieces can be sent back from where a batch is found; before it is begun they are refused. */
export const maySendBack = ({ status, redo }: Pick<Batch, 'status' | 'redo'>): boolean =>
  FOUND_IN.has(status) && !(BEGUN.has(status) && redo);

/** What can become of pieces in which something is found wrong, where a batch stands so. */
export const fatesIn = (status: BatchStatus): readonly Disposition[] =>
  DISPOSITIONS.filter((fate) => !BEGUN.has(status) || fate === 'rework' || fate === 'use as is');

/** Pieces are sent back from where it is found, by the next station or in the middle of work, or taken with a fault on record. */
export const RefuseWork = onBatch('refuse work')<{ pieces: readonly RefusedPiece[] }>({
  role: 'operator',
  asks: () => [BATCH_NUMBER],
  decide({ pieces }, at) {
    const { batch, operation, live, answers } = at;
    if (!FOUND_IN.has(batch.status)) return refuse(`Batch ${batch.id} is ${batch.status}; nothing of it can be sent back now`);
    const wrong = namedObjection(pieces, at) ?? reworkObjection(pieces, at) ?? begunObjection(pieces, at);
    if (wrong) return wrong;
    const refusals = byFate(pieces);
    const leaves = (r: Refusal) => r.disposition === 'rework' || r.disposition === 'hold';
    const whole = refusals.length === 1 && refusals[0]?.pieces.length === live.length;
    let number = numberIn(answers);
    if (!whole && number === null && refusals.some(leaves)) return NO_NUMBER;
    const numbered = refusals.map((r) => (leaves(r) && !whole && number !== null ? { ...r, number: number++ } : r));
    // What goes back from a counted place leaves it.
    const freed = operation.place === undefined ? [] : numbered.filter((r) => r.disposition === 'rework');
    return accept(
      { kind: 'handover.refused', payload: { operationId: operation.id, refusals: numbered } },
      ...freed.map((r): BatchEntry => ({
        kind: 'batch.placed',
        batchId: r.number === null ? batch.id : batchIdOf(r.number),
        payload: { placements: [] },
      })),
    );
  },
});

/** What cannot be said of pieces that somebody is at work on. */
function begunObjection(pieces: readonly RefusedPiece[], { batch, operation }: AtStep) {
  if (!BEGUN.has(batch.status)) return undefined;
  if (batch.redo) return refuse('What came back is finished together: count it then');
  return pieces.some((p) => !fatesIn(batch.status).includes(p.disposition))
    ? wrongInput('pieces', `${operation.name} is ${batch.status}: count scrap, or hold it apart, when it is finished`)
    : undefined;
}

/** What is reworked goes back to work that leads here. */
function reworkObjection(pieces: readonly RefusedPiece[], { batch, operation, route }: AtStep) {
  for (const p of pieces) {
    if (p.disposition !== 'rework') continue;
    const to = route.operations.find((o) => o.id === p.toOperationId);
    if (!to) return wrongInput('pieces', `Say which step ${p.pieceId} goes back to`);
    const leadsHere = to.id !== operation.id && pathFrom(route, to.id).some((o) => o.id === operation.id);
    if (to.component !== batch.component || to.kind !== 'work' || !leadsHere)
      return wrongInput('pieces', `"${to.name}" is not work that leads to ${operation.name}`);
  }
  return undefined;
}

/** Pieces that share a fate, together. */
function byFate(pieces: readonly RefusedPiece[]): Refusal[] {
  const refusals: Refusal[] = [];
  for (const { disposition, toOperationId, ...defect } of pieces) {
    const fate = disposition === 'rework' ? toOperationId : null;
    const alike = refusals.findIndex((r) => r.disposition === disposition && r.toOperationId === fate);
    const found = refusals[alike];
    if (found) refusals[alike] = { ...found, pieces: [...found.pieces, defect] };
    else refusals.push({ disposition, pieces: [defect], toOperationId: fate, number: null });
  }
  return refusals;
}
