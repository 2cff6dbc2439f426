import { entryKind } from '../../ledger/index.ts';
import { Cutter, CUTTER_ACTS, type CutterAct } from '../cutter.ts';

export interface CutterDone {
  cutterId: string;
  kind: string;
  act: CutterAct;
  /** the machine it was put on */
  stationCode: string | null;
  bench: number | null;
  /** how long it cuts well from now on; null where that stays */
  lifeMinutes: number | null;
  note: string;
}

const TOLD: Readonly<Record<CutterAct, string>> = {
  mount: 'put on',
  'take off': 'taken off',
  'send to be sharpened': 'sent to be sharpened',
  sharpened: 'sharpened',
  broken: 'broken',
  'put away': 'put away for good',
};

/** A cutter was put on a machine, taken off, sharpened; or it broke. */
export const CutterLogged = entryKind('cutter.logged')<CutterDone>({
  apply(rows, { payload: { cutterId, act, stationCode, bench, lifeMinutes, note }, atMs }) {
    const cutter = rows.get(Cutter, cutterId);
    rows.amend(Cutter, cutter, {
      state: CUTTER_ACTS[act].to,
      stationCode: act === 'mount' ? stationCode : null,
      bench: act === 'mount' ? bench : null,
      sharpened: cutter.sharpened + (act === 'sharpened' ? 1 : 0),
      lifeMinutes: lifeMinutes ?? cutter.lifeMinutes,
      sinceMs: atMs,
      note,
      version: cutter.version + 1,
    });
  },
  sentence: ({ payload: { cutterId, kind, act, stationCode, bench, lifeMinutes, note } }, nameOf) =>
    [
      `Cutter ${cutterId}, ${kind}: ${TOLD[act]}`,
      ...(stationCode === null ? [] : [`${nameOf('station', stationCode)}, machine ${bench ?? 1}`]),
      ...(lifeMinutes === null ? [] : [`good for ${lifeMinutes} min`]),
      ...(note === '' ? [] : [note]),
    ].join('; '),
});
