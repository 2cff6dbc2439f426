import { rowKind } from '../ledger/index.ts';
import type { CutterMinutes, ProgramAsked, ProgramNow, RevisionState, RevisionToRun } from '../routing/index.ts';

/** Minutes of a load as it was planned, and of setting the machine up for it. */
export interface PlannedMinutes {
  setUp: number;
  /** laying the parts on, and fixing them */
  load: number;
  /** the spindle's own time */
  run: number;
  unload: number;
}

/** What was measured on the first piece that a revision cut, and by whom. */
export interface FirstPieceProof {
  /** the piece, as it is called */
  piece: string;
  measures: readonly { name: string; unit: string; value: number; low: number; high: number }[];
  note: string;
  atMs: number;
  personId: string | null;
}

/** A revision came to a state. */
export interface RevisionStep {
  state: RevisionState;
  atMs: number;
  personId: string | null;
  note: string;
}

/** A program as it was written at one time. */
export interface Revision {
  /** A, B, C… in the order in which they were drawn */
  name: string;
  state: RevisionState;
  /** what it is drawn for: what it changes */
  why: string;
  /** what the machine calls it */
  file: string;
  fixture: string;
  piecesALoad: number;
  cutters: readonly CutterMinutes[];
  planned: PlannedMinutes;
  /** every state it came to, from the first */
  steps: readonly RevisionStep[];
  proof: FirstPieceProof | null;
}

/** A program of a part: who is to write it, and what has been written. */
export interface Program {
  /** told by {@link programIdOf} */
  id: string;
  /** null where it serves every model */
  modelId: string | null;
  /** as steps call it */
  what: string;
  /** the side of the part that it cuts; empty where it has none */
  side: string;
  /** the choices it is for, each as {@link choiceKey}; none where it is for all */
  serves: readonly string[];
  ownerId: string | null;
  /** since when it has been asked for */
  askedMs: number;
  note: string;
  revisions: readonly Revision[];
  version: number;
}
export const Program = rowKind<Program>('program', { key: 'id', by: ['what'] });

export const choiceKey = (optionId: string, valueId: string): string => `${optionId}=${valueId}`;

export const programIdOf = ({ modelId, what, serves }: Pick<Program, 'modelId' | 'what' | 'serves'>): string =>
  [modelId ?? 'any', what, ...[...serves].sort()].join('/');

const LETTERS = 26;
const A = 65;

/** The name of a revision by how many came before it: A to Z, then AA. */
export function revisionName(before: number): string {
  const last = String.fromCharCode(A + (before % LETTERS));
  return before < LETTERS ? last : revisionName(Math.floor(before / LETTERS) - 1) + last;
}

/** What a revision may become next. Its first piece is proven by measuring it, and by nothing else. */
export const MAY_BECOME: Readonly<Record<RevisionState, readonly RevisionState[]>> = {
  drawn: ['checked', 'withdrawn'],
  checked: ['proven', 'withdrawn'],
  proven: ['released', 'withdrawn'],
  released: ['withdrawn'],
  withdrawn: [],
};

/** The revision that work runs; undefined where none is released. */
export const releasedOf = ({ revisions }: Pick<Program, 'revisions'>): Revision | undefined =>
  revisions.findLast((r) => r.state === 'released');

/** The latest revision that is not withdrawn. */
export const latestOf = ({ revisions }: Pick<Program, 'revisions'>): Revision | undefined =>
  revisions.findLast((r) => r.state !== 'withdrawn');

/** What a trial may run: what is checked on the screen at least, the newest of it. */
const toProve = ({ revisions }: Program) => revisions.findLast((r) => r.state !== 'withdrawn' && r.state !== 'drawn');

/** Whether a program is for the choices of an order: of each option that it names, one of the values it names. */
export function servesChoices({ serves }: Pick<Program, 'serves'>, choices: ProgramAsked['choices']): boolean {
  const options = new Set(serves.map((key) => key.slice(0, key.indexOf('='))));
  return [...options].every((id) => serves.includes(choiceKey(id, choices[id] ?? '')));
}

/** The program for a part: of the model before one for every model, for its choices before one for all, then what can run. */
export function programFor(programs: readonly Program[], { modelId, what, choices, trial }: ProgramAsked): ProgramNow | null {
  const rank = (p: Program) => [Number(p.modelId !== null), Number(p.serves.length > 0), Number(releasedOf(p) !== undefined)];
  const [program] = programs
    .filter((p) => p.what === what && (p.modelId === null || p.modelId === modelId) && servesChoices(p, choices))
    .sort((a, b) => compare(rank(b), rank(a)) || (a.id < b.id ? -1 : 1));
  if (!program) return null;
  const toRun = (trial ? toProve(program) : undefined) ?? releasedOf(program);
  const latest = latestOf(program) ?? program.revisions.at(-1);
  return {
    id: program.id,
    what,
    toRun: toRun ? runOf(toRun) : null,
    latest: latest ? { name: latest.name, state: latest.state } : null,
    ownerId: program.ownerId,
  };
}

const runOf = ({ name, state, file, fixture, piecesALoad, cutters }: Revision): RevisionToRun => ({
  name,
  state,
  file,
  fixture,
  piecesALoad,
  cutters,
});

const compare = (a: readonly number[], b: readonly number[]): number => a.map((n, i) => n - (b[i] ?? 0)).find((d) => d !== 0) ?? 0;

/** What a load of a revision is planned to take, in minutes. */
export const plannedLoadMinutes = ({ load, run, unload }: PlannedMinutes): number => load + run + unload;

/** What is being done about a program, in the order in which it is done. */
export const PROGRAM_STATES = ['asked', 'drawn', 'checked', 'proven', 'released'] as const;
export type ProgramState = (typeof PROGRAM_STATES)[number];

/** How far a program has come: released while work may run it, whatever is drawn beside. */
export function programState(program: Pick<Program, 'revisions'>): ProgramState {
  if (releasedOf(program)) return 'released';
  const latest = latestOf(program);
  return latest && latest.state !== 'withdrawn' ? latest.state : 'asked';
}
