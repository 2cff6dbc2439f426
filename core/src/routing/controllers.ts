import type { MachineTold } from '../devices/index.ts';
import { question } from '../ledger/index.ts';

/** What the controller of a machine told last, while it speaks. */
export interface ControllerNow extends Omit<MachineTold, 'cutters'> {
  deviceId: string;
  /** the place of the station that the machine is */
  bench: number;
  atMs: number;
}

/** The controllers of a station's machines that speak now; one that is silent is not among them. */
export const ControllersAt = question<{ stationCode: string }, readonly ControllerNow[]>('controllers at');

const named = (file: string) => file.trim().toLowerCase();

/**
 * What a machine's own controller says against running a revision on it; null where nothing does, or where nobody wrote down
 * what the machine calls the revision.
 *
 * @param revision to be run
 */
export function controllerObjection(
  { state, program }: Pick<ControllerNow, 'state' | 'program'>,
  revision: { name: string; file: string },
): { sentence: string; remedy: string } | null {
  if (state === 'fault') return { sentence: 'The machine itself tells a fault', remedy: 'Clear it at the machine, by its papers' };
  if (revision.file.trim() === '') return null;
  if (program !== null && named(program) === named(revision.file)) return null;
  const loaded = program === null ? 'has no program loaded' : `has ${program} loaded`;
  return {
    sentence: `The machine itself tells that it ${loaded}; revision ${revision.name} is ${revision.file.trim()}`,
    remedy: `Load ${revision.file.trim()} before anything is cut`,
  };
}
