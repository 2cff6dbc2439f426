import { EACH_PLACE, TOGETHER } from './ceiling.ts';

/** What presses has a timer for each of its places, or is closed over all of them and opened once. */
export const RIG_CYCLES = [EACH_PLACE, TOGETHER] as const;
export type RigCycle = (typeof RIG_CYCLES)[number];

/** A carrier that presses what is in it: a clamp rack, a press, a table with hoses or vacuum. */
export interface RigOf {
  /** where it stands, and who tends it */
  stationCode: string;
  cycle: RigCycle;
  /** how long one person takes to empty and fill a place (a timer for each), or all of it (together), in minutes */
  handsMinutes: number;
}
