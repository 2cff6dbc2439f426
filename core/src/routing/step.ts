import type { Rule } from './rules/index.ts';
import type { Component, Stage } from './stage.ts';

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

/** What every step says; the rest are its aspects. */
export interface Step {
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
  /** what the step's own way is called, when there are others */
  wayName?: string;
  /** rules that must pass before the batch may leave */
  gate: readonly Rule[];
  /** the steps it leads to: one, but after taking apart one for each component */
  next: readonly string[];
}

const FINISHED: readonly OperationKind[] = ['work', 'join', 'fit', 'part', 'refit', 'outside', 'transfer'];

/** Whether somebody says of it that it is done, and counts. The rest only waits, or ends the route. */
export const isFinished = ({ kind }: Pick<Step, 'kind'>): boolean => FINISHED.includes(kind);
