import { partOf, rowKind, type Part } from '../ledger/index.ts';

/** What ran on a machine for the pieces of a batch, in one pass through a step. */
export interface Run {
  programId: string;
  /** the program as steps call it */
  what: string;
  revision: string;
  fixture: string;
  /** how many pieces it was begun for */
  pieces: number;
  piecesALoad: number;
  /** the machine by {@link machineIdOf}; null where nobody said which */
  machineId: string | null;
  /** the cutters that were on it, under what their minutes are counted, and how long each cuts in a load */
  cutters: readonly { cutterId: string; useId: string; secondsALoad: number }[];
  /** how long setting it up took, in minutes; null where nobody said */
  setUpMinutes: number | null;
  /** how long whoever began it said that a load would take, in minutes; null where nobody said */
  quotedMinutes: number | null;
  /** false where pieces parted midway: what is left tells nothing of how long a load takes */
  timed: boolean;
  /** how long it was worked on, once it is done */
  workedMs: number | null;
}

/** One of the places of a station, counted from 1. */
export const machineIdOf = (stationCode: string, bench: number): string => `${stationCode}#${bench}`;

/** Which place of its station a machine is. */
export const benchFrom = (stationCode: string, machineId: string): number => Number(machineId.slice(stationCode.length + 1));

/** What was left on a machine, as somebody last said it at the start of a load. */
export interface Machine {
  /** told by {@link machineIdOf} */
  id: string;
  stationCode: string;
  bench: number;
  modelId: string;
  programId: string;
  what: string;
  revision: string;
  fixture: string;
  /** what was ticked */
  ticks: readonly string[];
  batchId: string;
  personId: string;
  atMs: number;
}
export const Machine = rowKind<Machine>('machine', { key: 'id', by: ['stationCode'] });

/** load: a full one, from its beginning to its end · set-up: of a machine · quoted: a load, as whoever began it expected */
export type Timed = 'load' | 'set-up' | 'quoted';

/** In how many batches a full load of a revision took about so long at a station. */
export interface RunTimes {
  id: string;
  programId: string;
  revision: string;
  stationCode: string;
  timed: Timed;
  /** {@link minutesOfClass} tells which minutes these are */
  minutesClass: number;
  count: number;
}
export const RunTimes = rowKind<RunTimes>('run times', { key: 'id', sums: ['count'] });

/** Seconds that a cutter has cut since it was last sharp. */
export interface CutterUse {
  id: string;
  seconds: number;
}
export const CutterUse = rowKind<CutterUse>('cutter use', { key: 'id', sums: ['seconds'] });

/** Minutes are told apart by so much: a median of classes is off by half of it at most. */
const CLASS_RATIO = 1.02;
const SHORTEST_MINUTES = 0.05;

export const classOfMinutes = (minutes: number): number =>
  Math.round(Math.log(Math.max(minutes, SHORTEST_MINUTES) / SHORTEST_MINUTES) / Math.log(CLASS_RATIO));
/** The middle of a class. */
export const minutesOfClass = (minutesClass: number): number => SHORTEST_MINUTES * CLASS_RATIO ** minutesClass;

/** How many loads a machine takes for so many pieces. */
export const loadsFor = (pieces: number, { piecesALoad }: Pick<Run, 'piecesALoad'>): number => Math.ceil(pieces / piecesALoad);

interface Ran {
  stationCode: string;
  redo: boolean;
  /** null where it is not counted: trials */
  loadS: number | null;
  run: Run | null;
}

const MINUTE_MS = 60_000;

/** What ran in a visit that is done now. */
export const runDone = ({ run, touchMs }: { run: Run | null; touchMs: number }): Run | null => run && { ...run, workedMs: touchMs };

/** What a pass that is done tells of its program and its cutters. Cutters wear with whatever is cut; times are of usual work. */
export function partsOfRun({ stationCode, redo, loadS, run }: Ran): Part[] {
  if (run === null || run.workedMs === null) return [];
  // A load that is not full cuts, and takes, as many pieces as are in it.
  const full = run.pieces / run.piecesALoad;
  const worn = run.cutters.map(({ useId, secondsALoad }) => partOf(CutterUse, { id: useId, seconds: Math.round(secondsALoad * full) }));
  if (redo || loadS === null || !run.timed) return worn;
  const { programId, revision, setUpMinutes, quotedMinutes } = run;
  const took = (timed: Timed, minutes: number | null): Part[] => {
    if (minutes === null || minutes <= 0) return [];
    const minutesClass = classOfMinutes(minutes);
    const id = JSON.stringify([programId, revision, stationCode, timed, minutesClass]);
    return [partOf(RunTimes, { id, programId, revision, stationCode, timed, minutesClass, count: 1 })];
  };
  return [
    ...worn,
    ...took('load', (run.workedMs / MINUTE_MS - (setUpMinutes ?? 0)) / full),
    ...took('set-up', setUpMinutes),
    ...took('quoted', quotedMinutes),
  ];
}
