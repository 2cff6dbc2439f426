import { withDefaults, optionsIn, type RouteFacts } from './condition.ts';
import { firstOperation, pathFrom, startedComponents } from './graph.ts';
import type { Route } from './operation.ts';
import type { Component } from './stage.ts';

/**
 * Whether a part that was made for one order can be used for another of the same model: it went through the same steps,
 * and it and what was joined into it is of the same wood. What the rest of the instrument is like does not matter.
 *
 * @param route as authored, with what can be chosen
 */
export function servesAs(route: Route, component: Component, made: RouteFacts, wanted: RouteFacts): boolean {
  const options = route.options ?? [];
  const [was, is] = [withDefaults(options, made.choices), withDefaults(options, wanted.choices)];
  return (
    optionsOf(route, component).every((id) => was[id] === is[id]) &&
    joinedInto(route, component).every((part) => made.species[part] === undefined || made.species[part] === wanted.species[part])
  );
}

/** The options that the steps of a component look at, its fittings left out. */
function optionsOf({ operations }: Route, component: Component): string[] {
  return operations
    .filter((o) => o.component === component)
    .flatMap(({ when, repeat }) => [
      ...(when ? optionsIn(when) : []),
      ...(repeat?.kind === 'count' && repeat.timesByOption ? [repeat.timesByOption.option] : []),
    ]);
}

/** A component, and the others that are joined into it on their way. */
const joinedInto = (route: Route, component: Component): Component[] =>
  startedComponents(route).filter(
    (part) => part === component || pathFrom(route, firstOperation(route, part).id).some((o) => o.component === component),
  );
