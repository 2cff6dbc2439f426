import { onward, operationOf } from '../routing/index.ts';
import type { EntryOf } from './entry.ts';
import { goneOn, sameOrder } from './applyParts.ts';
import { arrive, newBatch } from './rows.ts';
import type { ShopState } from './state.ts';

export function instrumentsFitted(state: ShopState, entry: EntryOf<'instruments.fitted'>): void {
  const { number, bodyBatchId, neckBatchId, pairs } = entry.payload;
  const body = state.get('batch', bodyBatchId);
  const neck = neckBatchId === null ? null : state.get('batch', neckBatchId);
  const route = state.routeOf(body);
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
      blankId: bodyPiece.blankId,
      serial: pair.serial,
      intoId: null,
      setId: null,
      grit: bodyPiece.grit,
      coats: bodyPiece.coats,
      trail: [{ batchId: id, fromMs: entry.atMs }],
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
  const after = operationOf(route, onward(route, operationOf(route, body.operationId)) ?? body.operationId);
  arrive(
    state,
    newBatch({ id, number, component: 'instrument', quantity: pairs.length, startedMs: entry.atMs, ...sameOrder(body) }),
    after,
    entry.atMs,
  );
  for (const batch of [body, neck]) if (batch) goneOn(state, batch.id, pairs.length, entry.atMs);
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
  goneOn(state, instrument.batchId, 1, entry.atMs);
}
