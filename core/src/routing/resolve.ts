import { holds, withDefaults, type RouteFacts } from './condition.ts';
import type { Operation, Route } from './operation.ts';

const resolved = new WeakMap<Route, Map<string, Route>>();
/** The same, by the facts object itself: a batch keeps its facts for life, and is asked for its route all the time. */
const byFacts = new WeakMap<RouteFacts, WeakMap<Route, Route>>();

/**
 * The route as one order goes through it: steps whose condition does not hold are left out and those before them lead
 * on to those after; rounds that depend on an option are counted out. Kept for each route, so that the same answer is
 * the same object.
 */
export function resolveRoute(route: Route, facts: RouteFacts): Route {
  if (!dependsOnFacts(route)) return route;
  const before = byFacts.get(facts)?.get(route);
  if (before) return before;
  const known = resolved.get(route) ?? new Map<string, Route>();
  resolved.set(route, known);
  const key = JSON.stringify([facts.choices, facts.species, facts.construction]);
  const made = known.get(key) ?? resolve(route, facts);
  known.set(key, made);
  byFacts.set(facts, (byFacts.get(facts) ?? new WeakMap<Route, Route>()).set(route, made));
  return made;
}

const dependent = new WeakMap<Route, boolean>();
function dependsOnFacts(route: Route): boolean {
  const known = dependent.get(route);
  if (known !== undefined) return known;
  const depends = route.operations.some((o) => o.when !== undefined || isCountedByOption(o));
  dependent.set(route, depends);
  return depends;
}

const isCountedByOption = (o: Operation) => o.repeat?.kind === 'count' && o.repeat.timesByOption !== undefined;

function resolve(route: Route, facts: RouteFacts): Route {
  const options = route.options ?? [];
  const kept = new Map<string, Operation>();
  const left = new Map<string, Operation>();
  for (const o of route.operations) (o.when === undefined || holds(o.when, facts, options) ? kept : left).set(o.id, o);
  const onward = (id: string, seen: ReadonlySet<string>): readonly string[] => {
    const out = left.get(id);
    if (!out || seen.has(id)) return [id];
    return out.next.flatMap((next) => onward(next, new Set([...seen, id])));
  };
  const operations = [...kept.values()].map((o): Operation => {
    const next = [...new Set(o.next.flatMap((id) => onward(id, new Set())))];
    const { repeat, ...rest } = o;
    return { ...rest, next, ...(repeat === undefined ? {} : resolveRepeat(route, repeat, kept, facts)) };
  });
  return { ...route, operations };
}

function resolveRepeat(
  route: Route,
  repeat: NonNullable<Operation['repeat']>,
  kept: ReadonlyMap<string, Operation>,
  facts: RouteFacts,
): Pick<Operation, 'repeat'> {
  // A loop that began at a step left out begins at the first step kept after it.
  let backTo: string | undefined = repeat.backTo;
  while (backTo !== undefined && !kept.has(backTo)) backTo = route.operations.find((o) => o.id === backTo)?.next[0];
  if (backTo === undefined) return {};
  if (repeat.kind === 'until accepted') return { repeat: { ...repeat, backTo } };
  const { timesByOption, times, ...rest } = repeat;
  const chosen = timesByOption ? withDefaults(route.options ?? [], facts.choices)[timesByOption.option] : undefined;
  const rounds = (chosen === undefined ? undefined : timesByOption?.times[chosen]) ?? times;
  return rounds <= 1 ? {} : { repeat: { ...rest, backTo, times: rounds } };
}
