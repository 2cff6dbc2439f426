import { firstOperation, operationOf, piecesInPass, type Batch } from '../routing/index.ts';
import type { EntryOf } from './entry.ts';
import { arrive, changeBatch, keepOverride, newBatch } from './rows.ts';
import type { ShopState } from './state.ts';

export function batchStarted(state: ShopState, entry: EntryOf<'batch.started'>): void {
  const { volumeM3, ...p } = entry.payload;
  const id = `B${p.number}`;
  const operation = firstOperation(state.route(p.routeId), p.component);
  for (let ordinal = 1; ordinal <= p.quantity; ordinal++)
    state.put('piece', {
      id: `${id}-${String(ordinal).padStart(2, '0')}`,
      batchId: id,
      component: p.component,
      modelId: p.modelId,
      ordinal,
      state: 'good',
      lotId: p.lotId,
      serial: null,
    });
  arrive(state, newBatch({ id, ...p, startedMs: entry.atMs }), operation, entry.atMs);
  const lot = state.get('lot', p.lotId);
  const leftM3 = Math.max(0, Math.round((lot.leftM3 - volumeM3) * 1e6) / 1e6);
  state.change('lot', lot.id, {
    leftM3,
    version: lot.version + 1,
    ...(leftM3 === 0 ? { state: 'used up' } : {}),
  });
}

export function openRun(state: ShopState, batch: Batch, atMs: number, workerId: string): void {
  const runId = `${batch.visitId}@${atMs}`;
  state.put('run', {
    id: runId,
    visitId: batch.visitId,
    batchId: batch.id,
    stationCode: batch.stationCode,
    personId: workerId,
    fromMs: atMs,
    toMs: null,
  });
  changeBatch(state, batch.id, { status: 'running', sinceMs: atMs, runId });
}

export function closeRun(state: ShopState, batch: Batch, atMs: number): void {
  const run = state.change('run', batch.runId, { toMs: atMs });
  const visit = state.get('visit', batch.visitId);
  state.change('visit', visit.id, { touchMs: visit.touchMs + (atMs - run.fromMs) });
}

export function workStarted(state: ShopState, entry: EntryOf<'work.started'>): void {
  const batch = state.get('batch', entry.batchId);
  state.change('visit', batch.visitId, { startedMs: entry.atMs, personId: entry.payload.workerId });
  openRun(state, batch, entry.atMs, entry.payload.workerId);
}

export function workFinished(state: ShopState, entry: EntryOf<'work.finished'>): void {
  const batch = state.get('batch', entry.batchId);
  const { good, rework, scrap, outcomes, operationId } = entry.payload;
  closeRun(state, batch, entry.atMs);
  state.change('visit', batch.visitId, { finishedMs: entry.atMs, good, rework, scrap });
  for (const piece of piecesInPass(batch, state.pieces(batch.id))) {
    const outcome = outcomes.find((o) => o.pieceId === piece.id);
    state.change('piece', piece.id, {
      state: !outcome ? 'good' : outcome.outcome === 'scrap' ? 'scrapped' : 'rework',
    });
    if (!outcome) continue;
    state.put('defect', {
      id: `${batch.visitId}/${piece.id}`,
      pieceId: piece.id,
      batchId: batch.id,
      operationId,
      originOperationId: outcome.originOperationId,
      kind: outcome.defect,
      disposition: outcome.outcome,
      note: outcome.note,
      atMs: entry.atMs,
      personId: entry.personId,
    });
    if (outcome.outcome === 'scrap' && batch.component === 'instrument') {
      const instrument = state.get('instrument', piece.id);
      state.change('instrument', piece.id, { state: 'scrapped', version: instrument.version + 1 });
    }
  }
  const quantity = batch.quantity - scrap;
  const left = changeBatch(state, batch.id, {
    status: quantity === 0 ? 'done' : 'finished',
    endedMs: quantity === 0 ? entry.atMs : null,
    sinceMs: entry.atMs,
    quantity,
    runId: null,
  });
  if (quantity === 0) state.change('visit', batch.visitId, { leftMs: entry.atMs });
  else if (rework > 0) {
    // What came back is done again before the batch goes on.
    state.change('visit', batch.visitId, { leftMs: entry.atMs });
    arrive(state, left, operationOf(state.route(batch.routeId), operationId), entry.atMs, batch.pass + 1);
  }
}

export function batchMoved(state: ShopState, entry: EntryOf<'batch.moved'>): void {
  const batch = state.get('batch', entry.batchId);
  const { from, to, override } = entry.payload;
  const visit = state.get('visit', batch.visitId);
  const dwelt = visit.finishedMs === null;
  state.change('visit', visit.id, {
    leftMs: entry.atMs,
    ...(dwelt ? { finishedMs: entry.atMs, good: batch.quantity } : {}),
  });
  keepOverride(state, entry, visit.id, from, override);
  arrive(state, batch, operationOf(state.route(batch.routeId), to), entry.atMs);
}
