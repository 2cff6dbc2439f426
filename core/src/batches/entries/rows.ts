import { place, placementsOf, takeOff, type Placement } from '../../carriers/index.ts';
import type { Rows } from '../../ledger/index.ts';
import { comesAlong, isAttended, NO_FACTS, touchMinutes, type Operation } from '../../routing/index.ts';
import { Batch, Piece, piecesInPass, piecesIn, Visit, visitOf } from '../batch.ts';
import { isCounted } from '../workClass.ts';
import { doneInRig } from './rigRows.ts';

// Objects are written with what is new first and what is spread last: the other way round costs microseconds each.

export function changeBatch(rows: Rows, batchId: string | null, fields: Partial<Batch>): Batch {
  const batch = rows.get(Batch, batchId);
  return rows.amend(Batch, batch, { version: batch.version + 1, ...fields });
}

const NOTHING: readonly string[] = [];

/** The id of a batch's visit to a step. */
export const visitIdOf = (batchId: string, operationId: string, pass: number): string => `${batchId}/${operationId}/${pass}`;

/** Steps at which nobody works: the clock runs from the moment a batch comes. */
const waits = (operation: Operation) => operation.kind === 'dwell' || operation.kind === 'buffer';

const statusOnArrival = (operation: Operation): Batch['status'] =>
  operation.kind === 'dwell' ? 'dwelling' : operation.kind === 'buffer' ? 'stocked' : 'queued';

/** The work that a step is for so many pieces, in whole seconds. */
export const loadSOf = (operation: Operation, pieces: number, stationCode?: string): number =>
  Math.round(touchMinutes(operation, pieces, stationCode) * 60);

/** Puts a batch, new or as it stands now, at a step: its clock there starts now. */
export function arrive(rows: Rows, batch: Batch, operation: Operation, atMs: number, redo = false, rounds?: Batch['rounds']): Batch {
  const pass = (batch.passes[operation.id] ?? 0) + 1;
  const visitId = visitIdOf(batch.id, operation.id, pass);
  const pieces = piecesInPass({ redo }, piecesIn(rows, batch.id));
  // What was put in a rig for this step, while it was still made ready, counts here.
  for (const piece of pieces) if (piece.stay !== null && piece.stay.operationId !== operation.id) doneInRig(rows, piece, atMs);
  const quantity = redo ? pieces.length : batch.quantity;
  rows.put(Visit, {
    id: visitId,
    batchId: batch.id,
    modelId: batch.modelId,
    component: batch.component,
    operationId: operation.id,
    stationCode: operation.stationCode,
    stage: operation.stage,
    pass,
    redo,
    quantity,
    arrivedMs: atMs,
    startedMs: waits(operation) ? atMs : null,
    finishedMs: null,
    leftMs: null,
    good: 0,
    rework: 0,
    scrap: 0,
    loadS: !isCounted(batch) || !isAttended(operation) || comesAlong(operation, batch.component) ? null : loadSOf(operation, quantity),
    touchMs: 0,
    personId: null,
    continues: NOTHING,
    run: null,
    workClass: batch.workClass,
  });
  const arrived = {
    operationId: operation.id,
    stationCode: operation.stationCode,
    stage: operation.stage,
    status: statusOnArrival(operation),
    heldStatus: null,
    holdReason: null,
    sinceMs: atMs,
    arrivedMs: atMs,
    visitId,
    jobId: null,
    pass,
    redo,
    passes: withPass(rows, batch.passes, operation.id, pass),
    accepted: false,
    signOffs: [],
    wayId: null,
    awayTo: null,
    dueBackMs: null,
    version: batch.version + 1,
    ...(rounds === undefined ? {} : { rounds }),
  };
  if (!isNew(batch)) return rows.amend(Batch, batch, arrived);
  const begun = { ...batch, ...arrived };
  rows.put(Batch, begun);
  return begun;
}

/** Closes the visit a batch is on; a wait is finished by being left, work that was not begun is not. */
export function leave(rows: Rows, batch: Batch, atMs: number): void {
  const visit = visitOf(rows, batch);
  rows.amend(Visit, visit, {
    leftMs: atMs,
    ...(visit.finishedMs === null && visit.startedMs !== null ? { finishedMs: atMs, good: batch.quantity } : {}),
  });
}

/** How often a batch has come to each step, with one more pass through one of them. */
function withPass(rows: Rows, passes: Batch['passes'], operationId: string, pass: number): Batch['passes'] {
  return rows.inPlace ? Object.assign(passes, { [operationId]: pass }) : { ...passes, [operationId]: pass };
}

const isNew = (batch: Batch) => batch.visitId === '';

type BatchStart = Pick<
  Batch,
  'id' | 'number' | 'modelId' | 'component' | 'orderId' | 'lotId' | 'routeId' | 'quantity' | 'dueMs' | 'startedMs'
> &
  Partial<Pick<Batch, 'facts' | 'workClass' | 'parentId'>>;

export function newBatch(start: BatchStart): Batch {
  return {
    facts: NO_FACTS,
    workClass: 'order',
    judged: null,
    parentId: null,
    operationId: '',
    stationCode: '',
    stage: 'roughMill',
    status: 'queued',
    heldStatus: null,
    holdReason: null,
    sinceMs: start.startedMs,
    arrivedMs: start.startedMs,
    endedMs: null,
    visitId: '',
    jobId: null,
    pass: 0,
    redo: false,
    passes: {},
    rounds: {},
    accepted: false,
    signOffs: [],
    wayId: null,
    awayTo: null,
    dueBackMs: null,
    version: 0,
    ...start,
  };
}

/** Pieces leave a batch: it shrinks, frees their places, and is done when none is left. @returns the places they leave */
export function lessPieces(rows: Rows, batchId: string, count: number, atMs: number): { batch: Batch; went: Placement[] } {
  if (count === 0) return { batch: changeBatch(rows, batchId, { sinceMs: atMs }), went: [] };
  const before = rows.get(Batch, batchId);
  const quantity = before.quantity - count;
  const placements = placementsOf(rows, batchId);
  const unplaced = before.quantity - placements.reduce((sum, p) => sum + p.pieces, 0);
  const { stay, went } = takeOff(placements, Math.max(0, count - unplaced));
  place(rows, batchId, stay);
  const visit = visitOf(rows, before);
  if (quantity === 0) rows.amend(Visit, visit, { finishedMs: visit.finishedMs ?? atMs, leftMs: atMs });
  const batch = changeBatch(rows, batchId, {
    quantity,
    sinceMs: atMs,
    ...(quantity === 0 ? { status: 'done', endedMs: atMs } : {}),
  });
  return { batch, went };
}

/** Puts a piece in a batch, and keeps where it has been. */
export function joinBatch(
  rows: Rows,
  piece: Piece,
  batchId: string,
  atMs: number,
  fields: Partial<Pick<Piece, 'state' | 'coats' | 'lastCoat' | 'bareMs'>> = {},
): Piece {
  return rows.change(Piece, piece.id, { batchId, trail: [...piece.trail, { batchId, fromMs: atMs }], ...fields });
}
