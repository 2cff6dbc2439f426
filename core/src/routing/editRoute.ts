import type { Operation, Route } from './operation.ts';
import { before, operationOf } from './graph.ts';
import type { Component } from './stage.ts';

/** What a new step is, before anything else is said of it. */
export type StepSeed = Pick<Operation, 'name' | 'kind' | 'stage' | 'stationCode'> & Partial<Operation>;

const withSteps = (route: Route, operations: readonly Operation[]): Route => ({ ...route, operations });

const relinked = (route: Route, relink: (step: Operation) => readonly string[]): Operation[] =>
  route.operations.map((o) => ({ ...o, next: relink(o) }));

/** An id for a step that no other has, made from its name. */
export const freeId = (route: Route, name: string): string =>
  freeKey(
    name,
    route.operations.map((o) => o.id),
  );

/** A key made of a name that none of those has. */
export function freeKey(name: string, others: readonly string[]): string {
  const base =
    name
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '') || 'step';
  const taken = new Set(others);
  if (!taken.has(base)) return base;
  let n = 2;
  while (taken.has(`${base}-${n}`)) n++;
  return `${base}-${n}`;
}

const newStep = (route: Route, seed: StepSeed, component: Component, next: readonly string[]): Operation => ({
  setupMinutes: 0,
  minutesPerPiece: 0,
  gate: [],
  ...seed,
  id: freeId(route, seed.name),
  component,
  next,
});

/** Puts a step after another, in its stream. @returns the route and the new step's id */
export function insertAfter(route: Route, afterId: string, seed: StepSeed): { route: Route; id: string } {
  const after = operationOf(route, afterId);
  const step = newStep(route, seed, after.component, after.kind === 'part' ? after.next.slice(0, 1) : after.next);
  // After taking apart, the new step belongs to the stream it is put in front of.
  const [first] = after.next;
  if (after.kind === 'part' && first !== undefined) {
    const placed = { ...step, component: operationOf(route, first).component };
    return { route: placedAfter(route, afterId, placed, (next) => next.map((id) => (id === first ? placed.id : id))), id: placed.id };
  }
  return { route: placedAfter(route, afterId, step, () => [step.id]), id: step.id };
}

function placedAfter(route: Route, afterId: string, step: Operation, relink: (next: readonly string[]) => readonly string[]): Route {
  const operations = relinked(route, (o) => (o.id === afterId ? relink(o.next) : o.next));
  const at = operations.findIndex((o) => o.id === afterId) + 1;
  return withSteps(route, [...operations.slice(0, at), step, ...operations.slice(at)]);
}

/** Puts a step before another, in the same stream; what led there from that stream leads to the new step. */
export function insertBefore(route: Route, beforeId: string, seed: StepSeed): { route: Route; id: string } {
  const following = operationOf(route, beforeId);
  const step = newStep(route, seed, following.component, [beforeId]);
  const operations = relinked(route, (o) =>
    o.component === following.component || o.kind === 'part' ? o.next.map((id) => (id === beforeId ? step.id : id)) : o.next,
  );
  const at = operations.findIndex((o) => o.id === beforeId);
  return { route: withSteps(route, [...operations.slice(0, at), step, ...operations.slice(at)]), id: step.id };
}

/** Begins the stream of a component that leads into a joining or a fitting. @returns the route and its first step's id */
export function addStream(route: Route, component: Component, intoId: string, seed: StepSeed): { route: Route; id: string } {
  const step = newStep(route, seed, component, [intoId]);
  const at = route.operations.findIndex((o) => o.id === intoId);
  return { route: withSteps(route, [...route.operations.slice(0, at), step, ...route.operations.slice(at)]), id: step.id };
}

/** Takes a step out; what led to it leads on to what it led to, and loops that began at it begin after it. */
export function removeStep(route: Route, id: string): Route {
  const step = operationOf(route, id);
  const operations = relinked(route, (o) => [...new Set(o.next.flatMap((next) => (next === id ? step.next : [next])))])
    .filter((o) => o.id !== id)
    .map((o) => {
      if (o.repeat?.backTo !== id) return o;
      const [onward] = step.next;
      const { repeat, ...rest } = o;
      return onward === undefined || id === o.id ? rest : { ...rest, repeat: { ...repeat, backTo: onward } };
    });
  return withSteps(route, operations);
}

/** Swaps a step with the one after it in its stream; nothing where that is the end of the stream. */
export function moveLater(route: Route, id: string): Route {
  const step = operationOf(route, id);
  const [nextId] = step.next;
  const next = nextId === undefined ? undefined : operationOf(route, nextId);
  const crosses = !next || next.component !== step.component || [step, next].some((o) => o.kind === 'part' || o.next.length > 1);
  // A joining keeps what comes in from other streams: it is not passed.
  if (crosses || before(route, next.id).length > 1 || before(route, step.id).length > 1) return route;
  return withSteps(
    route,
    relinked(route, (o) => {
      if (o.id === id) return next.next;
      if (o.id === next.id) return [id];
      return o.next.map((n) => (n === id ? next.id : n));
    }),
  );
}

/** Swaps a step with the one before it in its stream. */
export function moveEarlier(route: Route, id: string): Route {
  const [earlier] = before(route, id);
  return earlier && earlier.component === operationOf(route, id).component ? moveLater(route, earlier.id) : route;
}

/** Changes what a step says of itself; `undefined` takes a property away. */
export function changeStep(route: Route, id: string, change: { [K in keyof Operation]?: Operation[K] | undefined }): Route {
  return withSteps(
    route,
    route.operations.map((o) => {
      if (o.id !== id) return o;
      const entries = Object.entries({ ...o, ...change }).filter(([, value]) => value !== undefined);
      // Only optional properties are ever taken away.
      return Object.fromEntries(entries) as unknown as Operation;
    }),
  );
}

/** The least a route can be: one body that is given a serial and shipped. */
export function simplestRoute(route: Pick<Route, 'id' | 'modelId' | 'version'>, seeds: Record<'body' | 'fit' | 'ship', StepSeed>): Route {
  const empty: Route = { ...route, operations: [] };
  const ship = newStep(empty, seeds.ship, 'instrument', []);
  const fit = newStep(withSteps(empty, [ship]), seeds.fit, 'instrument', [ship.id]);
  return addStream(withSteps(empty, [fit, ship]), 'body', fit.id, seeds.body).route;
}
