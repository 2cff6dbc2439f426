import { commandKind, rowsOf, wrongInput, type Decided, type Decision } from '../../ledger/index.ts';
import type { LotMoved } from '../entries/lotMoved.ts';
import { Lot } from '../lot.ts';
import type { WoodFactory } from '../woodFactory.ts';

export interface MoveLotRequest {
  lotId: string;
  zoneId: string;
  place: string | null;
  scheduleId: string | null;
}

/** Takes a lot to another room or place, or puts it on a kiln's schedule. */
export const MoveLot = commandKind('move lot')<MoveLotRequest, WoodFactory>({
  role: 'operator',
  concerns: ({ lotId }) => ({ about: [rowsOf(Lot, [lotId])] }),
  decide({ lotId, zoneId, place, scheduleId }, { rows, factory }): Decision<Decided<typeof LotMoved>> {
    if (!factory.hasZone(zoneId)) return wrongInput('zoneId', `There is no zone ${zoneId}`);
    if (scheduleId !== null && !factory.setUp.settings.kilnSchedules.some((k) => k.id === scheduleId))
      return wrongInput('scheduleId', `There is no schedule ${scheduleId}`);
    const lot = rows.get(Lot, lotId);
    if (lot.zoneId === zoneId && lot.place === place && lot.scheduleId === scheduleId) return wrongInput('zoneId', 'It lies there already');
    return { kind: 'accept', entries: [{ kind: 'lot.moved', lotId, payload: { zoneId, place, scheduleId } }] };
  },
});
