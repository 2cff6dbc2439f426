import type { Operation } from './operation.ts';
import type { RouteOption } from './condition.ts';
import { COMPONENTS, type Component } from './stage.ts';

/** A versioned, directed acyclic graph of operations whose branches merge, part and merge again. */
export interface Route {
  id: string;
  modelId: string;
  version: number;
  operations: readonly Operation[];
  options?: readonly RouteOption[];
}

const indexes = new WeakMap<Route, ReadonlyMap<string, Operation>>();

/** @throws RangeError when the route has no such operation */
export function operationOf(route: Route, operationId: string): Operation {
  const operation = indexOf(route).get(operationId);
  if (!operation) throw new RangeError(`Route ${route.id} has no operation "${operationId}"`);
  return operation;
}

function indexOf(route: Route): ReadonlyMap<string, Operation> {
  const known = indexes.get(route);
  if (known) return known;
  const index = new Map(route.operations.map((o) => [o.id, o]));
  indexes.set(route, index);
  return index;
}

/** Operations that lead to this one. */
export const before = (route: Route, operationId: string): Operation[] => route.operations.filter((o) => o.next.includes(operationId));

/** Where a batch of this component begins. @throws RangeError when the model has no such component */
export function firstOperation(route: Route, component: Component): Operation {
  const first = route.operations.find((o) => o.component === component && isStart(route, o));
  if (!first) throw new RangeError(`Route ${route.id} starts no ${component}`);
  return first;
}

/** The components that this model's route starts apart. */
export const startedComponents = (route: Route): Component[] =>
  COMPONENTS.filter((c) => route.operations.some((o) => o.component === c && isStart(route, o)));

/** Whether batches are started here: nothing leads to it. */
export const isStart = (route: Route, operation: Operation): boolean => !route.operations.some((o) => o.next.includes(operation.id));

/** The step a batch of a component goes on to; after taking apart it depends on the component. */
export function onward(route: Route, operation: Operation, component: Component = operation.component): string | undefined {
  if (operation.kind !== 'part') return operation.next[0];
  return operation.next.find((id) => operationOf(route, id).component === component);
}

/** The operations from one onwards, in order, each once, following the first way on. */
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

/** The steps of a loop, from where it goes back to, to the step it ends at. */
export function stepsOfLoop(route: Route, last: Operation): Operation[] {
  if (!last.repeat) return [];
  const path = pathFrom(route, last.repeat.backTo);
  const end = path.findIndex((o) => o.id === last.id);
  return end < 0 ? [] : path.slice(0, end + 1);
}

/** Which visit to its station a step is, and of how many: "second of three at the booth". */
export function stationPass(route: Route, operation: Operation): { nth: number; of: number } {
  const here = pathThrough(route, operation).filter((o) => o.stationCode === operation.stationCode && o.component === operation.component);
  return { nth: here.findIndex((o) => o.id === operation.id) + 1, of: here.length };
}

/** The stream a step is part of, from its start to its end. */
function pathThrough(route: Route, operation: Operation): Operation[] {
  let first = operation;
  const seen = new Set([first.id]);
  for (;;) {
    const [earlier] = before(route, first.id).filter((o) => o.component === operation.component && !seen.has(o.id));
    if (!earlier) return pathFrom(route, first.id);
    seen.add(earlier.id);
    first = earlier;
  }
}
