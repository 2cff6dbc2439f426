import type { Rule } from './rules.ts';

/** The rooms of the building, in walking order. */
export const STAGES = [
  'woodRoom',
  'roughMill',
  'machining',
  'necks',
  'bodies',
  'fitting',
  'finishing',
  'assembly',
  'finalRest',
  'dispatch',
] as const;
export type Stage = (typeof STAGES)[number];

export const STAGE_NAMES: Readonly<Record<Stage, string>> = {
  woodRoom: 'Wood room',
  roughMill: 'Rough mill',
  machining: 'Machining',
  necks: 'Necks',
  bodies: 'Bodies',
  fitting: 'Fitting',
  finishing: 'Finishing',
  assembly: 'Assembly',
  finalRest: 'Final rest',
  dispatch: 'Dispatch',
};

export const COMPONENTS = ['body', 'neck', 'instrument'] as const;
/** The streams that meet at fitting. */
export type Component = (typeof COMPONENTS)[number];

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

export interface Operation {
  id: string;
  name: string;
  stage: Stage;
  component: Component;
  /** work is done by a person; a dwell only waits; fit joins streams; dispatch ends the route */
  kind: 'work' | 'dwell' | 'fit' | 'dispatch';
  stationCode: string;
  skill?: string;
  setupMinutes: number;
  minutesPerPiece: number;
  /** rules that must pass before the batch may leave */
  gate: readonly Rule[];
  next: readonly string[];
  coat?: CoatPlan;
  characteristics?: readonly Characteristic[];
  cautions?: readonly CautionKind[];
}

/** A versioned, directed acyclic graph of operations whose branches merge at fitting. */
export interface Route {
  id: string;
  modelId: string;
  version: number;
  operations: readonly Operation[];
}

export interface RouteProblem {
  operationId: string | null;
  message: string;
}

/** @throws RangeError when the route has no such operation */
export function operationOf(route: Route, operationId: string): Operation {
  const operation = route.operations.find((o) => o.id === operationId);
  if (!operation) throw new RangeError(`Route ${route.id} has no operation "${operationId}"`);
  return operation;
}

/** Operations that lead to this one. */
export const before = (route: Route, operationId: string): Operation[] => route.operations.filter((o) => o.next.includes(operationId));

/** Where a batch of this component begins. @throws RangeError when the model has no such component */
export function firstOperation(route: Route, component: Component): Operation {
  const first = route.operations.find((o) => o.component === component && before(route, o.id).length === 0);
  if (!first) throw new RangeError(`Route ${route.id} starts no ${component}`);
  return first;
}

/** The components that this model's route starts apart. */
export const startedComponents = (route: Route): Component[] =>
  COMPONENTS.filter((c) => route.operations.some((o) => o.component === c && before(route, o.id).length === 0));

/** The operations from one onwards, in order, following the first way on. */
export function pathFrom(route: Route, operationId: string): Operation[] {
  const path: Operation[] = [];
  const seen = new Set<string>();
  let id: string | undefined = operationId;
  while (id !== undefined && !seen.has(id)) {
    seen.add(id);
    const operation = operationOf(route, id);
    path.push(operation);
    id = operation.next[0];
  }
  return path;
}

/**
 * What is wrong with a route, each message naming its step; empty when it can be run.
 */
export function checkRoute(route: Route): RouteProblem[] {
  const problems: RouteProblem[] = [];
  const say = (operationId: string | null, message: string) => problems.push({ operationId, message });
  const byId = new Map<string, Operation>();
  for (const o of route.operations) {
    if (byId.has(o.id)) say(o.id, `Two steps are called "${o.id}"`);
    byId.set(o.id, o);
  }
  for (const o of route.operations) {
    for (const id of o.next) {
      const next = byId.get(id);
      if (!next) say(o.id, `"${o.name}" leads to "${id}", which does not exist`);
      else if (next.component !== o.component && next.kind !== 'fit')
        say(o.id, `"${o.name}" (${o.component}) leads to "${next.name}" (${next.component}) without a fitting`);
    }
    if (o.next.length === 0 && o.kind !== 'dispatch') say(o.id, `"${o.name}" leads nowhere`);
    if (o.kind === 'dwell' && o.gate.length === 0) say(o.id, `"${o.name}" waits for nothing: a wait needs a rule`);
    const inbound = before(route, o.id);
    if (o.kind !== 'fit' && inbound.length > 1) say(o.id, `Branches merge at "${o.name}", which is not a fitting`);
    if (o.kind === 'fit') {
      if (o.component !== 'instrument') say(o.id, `"${o.name}" fits instruments, so it belongs to their stream`);
      if (!inbound.some((b) => b.component === 'body')) say(o.id, `No body ever reaches "${o.name}"`);
      if (inbound.filter((b) => b.component === 'body').length > 1) say(o.id, `Two body branches reach "${o.name}"`);
    }
  }
  const onPath = new Set<string>();
  const finished = new Set<string>();
  const walk = (o: Operation): void => {
    if (onPath.has(o.id)) {
      say(o.id, `"${o.name}" leads back to itself`);
      return;
    }
    if (finished.has(o.id)) return;
    onPath.add(o.id);
    for (const id of o.next) {
      const next = byId.get(id);
      if (next) walk(next);
    }
    onPath.delete(o.id);
    finished.add(o.id);
  };
  const starts = route.operations.filter((o) => before(route, o.id).length === 0);
  if (starts.length === 0) say(null, 'The route has no first step');
  starts.forEach(walk);
  for (const o of route.operations) {
    if (!finished.has(o.id)) say(o.id, `"${o.name}" can never be reached`);
  }
  if (starts.some((o) => o.kind === 'fit' || o.component === 'instrument')) say(null, 'An instrument cannot start before its parts');
  return problems;
}
