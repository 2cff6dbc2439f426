import { asked, commandKind, NOT_ANSWERED, refuse, wrongInput, type Decided, type Decision } from '../../ledger/index.ts';
import { NextNumber } from '../../routing/index.ts';
import type { LotReceived } from '../entries/lotReceived.ts';
import type { LotReceipt } from '../lot.ts';
import type { WoodFactory } from '../woodFactory.ts';

/** Lots are numbered from here on. */
const FIRST_LOT = 101;

export const ReceiveLot = commandKind('receive lot')<Omit<LotReceipt, 'id' | 'number'>, WoodFactory>({
  role: 'lead',
  concerns: () => ({ about: [] }),
  asks: () => [asked(NextNumber, { of: 'lot' })],
  decide(request, { factory, answers }): Decision<Decided<typeof LotReceived>> {
    if (!factory.hasZone(request.zoneId)) return wrongInput('zoneId', `There is no zone ${request.zoneId}`);
    const next = answers.to(NextNumber, { of: 'lot' });
    if (next === NOT_ANSWERED) return refuse('No lot number is free');
    const number = Math.max(FIRST_LOT, next);
    const lotId = `L${number}`;
    return { kind: 'accept', entries: [{ kind: 'lot.received', lotId, payload: { lot: { ...request, id: lotId, number } } }] };
  },
});
