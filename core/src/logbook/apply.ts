import { isInBand } from '../assembly/index.ts';
import { mean } from '../maths/index.ts';
import { firstOperation, operationOf, piecesInPass, type Batch, type Operation, type Override } from '../routing/index.ts';
import { MINUTE_MS } from '../units/index.ts';
import type { EntryOf, LogbookEntry } from './entry.ts';
import type { ShopState } from './state.ts';

/**
 * Brings the current state up to date with one entry. The only way state changes: the same function serves a live
 * command, the rebuild from the logbook and the demo's history.
 */
export function applyEntry(state: ShopState, entry: LogbookEntry): void {
  switch (entry.kind) {
    case 'lot.received':
      state.put('lot', {
        ...entry.payload.lot,
        leftM3: entry.payload.lot.volumeM3,
        receivedMs: entry.atMs,
        state: 'drying',
        releasedMs: null,
        meanPct: null,
        lastReadMs: null,
        sessions: 0,
        version: 1,
      });
      return;
    case 'lot.read':
      return lotRead(state, entry);
    case 'reading.struck':
      return readingStruck(state, entry);
    case 'lot.released': {
      const lot = state.get('lot', entry.lotId);
      state.change('lot', lot.id, { state: 'released', releasedMs: entry.atMs, version: lot.version + 1 });
      keepOverride(state, entry, null, entry.payload.override);
      return;
    }
    case 'order.placed':
      state.put('order', { ...entry.payload.order, placedMs: entry.atMs, shipped: 0, version: 1 });
      return;
    case 'batch.started':
      return batchStarted(state, entry);
    case 'work.started':
      return workStarted(state, entry);
    case 'work.paused':
      closeRun(state, state.get('batch', entry.batchId), entry.atMs);
      changeBatch(state, entry.batchId, { status: 'paused', sinceMs: entry.atMs, runId: null });
      return;
    case 'work.resumed':
      openRun(state, state.get('batch', entry.batchId), entry.atMs, entry.payload.workerId);
      return;
    case 'work.finished':
      return workFinished(state, entry);
    case 'batch.moved':
      return batchMoved(state, entry);
    case 'batch.held': {
      const batch = state.get('batch', entry.batchId);
      changeBatch(state, batch.id, {
        status: 'held',
        heldStatus: batch.status,
        holdReason: entry.payload.reason,
        sinceMs: entry.atMs,
      });
      return;
    }
    case 'batch.released': {
      const batch = state.get('batch', entry.batchId);
      changeBatch(state, batch.id, {
        status: batch.heldStatus ?? 'queued',
        heldStatus: null,
        holdReason: null,
        sinceMs: entry.atMs,
      });
      return;
    }
    case 'coat.logged': {
      const batch = changeBatch(state, entry.batchId, {});
      const { coatId, flashMinutes, override, ...coat } = entry.payload;
      keepOverride(state, entry, coat.operationId, override);
      state.put('coat', {
        ...coat,
        id: coatId,
        batchId: batch.id,
        visitId: batch.visitId,
        atMs: entry.atMs,
        personId: entry.personId,
        flashUntilMs: entry.atMs + flashMinutes * MINUTE_MS,
      });
      return;
    }
    case 'measures.taken': {
      const batch = changeBatch(state, entry.batchId, {});
      for (const measure of entry.payload.measures)
        state.put('measure', {
          ...measure,
          batchId: batch.id,
          operationId: entry.payload.operationId,
          inBand: isInBand(measure.value, measure),
          atMs: entry.atMs,
          personId: entry.personId,
        });
      return;
    }
    case 'instruments.fitted':
      return instrumentsFitted(state, entry);
    case 'instrument.shipped':
      return instrumentShipped(state, entry);
    case 'setup.changed':
      return;
  }
}

function changeBatch(state: ShopState, batchId: string | null, fields: Partial<Batch>): Batch {
  const batch = state.get('batch', batchId);
  return state.change('batch', batch.id, { ...fields, version: batch.version + 1 });
}

