import { mean } from '../maths/index.ts';
import type { Lot } from '../timber/index.ts';
import type { EntryOf } from './entry.ts';
import type { ShopState } from './state.ts';

export function lotReceived(state: ShopState, { payload, atMs }: EntryOf<'lot.received'>): void {
  const { lot } = payload;
  state.put('lot', {
    leftM3: lot.volumeM3,
    receivedMs: atMs,
    state: 'drying',
    releasedMs: null,
    meanPct: null,
    lastReadMs: null,
    sessions: 0,
    papersPct: null,
    grade: null,
    place: null,
    stays: [{ zoneId: lot.zoneId, fromMs: atMs }],
    samples: {},
    scheduleId: null,
    version: 1,
    ...lot,
  });
}

function changeLot(state: ShopState, lotId: string | null, fields: Omit<Partial<Lot>, 'version'>): Lot {
  const lot = state.get('lot', lotId);
  return state.amend('lot', lot, { version: lot.version + 1, ...fields });
}

export function lotDescribed(state: ShopState, { lotId, payload }: EntryOf<'lot.described'>): void {
  changeLot(state, lotId, payload);
}

export function lotMoved(state: ShopState, { lotId, payload, atMs }: EntryOf<'lot.moved'>): void {
  const { stays, zoneId } = state.get('lot', lotId);
  changeLot(state, lotId, {
    ...payload,
    ...(payload.zoneId === zoneId ? {} : { stays: [...stays, { zoneId: payload.zoneId, fromMs: atMs }] }),
  });
}

/** Takes lumber out of a lot; what is left of nothing is used up. */
export function takeWood(state: ShopState, lotId: string, volumeM3: number): void {
  const lot = state.get('lot', lotId);
  const leftM3 = Math.max(0, Math.round((lot.leftM3 - volumeM3) * 1e6) / 1e6);
  changeLot(state, lotId, { leftM3, ...(leftM3 === 0 ? { state: 'used up' } : {}) });
}

export function boardsMeasured(state: ShopState, { lotId, payload }: EntryOf<'boards.measured'>): void {
  const lot = changeLot(state, lotId, {});
  for (const board of payload.boards) state.put('board', { lotId: lot.id, state: 'whole', ...board });
}

export function boardsCut(state: ShopState, { lotId, payload }: EntryOf<'boards.cut'>): void {
  const lot = state.get('lot', lotId);
  for (const id of payload.boardIds) state.change('board', id, { state: 'cut' });
  for (const blank of payload.blanks)
    state.put('blank', {
      lotId: lot.id,
      massG: null,
      moisturePct: null,
      orderId: null,
      state: 'free',
      pieceId: null,
      version: 1,
      ...blank,
    });
  takeWood(state, lot.id, payload.volumeM3);
}

export function blanksWeighed(state: ShopState, { payload }: EntryOf<'blanks.weighed'>): void {
  for (const { id, massG, moisturePct } of payload.blanks) {
    const blank = state.get('blank', id);
    state.amend('blank', blank, { massG, moisturePct, version: blank.version + 1 });
  }
}

export function blanksReserved(state: ShopState, { payload }: EntryOf<'blanks.reserved'>): void {
  for (const id of payload.blankIds) {
    const blank = state.get('blank', id);
    state.amend('blank', blank, { orderId: payload.orderId, version: blank.version + 1 });
  }
}

export function lotRead(state: ShopState, entry: EntryOf<'lot.read'>): void {
  const lot = state.get('lot', entry.lotId);
  const { sessionId, meter, woodTempC, readings, samples } = entry.payload;
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
  readings.forEach(({ depth, rawPct, correctedPct, massG = null, dryMassG = null }, i) => {
    const id = `${sessionId}/${i + 1}`;
    state.put('reading', { id, sessionId, seq: i + 1, depth, rawPct, correctedPct, massG, dryMassG, struck: null });
  });
  const latest = lot.lastReadMs === null || entry.atMs >= lot.lastReadMs;
  state.change('lot', lot.id, {
    sessions: lot.sessions + 1,
    version: lot.version + 1,
    ...(latest ? { meanPct, lastReadMs: entry.atMs } : {}),
    ...(samples ? { samples: { ...lot.samples, ...samples } } : {}),
  });
}

export function readingStruck(state: ShopState, entry: EntryOf<'reading.struck'>): void {
  const { sessionId, seq, reason, meanPct, spreadPct } = entry.payload;
  const session = state.change('session', sessionId, { meanPct, spreadPct });
  state.change('reading', `${sessionId}/${seq}`, { struck: reason });
  const lot = state.get('lot', session.lotId);
  state.change('lot', lot.id, {
    version: lot.version + 1,
    ...(lot.lastReadMs === session.atMs ? { meanPct } : {}),
  });
}
