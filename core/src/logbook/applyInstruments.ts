import { operationOf } from '../routing/index.ts';
import type { EntryOf } from './entry.ts';
import { arrive, changeBatch, newBatch } from './rows.ts';
import type { ShopState } from './state.ts';

export function instrumentsFitted(state: ShopState, entry: EntryOf<'instruments.fitted'>): void {
  const { number, bodyBatchId, neckBatchId, pairs, carrier } = entry.payload;
  const body = state.get('batch', bodyBatchId);
  const neck = neckBatchId === null ? null : state.get('batch', neckBatchId);
  const route = state.route(body.routeId);
  const id = `B${number}`;
  pairs.forEach((pair, i) => {
    const bodyPiece = state.change('piece', pair.bodyId, { state: 'fitted', serial: pair.serial });
    if (pair.neckId !== null) state.change('piece', pair.neckId, { state: 'fitted', serial: pair.serial });
    state.put('piece', {
      id: pair.serial,
      batchId: id,
      component: 'instrument',
      modelId: body.modelId,
      ordinal: i + 1,
      state: 'good',
      lotId: bodyPiece.lotId,
      serial: pair.serial,
    });
    state.put('instrument', {
      serial: pair.serial,
      modelId: body.modelId,
      orderId: body.orderId,
      batchId: id,
      bodyId: pair.bodyId,
      neckId: pair.neckId,
      clearanceMm: pair.clearanceMm,
      state: 'in work',
      startedMs: Math.min(body.startedMs, neck?.startedMs ?? body.startedMs),
      fittedMs: entry.atMs,
      shippedMs: null,
      consignee: null,
      shipper: null,
      version: 1,
    });
  });
  const after = operationOf(route, operationOf(route, body.operationId).next[0] ?? body.operationId);
  arrive(
    state,
    newBatch({
      id,
      number,
      modelId: body.modelId,
      component: 'instrument',
      orderId: body.orderId,
      lotId: body.lotId,
      routeId: body.routeId,
      quantity: pairs.length,
      dueMs: body.dueMs,
      carrier,
      startedMs: entry.atMs,
    }),
    after,
    entry.atMs,
  );
  for (const batch of [body, neck]) {
    if (!batch) continue;
    const quantity = batch.quantity - pairs.length;
    const visit = state.get('visit', batch.visitId);
    state.change('visit', visit.id, {
      good: visit.good + pairs.length,
      startedMs: visit.startedMs ?? entry.atMs,
      ...(quantity === 0 ? { finishedMs: entry.atMs, leftMs: entry.atMs } : {}),
    });
    changeBatch(state, batch.id, {
      quantity,
      sinceMs: entry.atMs,
      ...(quantity === 0 ? { status: 'done', endedMs: entry.atMs } : {}),
    });
  }
}

export function instrumentShipped(state: ShopState, entry: EntryOf<'instrument.shipped'>): void {
  const instrument = state.get('instrument', entry.serial);
  const { consignee, shipper } = entry.payload;
  state.change('instrument', instrument.serial, {
    state: 'shipped',
    shippedMs: entry.atMs,
    consignee,
    shipper,
    version: instrument.version + 1,
  });
  state.change('piece', instrument.serial, { state: 'shipped' });
  if (instrument.orderId !== null) {
    const order = state.get('order', instrument.orderId);
    state.change('order', order.id, { shipped: order.shipped + 1, version: order.version + 1 });
  }
  const batch = state.get('batch', instrument.batchId);
  const quantity = batch.quantity - 1;
  const visit = state.get('visit', batch.visitId);
  state.change('visit', visit.id, {
    good: visit.good + 1,
    startedMs: visit.startedMs ?? entry.atMs,
    ...(quantity === 0 ? { finishedMs: entry.atMs, leftMs: entry.atMs } : {}),
  });
  changeBatch(state, batch.id, {
    quantity,
    sinceMs: entry.atMs,
    ...(quantity === 0 ? { status: 'done', endedMs: entry.atMs } : {}),
  });
}
