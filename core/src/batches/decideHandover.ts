import { type Decision, refuse, wrongInput } from '../ledger/index.ts';
import { type Operation, operationOf, pathFrom } from '../routing/index.ts';
import { type Batch, livePieces } from './batch.ts';
import type { BatchCommand, DecisionContext } from './context.ts';
import { defectObjection } from './decideWork.ts';
import { accept, type BatchEntry } from './decided.ts';
import type { Refusal } from './outcome.ts';

type Command<K extends BatchCommand['kind']> = Extract<BatchCommand, { kind: K }>;

/** The next station takes a batch over. */
export function decideAccept(batch: Batch, operation: Operation): Decision<BatchEntry> {
  if (batch.status !== 'queued') return refuse(`Batch ${batch.id} is ${batch.status}`);
  if (batch.accepted) return refuse(`${operation.name} has taken it over already`);
  return accept({ kind: 'handover.accepted', payload: { operationId: operation.id } });
}

/** Somebody who holds the skill that the gate asks for accepts the work that waits at it. */
export function decideSignOff(
  batch: Batch,
  operation: Operation,
  command: Command<'sign off'>,
  context: DecisionContext,
): Decision<BatchEntry> {
  const { skill, personId } = command;
  if (batch.status !== 'finished' && batch.status !== 'dwelling')
    return refuse(`${operation.name} is ${batch.status}; it is accepted when it is done`);
  if (!operation.gate.some((r) => r.kind === 'signOff' && r.skill === skill))
    return wrongInput('skill', `The gate of ${operation.name} does not ask for ${skill}`);
  if (batch.signOffs.some((s) => s.skill === skill)) return refuse(`${operation.name} has been accepted for ${skill} already`);
  if (!context.holdsSkill(personId, skill, 1))
    return refuse(`This person is not signed off for ${skill}`, { rule: 'skill', field: 'personId' });
  return accept({ kind: 'gate.signedOff', payload: { operationId: operation.id, skill, personId } });
}

/** The next station sends pieces back, or takes them with a fault on record. */
export function decideRefuse(
  batch: Batch,
  operation: Operation,
  command: Command<'refuse'>,
  context: DecisionContext,
): Decision<BatchEntry> {
  if (batch.status !== 'queued') return refuse(`Batch ${batch.id} is ${batch.status}; work is refused before it is begun`);
  const live = new Set(livePieces(context.pieces).map((p) => p.id));
  const { pieces } = command;
  if (pieces.length === 0) return wrongInput('pieces', 'Name at least one piece');
  if (new Set(pieces.map((p) => p.pieceId)).size !== pieces.length) return wrongInput('pieces', 'A piece is named twice');
  const stranger = pieces.find((p) => !live.has(p.pieceId));
  if (stranger) return wrongInput('pieces', `Piece ${stranger.pieceId} is not in batch ${batch.id}`);
  const wrong = defectObjection(pieces, context, 'pieces');
  if (wrong) return wrong;
  for (const p of pieces) {
    if (p.disposition !== 'rework') continue;
    const to = context.route.operations.find((o) => o.id === p.toOperationId);
    if (!to) return wrongInput('pieces', `Say which step ${p.pieceId} goes back to`);
    const leadsHere =
      to.component === batch.component && to.kind === 'work' && to.id !== operation.id && leadsTo(context, to.id, operation.id);
    if (!leadsHere) return wrongInput('pieces', `"${to.name}" is not work that leads to ${operation.name}`);
  }
  let number = context.nextBatchNumber ?? 0;
  const refusals: Refusal[] = [];
  for (const p of pieces) {
    const { disposition, toOperationId, ...defect } = p;
    const fate = disposition === 'rework' ? toOperationId : null;
    const alike = refusals.findIndex((r) => r.disposition === disposition && r.toOperationId === fate);
    const found = refusals[alike];
    if (found) refusals[alike] = { ...found, pieces: [...found.pieces, defect] };
    else refusals.push({ disposition, pieces: [defect], toOperationId: fate, number: null });
  }
  const leaves = (r: Refusal) => r.disposition === 'rework' || r.disposition === 'hold';
  const whole = refusals.length === 1 && refusals[0]?.pieces.length === live.size;
  if (!whole && context.nextBatchNumber === undefined && refusals.some(leaves)) return refuse('No batch number is free');
  return accept({
    kind: 'handover.refused',
    payload: { operationId: operation.id, refusals: refusals.map((r) => (leaves(r) && !whole ? { ...r, number: number++ } : r)) },
  });
}

const leadsTo = (context: DecisionContext, from: string, to: string) => pathFrom(context.route, from).some((o) => o.id === to);

/** Takes pieces out of the work for good. */
export function decideScrap(batch: Batch, command: Command<'scrap'>, context: DecisionContext): Decision<BatchEntry> {
  if (batch.status === 'running' || batch.status === 'paused' || batch.status === 'away')
    return refuse(`${operationOf(context.route, batch.operationId).name} is ${batch.status}: count the scrap when it is finished`);
  const live = new Set(livePieces(context.pieces).map((p) => p.id));
  const { pieces } = command;
  if (pieces.length === 0) return wrongInput('pieces', 'Name at least one piece');
  if (new Set(pieces.map((p) => p.pieceId)).size !== pieces.length) return wrongInput('pieces', 'A piece is named twice');
  const stranger = pieces.find((p) => !live.has(p.pieceId));
  if (stranger) return wrongInput('pieces', `Piece ${stranger.pieceId} is not in batch ${batch.id}`);
  return (
    defectObjection(pieces, context, 'pieces') ?? accept({ kind: 'pieces.scrapped', payload: { operationId: batch.operationId, pieces } })
  );
}
