import { isInBand } from '../assembly/index.ts';
import { piecesInPass } from '../routing/index.ts';
import { MINUTE_MS } from '../units/index.ts';
import { instrumentShipped, instrumentsFitted } from './applyInstruments.ts';
import {
  blanksReserved,
  blanksWeighed,
  boardsCut,
  boardsMeasured,
  lotDescribed,
  lotMoved,
  lotRead,
  lotReceived,
  readingStruck,
} from './applyLots.ts';
import {
  batchCalled,
  batchHeld,
  batchMerged,
  batchReleased,
  batchRerouted,
  batchSent,
  batchSplit,
  handoverRefused,
  piecesScrapped,
  workPartFinished,
  workPaused,
} from './applyBatches.ts';
import { instrumentsParted, instrumentsRefitted, partsJoined, stockDrawn } from './applyParts.ts';
import { batchMoved, batchStarted, entryUndone, openRun, workFinished, workStarted } from './applyWork.ts';
import type { EntryKind, EntryOf, NewEntry } from './entry.ts';
import { changeBatch, keepOverride, place } from './rows.ts';
import type { ShopState } from './state.ts';

// Objects are written with what is new first and what is spread last: the other way round costs microseconds each.

type Apply = { readonly [K in EntryKind]: (state: ShopState, entry: EntryOf<K>) => void };

/** What each kind of entry does to the state. */
const APPLY: Apply = {
  'lot.received': lotReceived,
  'lot.described': lotDescribed,
  'lot.moved': lotMoved,
  'boards.measured': boardsMeasured,
  'boards.cut': boardsCut,
  'blanks.weighed': blanksWeighed,
  'blanks.reserved': blanksReserved,
  'lot.read': lotRead,
  'reading.struck': readingStruck,
  'lot.released': (state, entry) => {
    const lot = state.get('lot', entry.lotId);
    state.change('lot', lot.id, { state: 'released', releasedMs: entry.atMs, version: lot.version + 1 });
    keepOverride(state, entry, lot.id, null, entry.payload.override);
  },
  'order.placed': (state, { payload, atMs }) =>
    state.put('order', { choices: {}, placedMs: atMs, shipped: 0, version: 1, ...payload.order }),
  'batch.started': batchStarted,
  'work.started': workStarted,
  'work.paused': workPaused,
  'work.resumed': (state, entry) => openRun(state, state.get('batch', entry.batchId), entry.atMs, entry.payload.workerId),
  'work.finished': workFinished,
  'work.partFinished': workPartFinished,
  'batch.moved': batchMoved,
  'batch.placed': (state, entry) => {
    place(state, state.get('batch', entry.batchId).id, entry.payload.placements);
    changeBatch(state, entry.batchId, {});
  },
  'batch.held': batchHeld,
  'batch.released': batchReleased,
  'batch.split': batchSplit,
  'batch.merged': batchMerged,
  'batch.sent': batchSent,
  'batch.called': batchCalled,
  'batch.rerouted': batchRerouted,
  'handover.accepted': (state, entry) => void changeBatch(state, entry.batchId, { accepted: true }),
  'gate.signedOff': (state, entry) => {
    const { skill, personId } = entry.payload;
    const { signOffs } = state.get('batch', entry.batchId);
    changeBatch(state, entry.batchId, { signOffs: [...signOffs, { skill, personId }] });
  },
  'handover.refused': handoverRefused,
  'pieces.scrapped': piecesScrapped,
  'parts.joined': partsJoined,
  'stock.drawn': stockDrawn,
  'instruments.parted': instrumentsParted,
  'instruments.refitted': instrumentsRefitted,
  'entry.undone': entryUndone,
  'coat.logged': coatLogged,
  'measures.taken': measuresTaken,
  'instruments.fitted': instrumentsFitted,
  'instrument.shipped': instrumentShipped,
  'setup.changed': () => undefined,
};

// An entry's kind picks the function that takes such entries; TypeScript cannot tie the two.
const BY_KIND = new Map(Object.entries(APPLY) as [EntryKind, (state: ShopState, entry: NewEntry) => void][]);

/**
 * Brings the current state up to date with one entry. The only way state changes: the same function serves a live
 * command, the rebuild from the logbook and the demo's history.
 */
export function applyEntry(state: ShopState, entry: NewEntry): void {
  const apply = BY_KIND.get(entry.kind);
  if (!apply) throw new Error(`The logbook holds an entry of a kind nobody knows: ${entry.kind}`);
  apply(state, entry);
}

function coatLogged(state: ShopState, entry: EntryOf<'coat.logged'>): void {
  const batch = changeBatch(state, entry.batchId, {});
  const { coatId, flashMinutes, override, ...coat } = entry.payload;
  keepOverride(state, entry, coatId, coat.operationId, override);
  state.put('coat', {
    id: coatId,
    batchId: batch.id,
    visitId: batch.visitId,
    atMs: entry.atMs,
    personId: entry.personId,
    flashUntilMs: entry.atMs + flashMinutes * MINUTE_MS,
    ...coat,
  });
  for (const piece of piecesInPass(batch, state.pieces(batch.id))) state.amend('piece', piece, { coats: piece.coats + 1 });
}

function measuresTaken(state: ShopState, entry: EntryOf<'measures.taken'>): void {
  const batch = changeBatch(state, entry.batchId, {});
  const { operationId, measures } = entry.payload;
  for (const { id, pieceId, characteristicId, value, low, high } of measures)
    state.put('measure', {
      id,
      pieceId,
      batchId: batch.id,
      operationId,
      characteristicId,
      value,
      low,
      high,
      inBand: isInBand(value, { low, high }),
      atMs: entry.atMs,
      personId: entry.personId,
    });
}
