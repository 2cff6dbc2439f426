import type { Interval, WorkingTime } from '../maths/index.ts';
import type { Component } from '../routing/index.ts';
import { always, type Chance } from './chance.ts';
import type { Policy } from './line.ts';

/** One step of a model of the floor. Stations, skills and steps are named by their place in the model. */
export interface ModelStep {
  id: string;
  /** where it is done; null where it only takes time */
  station: number | null;
  /** what whoever does it must be able to; null: anyone can */
  skill: number | null;
  level: number;
  setupMs: number;
  pieceMs: number;
  /** however few the pieces: coats flash off one after the other */
  leastMs: number;
  /** clock time from when it is done, or come to, until it may be left */
  waitMs: number;
  /** whether what must be done again goes back alone while the rest goes on */
  reworkAlone: boolean;
  /** what meets here to become one, the first of them the host; empty where nothing does */
  meets: readonly Component[];
  /** where it goes on, for each that comes out; none leaves the floor */
  next: readonly { step: number; as: Component }[];
  /** back from here, so often in all; drawn where that is not known before */
  loop: { backTo: number; rounds: Chance } | null;
}

/** A step that is done at once and leads nowhere; what it is beside that is said of it. */
export const modelStep = (id: string, step: Partial<ModelStep> = {}): ModelStep => ({
  id,
  station: null,
  skill: null,
  level: 0,
  setupMs: 0,
  pieceMs: 0,
  leastMs: 0,
  waitMs: 0,
  reworkAlone: false,
  meets: [],
  next: [],
  loop: null,
  ...step,
});

export interface ModelStation {
  code: string;
  /** how much can be worked on at once */
  places: number;
}

export interface ModelPerson {
  id: string;
  /** the level held of each skill of the model; 0 where not held */
  levels: readonly number[];
  away: readonly Interval[];
}

/** How things turn out. */
export interface Chances {
  /** actual ÷ planned time of one piece of work */
  touch: Chance;
  /** of each piece that is worked on, that it must be done again, or is lost */
  rework: number;
  scrap: number;
}

export const NO_SURPRISES: Chances = { touch: always(1), rework: 0, scrap: 0 };

/** A floor as far as time is concerned: what is done where, by whom, when. The simplest has one step and one station. */
export interface FloorModel {
  steps: readonly ModelStep[];
  stations: readonly ModelStation[];
  /** null where there is always somebody */
  people: readonly ModelPerson[] | null;
  /** when work is done; null: round the clock */
  time: WorkingTime | null;
  chances: Chances;
  policy: Policy<Unit>;
}

/** Pieces that go together through a model: a batch, as light as can be. */
export interface Unit {
  /** the step it is at */
  step: number;
  pieces: number;
  component: Component;
  /** what it can meet: others of the same */
  group: string;
  orderId: string | null;
  dueMs: number;
  /** when it came to the step */
  cameMs: number;
  /** of the work before it, what is left; null where it has not been begun */
  leftMs: number | null;
  /** pieces that are done again; null where all are done */
  again: number | null;
  /** rounds still to go of the loop it is in, by the step that ends it */
  rounds: Map<number, number> | null;
}

export const FIRST_COME: Policy<Unit> = (a, b) => a.cameMs - b.cameMs;
export const EARLIEST_DUE: Policy<Unit> = (a, b) => a.dueMs - b.dueMs || a.cameMs - b.cameMs;

/** A unit that has just come to be. */
export const newUnit = (unit: Pick<Unit, 'step' | 'pieces'> & Partial<Unit>): Unit => ({
  component: 'body',
  group: '',
  orderId: null,
  dueMs: Infinity,
  cameMs: 0,
  leftMs: null,
  again: null,
  rounds: null,
  ...unit,
});
