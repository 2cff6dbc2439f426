import { mean } from '../maths/index.ts';
import type { EntryOf } from './entry.ts';
import type { ShopState } from './state.ts';

export function lotRead(state: ShopState, entry: EntryOf<'lot.read'>): void {
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
  readings.forEach(({ depth, rawPct, correctedPct }, i) => {
    state.put('reading', { id: `${sessionId}/${i + 1}`, sessionId, seq: i + 1, depth, rawPct, correctedPct, struck: null });
  });
  const latest = lot.lastReadMs === null || entry.atMs >= lot.lastReadMs;
  state.change('lot', lot.id, {
    sessions: lot.sessions + 1,
    version: lot.version + 1,
    ...(latest ? { meanPct, lastReadMs: entry.atMs } : {}),
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