function keepOverride(state: ShopState, entry: LogbookEntry, operationId: string | null, override: Override | null): void {
  if (!override) return;
  state.put('override', {
    id: `${entry.batchId ?? entry.lotId ?? ''}/${entry.id}`,
    batchId: entry.batchId,
    lotId: entry.lotId,
    operationId,
    atMs: entry.atMs,
    personId: entry.personId,
    reason: override.reason,
    findings: override.findings,
  });
}

function lotRead(state: ShopState, entry: EntryOf<'lot.read'>): void {
  const lot = state.get('lot', entry.lotId);
  const { sessionId, meter, woodTempC, readings } = entry.payload;
  const values = readings.map((r) => r.correctedPct);
  const meanPct = mean(values);
  state.put('session', {
    id: sessionId,
    lotId: lot.id,
    atMs: entry.atMs,
    personId: entry.personId,
    meter,
    woodTempC,
    meanPct,
    spreadPct: Math.max(...values) - Math.min(...values),
  });
  readings.forEach((reading, i) => {
    state.put('reading', { id: `${sessionId}/${i + 1}`, sessionId, seq: i + 1, ...reading, struck: null });
  });
  const latest = lot.lastReadMs === null || entry.atMs >= lot.lastReadMs;
  state.change('lot', lot.id, {
    sessions: lot.sessions + 1,
    version: lot.version + 1,
    ...(latest ? { meanPct, lastReadMs: entry.atMs } : {}),
  });
}

function readingStruck(state: ShopState, entry: EntryOf<'reading.struck'>): void {
  const { sessionId, seq, reason, meanPct, spreadPct } = entry.payload;
  const session = state.change('session', sessionId, { meanPct, spreadPct });
  state.change('reading', `${sessionId}/${seq}`, { struck: reason });
  const lot = state.get('lot', session.lotId);
  state.change('lot', lot.id, {
    version: lot.version + 1,
    ...(lot.lastReadMs === session.atMs ? { meanPct } : {}),
  });
}

/** Puts a batch at a step: its clock there starts now. */
function arrive(state: ShopState, batch: Batch, operation: Operation, atMs: number, pass = 1): void {
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

function batchStarted(state: ShopState, entry: EntryOf<'batch.started'>): void {
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

type BatchStart = Pick<
  Batch,
  'id' | 'number' | 'modelId' | 'component' | 'orderId' | 'lotId' | 'routeId' | 'quantity' | 'dueMs' | 'carrier' | 'startedMs'
>;

function newBatch(start: BatchStart): Batch {
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

function openRun(state: ShopState, batch: Batch, atMs: number, workerId: string): void {
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

function closeRun(state: ShopState, batch: Batch, atMs: number): void {
  const run = state.change('run', batch.runId, { toMs: atMs });
  const visit = state.get('visit', batch.visitId);
  state.change('visit', visit.id, { touchMs: visit.touchMs + (atMs - run.fromMs) });
}

function workStarted(state: ShopState, entry: EntryOf<'work.started'>): void {
  const batch = state.get('batch', entry.batchId);
  state.change('visit', batch.visitId, { startedMs: entry.atMs, personId: entry.payload.workerId });
  openRun(state, batch, entry.atMs, entry.payload.workerId);
}

function workFinished(state: ShopState, entry: EntryOf<'work.finished'>): void {
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

function batchMoved(state: ShopState, entry: EntryOf<'batch.moved'>): void {
  const batch = state.get('batch', entry.batchId);
  const { from, to, override } = entry.payload;
  const visit = state.get('visit', batch.visitId);
  const dwelt = visit.finishedMs === null;
  state.change('visit', visit.id, {
    leftMs: entry.atMs,
    ...(dwelt ? { finishedMs: entry.atMs, good: batch.quantity } : {}),
  });
  keepOverride(state, entry, from, override);
  arrive(state, batch, operationOf(state.route(batch.routeId), to), entry.atMs);
}

function instrumentsFitted(state: ShopState, entry: EntryOf<'instruments.fitted'>): void {
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

function instrumentShipped(state: ShopState, entry: EntryOf<'instrument.shipped'>): void {
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
