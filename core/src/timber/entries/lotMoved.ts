import { entryKind } from '../../ledger/index.ts';
import { Lot } from '../lot.ts';
import { changeLot } from './lotRows.ts';

/** To another room, or into a kiln on a schedule. */
export const LotMoved = entryKind('lot.moved')<{ zoneId: string; place: string | null; scheduleId: string | null }>({
  apply(rows, { lotId, payload, atMs }) {
    const { stays, zoneId } = rows.get(Lot, lotId);
    changeLot(rows, lotId, {
      ...payload,
      ...(payload.zoneId === zoneId ? {} : { stays: [...stays, { zoneId: payload.zoneId, fromMs: atMs }] }),
    });
  },
  sentence: ({ payload: { zoneId, place, scheduleId } }, nameOf) =>
    `Moved to ${nameOf('zone', zoneId)}${place === null ? '' : `, ${place}`}${scheduleId === null ? '' : `, on schedule ${nameOf('kiln schedule', scheduleId)}`}`,
});
