import { piecesInPass, type Batch, type Operation, type Override } from '../routing/index.ts';
import type { NewEntry } from './entry.ts';
import type { ShopState } from './state.ts';

export function changeBatch(state: ShopState, batchId: string | null, fields: Partial<Batch>): Batch {
  const batch = state.get('batch', batchId);
  return state.change('batch', batch.id, { ...fields, version: batch.version + 1 });
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

/** Puts a batch at a step: its clock there starts now. */
export function arrive(state: ShopState, batch: Batch, operation: Operation, atMs: number, pass = 1): void {
  const visitId = `${batch.id}/${operation.id}/${pass}`;
  const quantity = pass === 1 ? batch.quantity : piecesInPass({ ...batch, pass }, state.pieces(batch.id)).length;
  state.put('visit', {
    id: visitId,
    batchId: batch.id,
    modelId: batch.modelId,
    component: batch.component,
    operationId: operation.id,
    stationCode: operation.stationCode,
    stage: operation.stage,
    pass,
    quantity,
    arrivedMs: atMs,
    startedMs: operation.kind === 'dwell' ? atMs : null,
    finishedMs: null,
    leftMs: null,
    good: 0,
    rework: 0,
    scrap: 0,
    touchMs: 0,
    personId: null,
  });
  state.put('batch', {
    ...batch,
    operationId: operation.id,
    stationCode: operation.stationCode,
    stage: operation.stage,
    status: operation.kind === 'dwell' ? 'dwelling' : 'queued',
    sinceMs: atMs,
    arrivedMs: atMs,
    visitId,
    runId: null,
    pass,
    version: batch.version + 1,
  });
}

type BatchStart = Pick<
  Batch,
  'id' | 'number' | 'modelId' | 'component' | 'orderId' | 'lotId' | 'routeId' | 'quantity' | 'dueMs' | 'carrier' | 'startedMs'
>;

export function newBatch(start: BatchStart): Batch {
  return {
    ...start,
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
    pass: 1,
    version: 0,
  };
}
