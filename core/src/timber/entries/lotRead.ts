import { entryKind } from '../../ledger/index.ts';
import { counted } from '../../units/index.ts';
import { Lot, ReadingSession } from '../lot.ts';
import { figuresOf, type MeasuredReading, type Method } from '../session.ts';
import type { MeterCorrection } from '../species.ts';
import { asTyped, changeLot, putReadings } from './lotRows.ts';

export interface Read {
  sessionId: string;
  meter: Method;
  woodTempC: number;
  readings: MeasuredReading[];
  /** what the meter's handbook says of the species, where it was corrected for that */
  species?: MeterCorrection;
  /** dry masses of sample boards begun with this session */
  samples?: Readonly<Record<string, number>>;
}

export const LotRead = entryKind('lot.read')<Read>({
  apply(rows, entry) {
    const lot = rows.get(Lot, entry.lotId);
    const { sessionId, meter, woodTempC, readings, samples } = entry.payload;
    const { meanPct, spreadPct } = figuresOf(readings);
    rows.put(ReadingSession, {
      id: sessionId,
      lotId: lot.id,
      atMs: entry.atMs,
      personId: entry.personId,
      meter,
      woodTempC,
      meanPct,
      spreadPct,
    });
    putReadings(rows, sessionId, readings, 1);
    const latest = lot.lastReadMs === null || entry.atMs >= lot.lastReadMs;
    const first = lot.firstReadMs === null || entry.atMs < lot.firstReadMs;
    changeLot(rows, lot.id, {
      sessions: lot.sessions + 1,
      ...(first ? { firstPct: meanPct, firstReadMs: entry.atMs } : {}),
      ...(latest ? { meanPct, lastReadMs: entry.atMs } : {}),
      ...(samples ? { samples: { ...lot.samples, ...samples } } : {}),
    });
  },
  sentence: ({ payload: { readings } }) => `${counted(readings.length, 'reading')}: ${asTyped(readings)}`,
});
