import { Machine, machineIdOf, placesOf } from '../../batches/index.ts';
import type { Factory } from '../../factory/index.ts';
import { commandKind, refuse, rowsBy, rowsOf, wrongInput, type Decided, type Decision } from '../../ledger/index.ts';
import { actsOn, Cutter, type CutterAct } from '../cutter.ts';
import type { CutterLogged } from '../entries/cutterLogged.ts';

export interface LogCutterRequest {
  cutterId: string;
  act: CutterAct;
  /** the machine it is put on */
  stationCode: string | null;
  bench: number | null;
  /** how long it cuts well from now on; null where that stays */
  lifeMinutes: number | null;
  note: string;
}

/** Says that a cutter was put on a machine, taken off, sharpened, broken, or put away. */
export const LogCutter = commandKind('log cutter')<LogCutterRequest, Factory>({
  role: 'operator',
  concerns: ({ cutterId, stationCode, bench }) => ({
    about: [rowsOf(Cutter, [cutterId])],
    // Whoever puts one on is alone at that machine until it is written down.
    ...(stationCode === null
      ? {}
      : {
          making: [rowsOf(Machine, [machineIdOf(stationCode, bench ?? 0)])],
          reads: () => [rowsBy(Cutter, 'stationCode', [stationCode])],
        }),
  }),
  notBefore: ({ cutterId }, rows) => ({ atMs: rows.get(Cutter, cutterId).sinceMs, because: `Cutter ${cutterId} has changed since then` }),
  decide({ cutterId, act, stationCode, bench, lifeMinutes, note }, { rows, factory }): Decision<Decided<typeof CutterLogged>> {
    const cutter = rows.get(Cutter, cutterId);
    if (!actsOn(cutter).includes(act))
      return refuse(`Cutter ${cutterId} is ${cutter.state}: it cannot be ${act === 'mount' ? 'put on' : act}`, { field: 'act' });
    if (lifeMinutes !== null && !(lifeMinutes > 0)) return wrongInput('lifeMinutes', 'It cuts for some minutes at least');
    if (act === 'broken' && note.trim() === '') return wrongInput('note', 'Say how it broke: the next one breaks the same way');
    if (act !== 'mount') {
      if (stationCode !== null || bench !== null) return wrongInput('stationCode', 'Only what is put on goes to a machine');
    } else {
      if (stationCode === null || factory.setUp.stations.get(stationCode)?.kind !== 'work')
        return wrongInput('stationCode', 'Say which machine it is put on');
      if (bench === null || !placesOf(stationCode, factory).includes(bench))
        return wrongInput('bench', `${factory.stationName(stationCode)} has no machine ${bench ?? ''}`);
      const there = rows
        .where(Cutter, 'stationCode', stationCode)
        .find((c) => c.kind === cutter.kind && c.bench === bench && c.id !== cutterId);
      if (there) return refuse(`${there.id} is on that machine: take it off first`, { field: 'cutterId' });
    }
    const payload = { cutterId, kind: cutter.kind, act, stationCode, bench, lifeMinutes, note: note.trim() };
    return { kind: 'accept', entries: [{ kind: 'cutter.logged', payload }] };
  },
});
