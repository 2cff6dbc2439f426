import { batchIdOf, livePieces, operationOf, type Batch, type Piece } from '../routing/index.ts';
import { keepDefect, scrapPiece, closeRun } from './applyWork.ts';
import type { EntryOf } from './entry.ts';
import { arrive, changeBatch, joinBatch, leave, lessPieces, place, visitIdOf } from './rows.ts';
import type { ShopState } from './state.ts';

/** Some pieces become a batch of their own, at the same step and as far as the rest. */
export function splitOff(state: ShopState, batchId: string, number: number, pieceIds: readonly string[], atMs: number): Batch {
  const batch = state.get('batch', batchId);
  const visit = state.visitOf(batch);
  const id = batchIdOf(number);
  const quantity = pieceIds.length;
  const visitId = visitIdOf(id, batch.operationId, batch.pass);
  const counted = visit.finishedMs === null ? 0 : quantity;
  state.put('visit', { ...visit, id: visitId, batchId: id, quantity, good: counted, rework: 0, scrap: 0, touchMs: 0 });
  state.amend('visit', visit, { quantity: visit.quantity - quantity, good: visit.good - counted });
  const passes = { ...batch.passes };
  state.put('batch', { ...batch, id, number, quantity, visitId, passes, runId: null, parentId: batch.id, version: 1 });
  for (const pieceId of pieceIds) changeBatchOf(state, state.get('piece', pieceId), id, atMs);
  const { sinceMs } = batch;
  const { went } = lessPieces(state, batch.id, quantity, atMs);
  state.change('batch', batch.id, { sinceMs });
  place(state, id, went);
  return state.get('batch', id);
}

/** An instrument's piece and its record move together. */
function changeBatchOf(state: ShopState, piece: Piece, batchId: string, atMs: number): void {
  joinBatch(state, piece, batchId, atMs);
  if (piece.component === 'instrument') state.change('instrument', piece.id, { batchId });
}

export function batchSplit(state: ShopState, entry: EntryOf<'batch.split'>): void {
  const batch = state.get('batch', entry.batchId);
  splitOff(state, batch.id, entry.payload.number, entry.payload.pieceIds, entry.atMs);
}

/** The other batch's pieces come over; the wait of both counts from the later arrival. */
export function batchMerged(state: ShopState, entry: EntryOf<'batch.merged'>): void {
  const into = state.get('batch', entry.batchId);
  const from = state.get('batch', entry.payload.fromBatchId);
  const [visit, fromVisit] = [state.visitOf(into), state.visitOf(from)];
  const moved = livePieces(state.pieces(from.id));
  const placements = [...state.placements(into.id), ...state.placements(from.id)];
  for (const piece of moved) changeBatchOf(state, piece, into.id, entry.atMs);
  place(state, from.id, []);
  const byCarrier = new Map<string, number>();
  for (const p of placements) byCarrier.set(p.carrierId, (byCarrier.get(p.carrierId) ?? 0) + p.pieces);
  place(
    state,
    into.id,
    [...byCarrier].map(([carrierId, pieces]) => ({ carrierId, pieces })),
  );
  state.amend('visit', visit, { quantity: visit.quantity + moved.length, good: visit.good + fromVisit.good });
  state.amend('visit', fromVisit, { quantity: fromVisit.quantity - moved.length, good: 0, leftMs: entry.atMs });
  changeBatch(state, into.id, {
    quantity: into.quantity + moved.length,
    arrivedMs: Math.max(into.arrivedMs, from.arrivedMs),
    startedMs: Math.min(into.startedMs, from.startedMs),
    sinceMs: Math.max(into.sinceMs, from.sinceMs),
  });
  changeBatch(state, from.id, { quantity: 0, status: 'done', endedMs: entry.atMs, sinceMs: entry.atMs });
}

/** Pieces that are ready before the rest; the work on the rest goes on. */
export function workPartFinished(state: ShopState, entry: EntryOf<'work.partFinished'>): void {
  const { number, pieceIds, operationId } = entry.payload;
  const batch = state.get('batch', entry.batchId);
  const { grit } = operationOf(state.routeOf(batch), operationId);
  const ready = splitOff(state, batch.id, number, pieceIds, entry.atMs);
  state.amend('visit', state.visitOf(ready), { finishedMs: entry.atMs, good: pieceIds.length });
  state.change('batch', ready.id, { status: 'finished', sinceMs: entry.atMs });
  for (const id of pieceIds) state.change('piece', id, { state: 'good', ...(grit === undefined ? {} : { grit }) });
}

