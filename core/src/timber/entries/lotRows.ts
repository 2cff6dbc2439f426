import type { Rows } from '../../ledger/index.ts';
import { Lot, Reading, type ReadingSession } from '../lot.ts';
import type { MeasuredReading } from '../session.ts';
import { tallySupplier, tallyWoodUse } from '../tallies.ts';

export const changeLot = (rows: Rows, lotId: string | null, fields: Omit<Partial<Lot>, 'version'>): Lot => {
  const lot = rows.get(Lot, lotId);
  const { firstPct, papersPct, supplier } = lot;
  const changed = rows.amend(Lot, lot, { version: lot.version + 1, ...fields });
  tallySupplier(rows, supplier, { firstPct, papersPct }, changed);
  return changed;
};

/** Puts a session's readings down, numbered on from a first. */
export function putReadings(rows: Rows, sessionId: string, readings: readonly MeasuredReading[], firstSeq: number): void {
  readings.forEach(({ depth, rawPct, correctedPct, massG = null, dryMassG = null, woodTempC = null }, i) => {
    const seq = firstSeq + i;
    const id = `${sessionId}/${seq}`;
    rows.put(Reading, { id, sessionId, seq, depth, rawPct, correctedPct, massG, dryMassG, woodTempC, firstRawPct: null, struck: null });
  });
}

/** A session's mean anew, on its lot too where it is the first or the latest. */
export function remeanSession(rows: Rows, session: ReadingSession): void {
  const { lotId, atMs, meanPct } = session;
  const lot = rows.get(Lot, lotId);
  changeLot(rows, lotId, {
    ...(lot.firstReadMs === atMs ? { firstPct: meanPct } : {}),
    ...(lot.lastReadMs === atMs ? { meanPct } : {}),
  });
}

/** Readings as people type them. */
export const asTyped = (readings: readonly { depth: string; rawPct: number }[]): string =>
  readings.map((r) => `${r.depth === 'core' ? 'c' : ''}${r.rawPct}`).join(' ');

/** Takes lumber out of a lot; what is left of nothing is used up. */
export function takeWood(rows: Rows, lotId: string, volumeM3: number, atMs: number): void {
  const lot = rows.get(Lot, lotId);
  tallyWoodUse(rows, lot, volumeM3, atMs);
  const leftM3 = Math.max(0, Math.round((lot.leftM3 - volumeM3) * 1e6) / 1e6);
  changeLot(rows, lotId, { leftM3, ...(leftM3 === 0 ? { state: 'used up' } : {}) });
}
