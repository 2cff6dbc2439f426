import { entryKind } from '../../ledger/index.ts';
import { Lot, type LotReceipt } from '../lot.ts';
import { said } from '../../units/index.ts';

export const LotReceived = entryKind('lot.received')<{ lot: LotReceipt }>({
  apply: (rows, { payload: { lot }, atMs }) =>
    rows.put(Lot, {
      leftM3: lot.volumeM3,
      receivedMs: atMs,
      state: 'drying',
      releasedMs: null,
      meanPct: null,
      lastReadMs: null,
      firstPct: null,
      firstReadMs: null,
      sessions: 0,
      papersPct: null,
      grade: null,
      place: null,
      stays: [{ zoneId: lot.zoneId, fromMs: atMs }],
      samples: {},
      scheduleId: null,
      version: 1,
      ...lot,
    }),
  sentence: ({ payload: { lot } }) => `Received: ${lot.species}, ${said(lot.volumeM3.toFixed(3), 'm³')} from ${lot.supplier}`,
});
