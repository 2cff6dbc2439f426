import { entryKind } from '../../ledger/index.ts';
import { mean } from '../../maths/index.ts';
import { Lot, Reading, ReadingSession } from '../lot.ts';
import type { Depth } from '../readings.ts';
import type { MeterCorrection } from '../species.ts';
import { changeLot } from './lotRows.ts';

export interface Read {
  sessionId: string;
  meter: string;
  woodTempC: number;
  readings: { depth: Depth; rawPct: number; correctedPct: number; massG?: number; dryMassG?: number }[];
  /** what the meter's handbook says of the species, where it was corrected for that */
  species?: MeterCorrection;
  /** dry masses of sample boards begun with this session */
  samples?: Readonly<Record<string, number>>;
}

export const LotRead = entryKind('lot.read')<Read>({
  apply(rows, entry) {
    const lot = rows.get(Lot, entry.lotId);
    const { sessionId, meter, woodTempC, readings, samples } = entry.payload;
    const values = readings.map((r) => r.correctedPct);
    const meanPct = mean(values);
    rows.put(ReadingSession, {
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
      rows.put(Reading, { id, sessionId, seq: i + 1, depth, rawPct, correctedPct, massG, dryMassG, struck: null });
    });
    const latest = lot.lastReadMs === null || entry.atMs >= lot.lastReadMs;
    const first = lot.firstReadMs === null || entry.atMs < lot.firstReadMs;
    changeLot(rows, lot.id, {
      sessions: lot.sessions + 1,
      ...(first ? { firstPct: meanPct, firstReadMs: entry.atMs } : {}),
      ...(latest ? { meanPct, lastReadMs: entry.atMs } : {}),
      ...(samples ? { samples: { ...lot.samples, ...samples } } : {}),
    });
  },
  sentence: ({ payload: { readings } }) =>
    `${readings.length} readings: ${readings.map((r) => `${r.depth === 'core' ? 'c' : ''}${r.rawPct}`).join(' ')}`,
});
