import { question } from '../ledger/index.ts';

/** A cutter that is on a machine, and how far its life has gone. */
export interface CutterNow {
  id: string;
  /** as programs call it: "6 mm two-flute" */
  kind: string;
  /** the place of the station that it is on */
  bench: number;
  /** since it was last sharp, by the programs that ran */
  usedS: number;
  lifeS: number;
  /** under what its minutes are counted until it is sharpened */
  useId: string;
}

/** The cutters that are on the machines of a station. */
export const CuttersAt = question<{ stationCode: string }, readonly CutterNow[]>('cutters at');

const MINUTE_S = 60;
export const minutesOf = (seconds: number): string => String(Math.round(seconds / MINUTE_S));

/** How far a cutter's life has gone: "6 mm two-flute K3: 41 of 60 min". */
export const cutterInWords = ({ id, kind, usedS, lifeS }: Pick<CutterNow, 'id' | 'kind' | 'usedS' | 'lifeS'>): string =>
  `${kind} ${id}: ${minutesOf(usedS)} of ${minutesOf(lifeS)} min`;
