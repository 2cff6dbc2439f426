import { commandKind, rowsOf, wrongInput, type Decided, type Decision } from '../../ledger/index.ts';
import type { LotRead } from '../entries/lotRead.ts';
import { Lot } from '../lot.ts';
import { readSession, type Method } from '../session.ts';
import type { WoodFactory } from '../woodFactory.ts';

export interface ReadLotRequest {
  lotId: string;
  /** a row of values as people say them */
  text: string;
  woodTempC: number;
  meter: Method;
  /** when they were taken; now, when left out */
  atMs?: number;
}

/** A session of readings of one lot, as it is typed. */
export const ReadLot = commandKind('read lot')<ReadLotRequest, WoodFactory>({
  role: 'operator',
  concerns: ({ lotId }) => ({ about: [rowsOf(Lot, [lotId])] }),
  decide({ lotId, text, woodTempC, meter, atMs }, { rows, factory, nowMs }): Decision<Decided<typeof LotRead>> {
    const lot = rows.get(Lot, lotId);
    const species = factory.species(lot.species).meter;
    const { readings, samples, problems } = readSession(meter, text, { woodTempC, samples: lot.samples, ...(species ? { species } : {}) });
    if (problems.length > 0) return wrongInput('text', problems.map((p) => p.message).join('. '));
    if (readings.length === 0) return wrongInput('text', 'Type at least one reading');
    const takenMs = atMs ?? nowMs;
    if (takenMs > nowMs) return wrongInput('atMs', 'A reading cannot lie in the future');
    if (takenMs < lot.receivedMs) return wrongInput('atMs', 'The lot was received after that');
    return {
      kind: 'accept',
      entries: [
        {
          kind: 'lot.read',
          lotId,
          atMs: takenMs,
          payload: {
            sessionId: `${lotId}/${lot.sessions + 1}`,
            meter,
            woodTempC,
            readings,
            ...(species ? { species } : {}),
            ...(Object.keys(samples).length > 0 ? { samples } : {}),
          },
        },
      ],
    };
  },
});
