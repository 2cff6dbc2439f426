import type { CarrierKind } from '../carriers/index.ts';
import type { Condition } from './condition.ts';
import type { Rule } from './rules/index.ts';
import type { Component, Stage } from './stage.ts';

/** Hazards whose usual cautions are shown where the work is logged. */
export const CAUTION_KINDS = ['cutting', 'dust', 'spraying', 'rags', 'buffing', 'hot', 'solvents', 'thermal'] as const;
export type CautionKind = (typeof CAUTION_KINDS)[number];

/** A dimension or set-up measure and its band. */
export interface Characteristic {
  id: string;
  name: string;
  unit: string;
  low: number;
  target: number;
  high: number;
}

export interface CoatPlan {
  materialId: string;
  /** share of the wet film that stays */
  volumeSolids: number;
  coats: number;
  wetUm: number;
  flashMinutes: number;
  recoatMaxMinutes: number;
}

export const OPERATION_KINDS = ['work', 'dwell', 'join', 'fit', 'part', 'refit', 'outside', 'transfer', 'buffer', 'dispatch'] as const;
/**
 * work: done by a person · dwell: only waits · join: other components become part of this one · fit: a body and its neck
 * become an instrument · part: an instrument is taken apart, its pair staying bound · refit: a bound pair comes together
 * again · outside: sent to another house · transfer: on its way to another building · buffer: kept until a build calls ·
 * dispatch: ends the route
 */
export type OperationKind = (typeof OPERATION_KINDS)[number];

/** At which level a person holds a skill, where nothing else is said. 1 learns it, 2 does it alone, 3 teaches it. */
export const USUAL_LEVEL = 2;

/** One way to do a step: where, by whom, how fast. */
export interface Way {
  id: string;
  name: string;
  stationCode: string;
  skill?: string;
  skillLevel?: number;
  setupMinutes: number;
  minutesPerPiece: number;
  cautions?: readonly CautionKind[];
}

/** A stretch of steps done more than once: after this step the batch goes back, until it has been round often enough. */
export type Repeat =
  | { kind: 'count'; backTo: string; times: number; timesByOption?: { option: string; times: Readonly<Record<string, number>> } }
  | { kind: 'until accepted'; backTo: string; maximum: number; expected: number };

/** Places of a carrier that each piece needs while it is at a step. */
export interface PlaceNeed {
  kind: CarrierKind;
  /** only carriers made for this model's outline */
  outline?: boolean;
}

export const PREREQUISITE_KINDS = ['program', 'fixture', 'sample', 'kit'] as const;
/** Something that must exist before a step is begun: a released revision, a proven fixture, an accepted sample, a kit. */
export interface Prerequisite {
  kind: (typeof PREREQUISITE_KINDS)[number];
  what: string;
}

/** Small parts taken from those made ahead. */
export interface Draw {
  /** the model the small parts are made as */
  modelId: string;
  perPiece: number;
}

export interface Operation {
  id: string;
  name: string;
  stage: Stage;
  component: Component;
  kind: OperationKind;
  stationCode: string;
  skill?: string;
  /** the least level asked for; 1 when left out */
  skillLevel?: number;
  setupMinutes: number;
  minutesPerPiece: number;
  /** rules that must pass before the batch may leave */
  gate: readonly Rule[];
  /** the steps it leads to: one, but after taking apart one for each component */
  next: readonly string[];
  coat?: CoatPlan;
  characteristics?: readonly Characteristic[];
  cautions?: readonly CautionKind[];
  /** what the step's own way is called, when there are others */
  wayName?: string;
  /** other ways to the same end */
  ways?: readonly Way[];
  /** the step is part of the route only where this holds */
  when?: Condition;
  repeat?: Repeat;
  place?: PlaceNeed;
  /** goes straight into the next step's place: not begun unless one is free for every piece */
  noWait?: boolean;
  needs?: readonly Prerequisite[];
  draws?: readonly Draw[];
  /** the grit a piece is sanded to when the step is done */
  grit?: number;
  /** whoever takes the batch over here says so before beginning */
  handOver?: boolean;
  /** joins only pieces cut from one block */
  matchedSet?: boolean;
  /** how long it is usually away, working days, for an outside step or a transfer */
  awayDays?: number;
}

/** The step's own way and the others, in order. */
export const waysOf = (operation: Operation): readonly Way[] => [ownWay(operation), ...(operation.ways ?? [])];

export const OWN_WAY = 'own';

function ownWay(operation: Operation): Way {
  const { stationCode, skill, skillLevel, setupMinutes, minutesPerPiece, cautions } = operation;
  return {
    id: OWN_WAY,
    name: operation.wayName ?? operation.name,
    stationCode,
    setupMinutes,
    minutesPerPiece,
    ...(skill === undefined ? {} : { skill }),
    ...(skillLevel === undefined ? {} : { skillLevel }),
    ...(cautions === undefined ? {} : { cautions }),
  };
}
