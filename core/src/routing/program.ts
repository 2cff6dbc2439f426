import { NOT_ANSWERED, question, type NotAnswered } from '../ledger/index.ts';
import { withDefaults, type RouteFacts, type RouteOption } from './condition.ts';

/** How far a revision of a program has come. */
export const REVISION_STATES = ['drawn', 'checked', 'proven', 'released', 'withdrawn'] as const;
/** drawn: written · checked: run on the screen · proven: its first piece was measured · released: for work · withdrawn: for nothing */
export type RevisionState = (typeof REVISION_STATES)[number];

/** Minutes that one kind of cutter cuts in a load. */
export interface CutterMinutes {
  cutter: string;
  minutes: number;
}

/** The revision of a program that work would run. */
export interface RevisionToRun {
  name: string;
  state: RevisionState;
  /** what the machine calls it; empty where nobody wrote it down */
  file: string;
  fixture: string;
  piecesALoad: number;
  cutters: readonly CutterMinutes[];
}

/** The program that a batch's step asks for, as it stands. */
export interface ProgramNow {
  id: string;
  what: string;
  /** what work on it would run; null where nothing may run yet */
  toRun: RevisionToRun | null;
  /** the latest revision, one that is not withdrawn before one that is; null where nothing has been drawn */
  latest: Pick<RevisionToRun, 'name' | 'state'> | null;
  /** who is to write it */
  ownerId: string | null;
}

/** What a program is asked for: the choices of an order may have one of their own. */
export interface ProgramAsked {
  modelId: string;
  what: string;
  choices: Readonly<Record<string, string>>;
  /** a trial may run what is checked on the screen, to prove it */
  trial: boolean;
}

/** The program for a part; null when there is none on record. */
export const ProgramFor = question<ProgramAsked, ProgramNow | null>('program for');

/** What is asked for a batch: where its order chose nothing, the usual. */
export const programAsked = (
  what: string,
  { modelId, facts, workClass }: { modelId: string; facts: RouteFacts; workClass: string },
  options: readonly RouteOption[],
): ProgramAsked => ({ modelId, what, choices: withDefaults(options, facts.choices), trial: workClass === 'trial' });

/** Why a program cannot be run; null when it can. */
export function programMissing(what: string, program: ProgramNow | null | NotAnswered): string | null {
  if (program === NOT_ANSWERED) return `Nobody could say whether the program "${what}" is released`;
  if (program === null) return `There is no program "${what}" on record`;
  if (program.toRun !== null) return null;
  if (program.latest === null) return `The program "${what}" is asked for, and not drawn yet`;
  return `The program "${what}", revision ${program.latest.name}, is ${program.latest.state}, not released`;
}
