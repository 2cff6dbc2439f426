import { refuse, wrongInput } from '../../ledger/index.ts';
import { pathFrom } from '../../routing/index.ts';
import { accept } from '../decided.ts';
import { BATCH_NUMBER, NO_NUMBER, numberIn } from '../numbers.ts';
import type { Disposition, PieceDefect, Refusal } from '../outcome.ts';
import { namedObjection } from '../pieces.ts';
import { onBatch, type AtStep } from './onBatch.ts';

type RefusedPiece = PieceDefect & { disposition: Disposition; toOperationId: string | null };

/** The next station sends pieces back, or takes them with a fault on record. */
export const RefuseWork = onBatch('refuse work')<{ pieces: readonly RefusedPiece[] }>({
  role: 'operator',
  asks: () => [BATCH_NUMBER],
  decide({ pieces }, at) {
    const { batch, operation, live, answers } = at;
    if (batch.status !== 'queued') return refuse(`Batch ${batch.id} is ${batch.status}; work is refused before it is begun`);
    const wrong = namedObjection(pieces, at) ?? reworkObjection(pieces, at);
    if (wrong) return wrong;
    const refusals = byFate(pieces);
    const leaves = (r: Refusal) => r.disposition === 'rework' || r.disposition === 'hold';
    const whole = refusals.length === 1 && refusals[0]?.pieces.length === live.length;
    let number = numberIn(answers);
    if (!whole && number === null && refusals.some(leaves)) return NO_NUMBER;
    const numbered = refusals.map((r) => (leaves(r) && !whole && number !== null ? { ...r, number: number++ } : r));
    return accept({ kind: 'handover.refused', payload: { operationId: operation.id, refusals: numbered } });
  },
});

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
