import type { RouteOption } from './condition.ts';
import { COMPONENTS, type Component } from './stage.ts';
import type { Step } from './step.ts';

/** Steps that lead to one another, whatever else they say of themselves. */
export interface RouteOf<Kind extends Step> {
  id: string;
  modelId: string;
  version: number;
  operations: readonly Kind[];
  options?: readonly RouteOption[];
}

const indexes = new WeakMap<object, ReadonlyMap<string, Step>>();

/** @throws RangeError when the route has no such operation */
export function operationOf<Kind extends Step>(route: RouteOf<Kind>, operationId: string): Kind {
  const operation = indexOf(route).get(operationId);
  if (!operation) throw new RangeError(`Route ${route.id} has no operation "${operationId}"`);
  return operation;
}

function indexOf<Kind extends Step>(route: RouteOf<Kind>): ReadonlyMap<string, Kind> {
  // A route's index holds the steps of that route.
  const known = indexes.get(route) as ReadonlyMap<string, Kind> | undefined;
  if (known) return known;
  const index = new Map(route.operations.map((o) => [o.id, o]));
  indexes.set(route, index);
  return index;
}

/** Operations that lead to this one. */
export const before = <Kind extends Step>(route: RouteOf<Kind>, operationId: string): Kind[] =>
  route.operations.filter((o) => o.next.includes(operationId));

/** Where a batch of this component begins. @throws RangeError when the model has no such component */
export function firstOperation<Kind extends Step>(route: RouteOf<Kind>, component: Component): Kind {
  const first = route.operations.find((o) => o.component === component && isStart(route, o));
  if (!first) throw new RangeError(`Route ${route.id} starts no ${component}`);
  return first;
}

/** The components that this model's route starts apart. */
export const startedComponents = (route: RouteOf<Step>): Component[] =>
  COMPONENTS.filter((c) => route.operations.some((o) => o.component === c && isStart(route, o)));

/** Whether batches are started here: nothing leads to it. */
export const isStart = (route: RouteOf<Step>, operation: Step): boolean => !route.operations.some((o) => o.next.includes(operation.id));

/** The step a batch of a component goes on to; after taking apart it depends on the component. */
export function onward(route: RouteOf<Step>, operation: Step, component: Component = operation.component): string | undefined {
  if (operation.kind !== 'part') return operation.next[0];
  return operation.next.find((id) => operationOf(route, id).component === component);
}

/** The operations from one onwards, in order, each once, following the first way on. */
export function pathFrom<Kind extends Step>(route: RouteOf<Kind>, operationId: string): Kind[] {
  const path: Kind[] = [];
  const seen = new Set<string>();
  let id: string | undefined = operationId;
  while (id !== undefined && !seen.has(id)) {
    seen.add(id);
    const operation: Kind = operationOf(route, id);
    path.push(operation);
    id = operation.next[0];
  }
  return path;
}

/** Which visit to its station a step is, and of how many: "second of three at the booth". */
export function stationPass(route: RouteOf<Step>, operation: Step): { nth: number; of: number } {
  const here = pathThrough(route, operation).filter((o) => o.stationCode === operation.stationCode && o.component === operation.component);
  return { nth: here.findIndex((o) => o.id === operation.id) + 1, of: here.length };
}

/** The stream a step is part of, from its start to its end. */
function pathThrough(route: RouteOf<Step>, operation: Step): Step[] {
  let first = operation;
  const seen = new Set([first.id]);
  for (;;) {
    const [earlier] = before(route, first.id).filter((o) => o.component === operation.component && !seen.has(o.id));
    if (!earlier) return pathFrom(route, first.id);
    seen.add(earlier.id);
    first = earlier;
  }
}
