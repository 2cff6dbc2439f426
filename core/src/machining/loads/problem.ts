/** What a machine is set up for. */
export interface MachineSetUp {
  /** a program with its revision, or a way without one */
  program: string;
  fixture: string;
  cutters: readonly string[];
}

/** A program as the planner sees it: what it takes to set a machine up for it from nothing, in minutes. */
export interface SetUpFor extends MachineSetUp {
  minutes: number;
}

/** How pieces can be worked on at one machine, or at a bench without one. */
export interface LoadWay {
  machineId: string;
  setUp: SetUpFor;
  piecesALoad: number;
  /** a full load, from laying it on to taking it off, in minutes */
  minutesALoad: number;
  /** another way than the step's own: taken only where that saves a date */
  isOther?: boolean;
}

/** Pieces that wait, and stay together. Times are minutes of work from now. */
export interface LoadItem {
  id: string;
  pieces: number;
  /** before then they are not there */
  readyMinute: number;
  /** off the machine by then, nobody is late; Infinity where nobody waits */
  dueMinute: number;
  ways: readonly LoadWay[];
}

/** A machine as it stands. */
export interface LoadMachine {
  id: string;
  /** when what is on it is done, in minutes of work from now */
  freeMinute: number;
  /** what it is set up for; null where nobody knows */
  left: MachineSetUp | null;
  /** what a person wants to go first, in this order */
  pinned: readonly string[];
}

export interface LoadProblem {
  items: readonly LoadItem[];
  machines: readonly LoadMachine[];
}

/** What is done at each machine, one after the other. */
export type LoadSequences = ReadonlyMap<string, readonly LoadItem[]>;

/**
 * Of the minutes that setting up takes from nothing, what each part of it is: what is there already need not be done. A
 * default of this house, to be compared with what is observed.
 */
export const SET_UP_SHARES = { program: 0.2, fixture: 0.5, cutters: 0.3 } as const;

/** How long changing a machine over takes, in minutes; nothing where it runs the same program already. */
export function changeoverMinutes(from: MachineSetUp | null, to: SetUpFor): number {
  if (from === null) return to.minutes;
  if (from.program === to.program) return 0;
  const fixture = from.fixture !== '' && from.fixture === to.fixture ? 0 : SET_UP_SHARES.fixture;
  const missing = to.cutters.filter((c) => !from.cutters.includes(c)).length;
  const cutters = to.cutters.length === 0 ? 0 : (SET_UP_SHARES.cutters * missing) / to.cutters.length;
  return to.minutes * (SET_UP_SHARES.program + fixture + cutters);
}

/** The way an item is worked on at a machine; undefined where it cannot be. */
export const wayAt = (item: LoadItem, machineId: string): LoadWay | undefined => item.ways.find((way) => way.machineId === machineId);
