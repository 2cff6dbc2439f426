import { isInBand } from '../assembly/index.ts';
import { MINUTE_MS } from '../units/index.ts';
import { instrumentShipped, instrumentsFitted } from './applyInstruments.ts';
import { lotRead, readingStruck } from './applyLots.ts';
import { batchMoved, batchStarted, closeRun, openRun, workFinished, workStarted } from './applyWork.ts';
import type { NewEntry } from './entry.ts';
import { changeBatch, keepOverride } from './rows.ts';
import type { ShopState } from './state.ts';

/**
 * Brings the current state up to date with one entry. The only way state changes: the same function serves a live
 * command, the rebuild from the logbook and the demo's history.
 */
export function applyEntry(state: ShopState, entry: NewEntry): void {
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
      keepOverride(state, entry, lot.id, null, entry.payload.override);
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
      keepOverride(state, entry, coatId, coat.operationId, override);
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
