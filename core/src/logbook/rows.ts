import {
  NO_FACTS,
  piecesInPass,
  takeOff,
  type Batch,
  type Operation,
  type Override,
  type Piece,
  type Placement,
} from '../routing/index.ts';
import type { NewEntry } from './entry.ts';
import type { ShopState } from './state.ts';

export function changeBatch(state: ShopState, batchId: string | null, fields: Partial<Batch>): Batch {
  const batch = state.get('batch', batchId);
  return state.amend('batch', batch, { version: batch.version + 1, ...fields });
}

/** Keeps an override under the id of what it let through. */
export function keepOverride(state: ShopState, entry: NewEntry, id: string, operationId: string | null, override: Override | null): void {
  if (!override) return;
  state.put('override', {
    id,
    batchId: entry.batchId,
    lotId: entry.lotId,
    operationId,
    atMs: entry.atMs,
    personId: entry.personId,
    reason: override.reason,
    findings: override.findings,
  });
}

/** The id of a batch's visit to a step. */
export const visitIdOf = (batchId: string, operationId: string, pass: number): string => `${batchId}/${operationId}/${pass}`;

/** Steps at which nobody works: the clock runs from the moment a batch comes. */
const waits = (operation: Operation) => operation.kind === 'dwell' || operation.kind === 'buffer';

const statusOnArrival = (operation: Operation): Batch['status'] =>
  operation.kind === 'dwell' ? 'dwelling' : operation.kind === 'buffer' ? 'stocked' : 'queued';

/** Puts a batch, new or as it stands now, at a step: its clock there starts now. */
export function arrive(state: ShopState, batch: Batch, operation: Operation, atMs: number, redo = false, rounds?: Batch['rounds']): Batch {
  const pass = (batch.passes[operation.id] ?? 0) + 1;
  const visitId = visitIdOf(batch.id, operation.id, pass);
  const quantity = redo ? piecesInPass({ redo }, state.pieces(batch.id)).length : batch.quantity;
  state.put('visit', {
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
    touchMs: 0,
    personId: null,
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
    runId: null,
    pass,
    redo,
    passes: state.withPass(batch.passes, operation.id, pass),
    accepted: false,
    signOffs: [],
    wayId: null,
    awayTo: null,
    dueBackMs: null,
    version: batch.version + 1,
    ...(rounds === undefined ? {} : { rounds }),
  };
  if (!isNew(batch)) return state.amend('batch', batch, arrived);
  const begun = { ...batch, ...arrived };
  state.put('batch', begun);
  return begun;
}

/** Closes the visit a batch is on; a wait is finished by being left, work that was not begun is not. */
export function leave(state: ShopState, batch: Batch, atMs: number): void {
  const visit = state.visitOf(batch);
  state.amend('visit', visit, {
    leftMs: atMs,
    ...(visit.finishedMs === null && visit.startedMs !== null ? { finishedMs: atMs, good: batch.quantity } : {}),
  });
}

const isNew = (batch: Batch) => batch.visitId === '';

type BatchStart = Pick<
  Batch,
  'id' | 'number' | 'modelId' | 'component' | 'orderId' | 'lotId' | 'routeId' | 'quantity' | 'dueMs' | 'startedMs'
> &
  Partial<Pick<Batch, 'facts' | 'trial' | 'parentId'>>;

export function newBatch(start: BatchStart): Batch {
  return {
    facts: NO_FACTS,
    trial: false,
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
    runId: null,
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

/** Where a batch sits from now on. */
export function place(state: ShopState, batchId: string, placements: readonly Placement[]): void {
  const wanted = new Map(placements.map((p) => [p.carrierId, p.pieces]));
  for (const row of state.placements(batchId)) if (!wanted.has(row.carrierId)) state.drop('placement', row.id);
  for (const [carrierId, pieces] of wanted) {
    const id = `${batchId}@${carrierId}`;
    if (state.find('placement', id)?.pieces !== pieces) state.put('placement', { id, batchId, carrierId, pieces });
  }
}

/** Pieces leave a batch: it shrinks, frees their places, and is done when none is left. @returns the places they leave */
export function lessPieces(state: ShopState, batchId: string, count: number, atMs: number): { batch: Batch; went: Placement[] } {
  if (count === 0) return { batch: changeBatch(state, batchId, { sinceMs: atMs }), went: [] };
  const before = state.get('batch', batchId);
  const quantity = before.quantity - count;
  const placements = state.placements(batchId);
  const unplaced = before.quantity - placements.reduce((sum, p) => sum + p.pieces, 0);
  const { stay, went } = takeOff(placements, Math.max(0, count - unplaced));
  place(state, batchId, stay);
  const visit = state.visitOf(before);
  if (quantity === 0) state.amend('visit', visit, { finishedMs: visit.finishedMs ?? atMs, leftMs: atMs });
  const batch = changeBatch(state, batchId, {
    quantity,
    sinceMs: atMs,
    ...(quantity === 0 ? { status: 'done', endedMs: atMs } : {}),
  });
  return { batch, went };
}

/** Puts a piece in a batch, and keeps where it has been. */
export function joinBatch(
  state: ShopState,
  piece: Piece,
  batchId: string,
  atMs: number,
  fields: Pick<Partial<Piece>, 'state'> = {},
): Piece {
  return state.change('piece', piece.id, { batchId, trail: [...piece.trail, { batchId, fromMs: atMs }], ...fields });
}