export function batchSent(state: ShopState, entry: EntryOf<'batch.sent'>): void {
  const batch = state.get('batch', entry.batchId);
  state.amend('visit', state.visitOf(batch), { startedMs: entry.atMs, personId: entry.personId });
  const { to, dueBackMs } = entry.payload;
  changeBatch(state, batch.id, { status: 'away', sinceMs: entry.atMs, awayTo: to, dueBackMs, accepted: true });
}

export function batchCalled(state: ShopState, entry: EntryOf<'batch.called'>): void {
  changeBatch(state, entry.batchId, entry.payload);
}

/** Another version of the route: a step of the same name goes on where it was, any other is arrived at now. */
export function batchRerouted(state: ShopState, entry: EntryOf<'batch.rerouted'>): void {
  const { routeId, operationId } = entry.payload;
  const batch = state.get('batch', entry.batchId);
  const was = operationOf(state.routeOf(batch), batch.operationId);
  const moved = changeBatch(state, batch.id, { routeId });
  const to = operationOf(state.routeOf(moved), operationId);
  if (to.id === was.id && to.kind === was.kind) {
    state.amend('visit', state.visitOf(moved), { stationCode: to.stationCode, stage: to.stage });
    state.change('batch', moved.id, { stationCode: to.stationCode, stage: to.stage });
    return;
  }
  leave(state, moved, entry.atMs);
  arrive(state, moved, to, entry.atMs);
}

/** What the next station sends back: each fate has its own way. */
export function handoverRefused(state: ShopState, entry: EntryOf<'handover.refused'>): void {
  for (const refusal of entry.payload.refusals) {
    const batch = state.get('batch', entry.batchId);
    for (const piece of refusal.pieces)
      keepDefect(state, entry, batch, `${batch.visitId}/${piece.pieceId}@${entry.atMs}`, piece, refusal.disposition);
    const ids = refusal.pieces.map((p) => p.pieceId);
    switch (refusal.disposition) {
      case 'use as is':
        changeBatch(state, batch.id, {});
        continue;
      case 'scrap':
        scrapPieces(state, batch.id, ids, entry.atMs);
        continue;
      case 'hold': {
        const held = refusal.number === null ? batch : splitOff(state, batch.id, refusal.number, ids, entry.atMs);
        const reason = `Refused: ${[...new Set(refusal.pieces.map((p) => p.defect))].join(', ')}`;
        changeBatch(state, held.id, { status: 'held', heldStatus: held.status, holdReason: reason, sinceMs: entry.atMs });
        continue;
      }
      case 'rework': {
        const back = refusal.number === null ? batch : splitOff(state, batch.id, refusal.number, ids, entry.atMs);
        for (const id of ids) state.change('piece', id, { state: 'rework' });
        leave(state, back, entry.atMs);
        const to = operationOf(state.routeOf(back), refusal.toOperationId ?? back.operationId);
        arrive(state, back, to, entry.atMs, true);
      }
    }
  }
}

function scrapPieces(state: ShopState, batchId: string, ids: readonly string[], atMs: number): void {
  for (const id of ids) scrapPiece(state, id);
  const batch = state.get('batch', batchId);
  const visit = state.visitOf(batch);
  state.amend('visit', visit, { scrap: visit.scrap + ids.length });
  lessPieces(state, batchId, ids.length, atMs);
}

export function piecesScrapped(state: ShopState, entry: EntryOf<'pieces.scrapped'>): void {
  const batch = state.get('batch', entry.batchId);
  for (const piece of entry.payload.pieces)
    keepDefect(state, entry, batch, `${batch.visitId}/${piece.pieceId}@${entry.atMs}`, piece, 'scrap');
  scrapPieces(
    state,
    batch.id,
    entry.payload.pieces.map((p) => p.pieceId),
    entry.atMs,
  );
}

export function workPaused(state: ShopState, entry: EntryOf<'work.paused'>): void {
  const batch = state.get('batch', entry.batchId);
  closeRun(state, batch, entry.atMs);
  state.amend('batch', batch, { version: batch.version + 1, status: 'paused', sinceMs: entry.atMs, runId: null });
}

export function batchHeld(state: ShopState, entry: EntryOf<'batch.held'>): void {
  const batch = state.get('batch', entry.batchId);
  changeBatch(state, batch.id, { status: 'held', heldStatus: batch.status, holdReason: entry.payload.reason, sinceMs: entry.atMs });
}

export function batchReleased(state: ShopState, entry: EntryOf<'batch.released'>): void {
  const batch = state.get('batch', entry.batchId);
  changeBatch(state, batch.id, { status: batch.heldStatus ?? 'queued', heldStatus: null, holdReason: null, sinceMs: entry.atMs });
}
