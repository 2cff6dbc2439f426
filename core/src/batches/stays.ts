import { InRig, type PieceInRig, type RigStay } from '../carriers/index.ts';
import type { Factory } from '../factory/index.ts';
import { answerer, rowsBy } from '../ledger/index.ts';
import { onward, operationOf, type Operation, type PressedPiece, type Route } from '../routing/index.ts';
import { livePieces, Piece, type Batch } from './batch.ts';
import { StaysOf } from './evidence.ts';

export const staysOf = answerer(StaysOf, {
  reads: ({ batchId }) => [rowsBy(Piece, 'batchId', [batchId])],
  answer: ({ batchId }, rows) => livePieces(rows.where(Piece, 'batchId', batchId)).map((piece) => piece.stay),
});

export const inRig = answerer(InRig, {
  reads: ({ rigId }) => [rowsBy(Piece, 'inRig', [rigId])],
  // In the order of its places, and in which they came, whoever tells of them.
  answer: ({ rigId }, rows) =>
    rows
      .where(Piece, 'inRig', rigId)
      .flatMap(pieceInRig)
      .sort((a, b) => (a.stay.place ?? 0) - (b.stay.place ?? 0) || a.stay.inMs - b.stay.inMs || a.pieceId.localeCompare(b.pieceId)),
});

/** A piece with where it is; nothing where it is in no rig. */
export const pieceInRig = ({ id, batchId, inRig: rigId, stay }: Piece): PieceInRig[] =>
  rigId === null || stay === null ? [] : [{ pieceId: id, batchId, stay }];

/** A piece's time in a rig that counts for a step; null where it was in none for it. */
export const stayFor = (stay: RigStay | null, operationId: string): RigStay | null =>
  stay !== null && !stay.left && stay.operationId === operationId ? stay : null;

/** The same as rules look at it. */
export function pressedAt(stay: RigStay | null, { id }: Pick<Operation, 'id'>, factory: Factory): PressedPiece | null {
  const counts = stayFor(stay, id);
  return counts && pressedIn(counts, factory);
}

export const pressedIn = ({ rigId, closedMs, laws, early, outMs }: RigStay, factory: Factory): PressedPiece => ({
  closedMs,
  laws,
  early,
  inName: outMs === null ? factory.carrierName(rigId) : null,
});

/** The step at which a batch is pressed, or will be next; null where neither it is at nor the one after presses. */
export function pressedNext(route: Route, operation: Operation, { component }: Pick<Batch, 'component'>): Operation | null {
  if (operation.rig !== undefined) return operation;
  const next = onward(route, operation, component);
  const to = next === undefined ? undefined : operationOf(route, next);
  return to?.rig === undefined ? null : to;
}

/**
 * The step for which a batch is put in a rig now: the one it waits at, or the next while it is still glued, so that each
 * piece goes in as it is ready.
 */
export function rigStepOf(route: Route, operation: Operation, batch: Pick<Batch, 'status' | 'component'>): Operation | null {
  const { status } = batch;
  const isThere =
    operation.rig === undefined ? status === 'running' || status === 'paused' || status === 'finished' : status === 'dwelling';
  return isThere ? pressedNext(route, operation, batch) : null;
}
