import { batchIdOf, livePieces, onward, operationOf, type Batch, type Component } from '../routing/index.ts';
import type { EntryOf } from './entry.ts';
import { arrive, changeBatch, joinBatch, lessPieces, newBatch } from './rows.ts';
import type { ShopState } from './state.ts';

/** Guests become part of their hosts; the hosts are done with the step. */
export function partsJoined(state: ShopState, entry: EntryOf<'parts.joined'>): void {
  const host = state.get('batch', entry.batchId);
  const { joins, guestBatchIds } = entry.payload;
  for (const { hostId, guestIds } of joins) for (const id of guestIds) state.change('piece', id, { state: 'joined', intoId: hostId });
  const joined = new Set(joins.flatMap((j) => j.guestIds));
  for (const id of guestBatchIds) {
    const count = state.pieces(id).filter((p) => joined.has(p.id)).length;
    if (count > 0) goneOn(state, id, count, entry.atMs);
  }
  state.amend('visit', state.visitOf(host), {
    startedMs: entry.atMs,
    finishedMs: entry.atMs,
    good: host.quantity,
    personId: entry.personId,
  });
  changeBatch(state, host.id, { status: 'finished', sinceMs: entry.atMs, accepted: true });
}

/** Small parts are taken for another batch, the first in the box first. */
export function stockDrawn(state: ShopState, entry: EntryOf<'stock.drawn'>): void {
  const stock = state.get('batch', entry.batchId);
  const inBox = livePieces(state.pieces(stock.id)).sort((a, b) => a.ordinal - b.ordinal || (a.id < b.id ? -1 : 1));
  for (const piece of inBox.slice(0, entry.payload.count))
    state.change('piece', piece.id, { state: 'drawn', intoId: entry.payload.forBatchId });
  goneOn(state, stock.id, entry.payload.count, entry.atMs);
}

/** Pieces that left a batch as good, to become part of something else. */
export function goneOn(state: ShopState, batchId: string, count: number, atMs: number): void {
  const batch = state.get('batch', batchId);
  const visit = state.visitOf(batch);
  state.amend('visit', visit, { good: visit.good + count, startedMs: visit.startedMs ?? atMs });
  lessPieces(state, batchId, count, atMs);
}

/** Bodies and necks go their own ways again; their serial stays with both. */
export function instrumentsParted(state: ShopState, entry: EntryOf<'instruments.parted'>): void {
  const batch = state.get('batch', entry.batchId);
  const route = state.routeOf(batch);
  const operation = operationOf(route, entry.payload.operationId);
  const apart = livePieces(state.pieces(batch.id));
  const half = (component: Component, number: number): Batch =>
    newBatch({ id: batchIdOf(number), number, component, quantity: apart.length, startedMs: batch.startedMs, ...sameOrder(batch) });
  const [bodies, necks] = [half('body', entry.payload.bodyNumber), half('neck', entry.payload.neckNumber)];
  for (const piece of apart) {
    const { bodyId, neckId } = state.get('instrument', piece.id);
    state.change('piece', piece.id, { state: 'apart' });
    joinBatch(state, state.get('piece', bodyId), bodies.id, entry.atMs, { state: 'good' });
    joinBatch(state, state.get('piece', neckId), necks.id, entry.atMs, { state: 'good' });
  }
  goneOn(state, batch.id, apart.length, entry.atMs);
  for (const side of [bodies, necks]) {
    const to = onward(route, operation, side.component);
    if (to !== undefined) arrive(state, side, operationOf(route, to), entry.atMs);
  }
}

/** Each body and its own neck are an instrument again. */
export function instrumentsRefitted(state: ShopState, entry: EntryOf<'instruments.refitted'>): void {
  const { operationId, number, bodyBatchId, neckBatchId, serials } = entry.payload;
  const body = state.get('batch', bodyBatchId);
  const route = state.routeOf(body);
  const id = batchIdOf(number);
  for (const serial of serials) {
    const instrument = state.change('instrument', serial, { batchId: id });
    state.change('piece', instrument.bodyId, { state: 'fitted' });
    state.change('piece', instrument.neckId, { state: 'fitted' });
    joinBatch(state, state.get('piece', serial), id, entry.atMs, { state: 'good' });
  }
  for (const batchId of [bodyBatchId, neckBatchId]) goneOn(state, batchId, serials.length, entry.atMs);
  const next = onward(route, operationOf(route, operationId));
  const made = newBatch({ id, number, component: 'instrument', quantity: serials.length, startedMs: body.startedMs, ...sameOrder(body) });
  if (next !== undefined) arrive(state, made, operationOf(route, next), entry.atMs);
}

/** What a batch made from another keeps of it. */
export const sameOrder = (batch: Batch) => ({
  modelId: batch.modelId,
  orderId: batch.orderId,
  lotId: batch.lotId,
  routeId: batch.routeId,
  dueMs: batch.dueMs,
  facts: batch.facts,
  trial: batch.trial,
  parentId: batch.id,
});
