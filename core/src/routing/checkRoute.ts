import { suits, type Carrier } from '../carriers/index.ts';
import { holds, type Condition, type RouteFacts } from './condition.ts';
import { everyChoice, resolveRoute } from './resolve.ts';
import { waysOf, type Operation } from './operation.ts';
import { before, isStart, onward, pathFrom, stepsOfLoop, type Route } from './route.ts';
import type { Rule } from './rules/index.ts';

export interface RouteProblem {
  operationId: string | null;
  message: string;
}

/** The factory a route is to be run in. */
export interface RouteWorld {
  stationCodes: ReadonlySet<string>;
  /** the highest level at which somebody holds each skill */
  skillLevels: ReadonlyMap<string, number>;
  carriers: readonly Carrier[];
  /** wood and construction of the model */
  facts: Omit<RouteFacts, 'choices'>;
}

type Say = (operation: Operation | null, message: string) => void;

/**
 * What is wrong with a route, each message naming its step; empty when it can be run.
 *
 * @param world the factory, to find places, skills and stations that do not exist; without it only the graph is judged
 */
export function checkRoute(route: Route, world?: RouteWorld): RouteProblem[] {
  const problems: RouteProblem[] = [];
  const say: Say = (operation, message) => {
    const operationId = operation?.id ?? null;
    if (!problems.some((p) => p.operationId === operationId && p.message === message)) problems.push({ operationId, message });
  };
  checkSteps(route, say);
  checkConditions(route, world, say);
  if (problems.length > 0) return problems;
  // As it stands with every condition met, then as each choice leaves it.
  checkGraph(route, say);
  if (problems.length > 0) return problems;
  for (const choices of everyChoice(route.options ?? [])) {
    const facts = { species: {}, construction: '', ...world?.facts, choices };
    const chosen = describe(route, choices);
    checkGraph(resolveRoute(route, facts), (o, message) => say(o, chosen === '' ? message : `${chosen}: ${message}`));
  }
  if (world) checkWorld(route, world, say);
  return problems;
}

/** Each step by itself: ids, what it leads to, what it waits for. */
function checkSteps(route: Route, say: Say): void {
  const ids = new Set<string>();
  for (const o of route.operations) {
    if (ids.has(o.id)) say(o, `Two steps are called "${o.id}"`);
    ids.add(o.id);
  }
  for (const o of route.operations) {
    for (const id of o.next) if (!ids.has(id)) say(o, `"${o.name}" leads to "${id}", which does not exist`);
    if (o.kind === 'dwell' && o.gate.length === 0) say(o, `"${o.name}" waits for nothing: a wait needs a rule`);
    if (o.next.length > 1 && o.kind !== 'part') say(o, `"${o.name}" leads two ways at once`);
    for (const rule of o.gate)
      if (rule.kind === 'elapsed' && rule.maximumMinutes !== undefined && rule.maximumMinutes < rule.minimumMinutes)
        say(o, `"${o.name}" may wait no longer than it has to`);
    const { repeat } = o;
    if (repeat && !ids.has(repeat.backTo)) say(o, `"${o.name}" goes back to "${repeat.backTo}", which does not exist`);
    if (repeat?.kind === 'until accepted' && !(repeat.maximum >= 1 && Number.isFinite(repeat.maximum)))
      say(o, `The loop at "${o.name}" has no exit: say how often it may go round at most`);
    if (repeat?.kind === 'until accepted' && repeat.expected > repeat.maximum)
      say(o, `The loop at "${o.name}" is expected to go round more often than it may`);
    if (repeat?.kind === 'count') {
      const counts = [repeat.times, ...Object.values(repeat.timesByOption?.times ?? {})];
      if (counts.some((n) => !Number.isInteger(n) || n < 0))
        say(o, `The loop at "${o.name}" has no exit: rounds are counted in whole numbers`);
    }
  }
}

/** The graph: what leads where, what merges, what can be reached. */
function checkGraph(route: Route, say: Say): void {
  const byId = new Map(route.operations.map((o) => [o.id, o]));
  for (const o of route.operations) {
    const inbound = before(route, o.id);
    const end = o.kind === 'dispatch' || (o.component === 'small part' && o.kind === 'buffer');
    if (o.next.length === 0 && !end) say(o, `"${o.name}" leads nowhere`);
    for (const id of o.next) checkLink(o, byId.get(id), say);
    checkMerge(route, o, inbound, say);
    if (o.noWait && !byId.get(onward(route, o) ?? '')?.place)
      say(o, `"${o.name}" may not wait, but the step after it names no place to go straight into`);
    if (o.repeat) checkLoop(route, o, say);
    for (const rule of o.gate)
      for (const [characteristic, what] of measuresIn(rule))
        if (!measuredBefore(route, o, characteristic))
          say(o, `The gate of "${o.name}" looks at "${what}", which no step up to it measures`);
  }
  checkReach(route, byId, say);
}

function checkLink(from: Operation, to: Operation | undefined, say: Say): void {
  if (!to || to.component === from.component || from.kind === 'part') return;
  const merges = to.kind === 'join' || ((to.kind === 'fit' || to.kind === 'refit') && to.component === 'instrument');
  if (!merges) say(from, `"${from.name}" (${from.component}) leads to "${to.name}" (${to.component}) without a joining or a fitting`);
}

const FITTED: ReadonlySet<Operation['component']> = new Set(['body', 'neck', 'instrument']);

function checkMerge(route: Route, o: Operation, inbound: readonly Operation[], say: Say): void {
  const from = (component: Operation['component']) => inbound.filter((b) => b.component === component || b.kind === 'part');
  switch (o.kind) {
    case 'fit':
      if (o.component !== 'instrument') say(o, `"${o.name}" fits instruments, so it belongs to their stream`);
      if (from('body').length === 0) say(o, `No body ever reaches "${o.name}", so it can never be completed`);
      if (from('body').length > 1) say(o, `Two body branches reach "${o.name}"`);
      if (from('neck').length > 1) say(o, `Two neck branches reach "${o.name}"`);
      for (const b of inbound)
        if (!FITTED.has(b.component)) say(b, `"${o.name}" fits bodies and necks; join the ${b.component} to one of them before`);
      return;
    case 'join': {
      const guests = inbound.filter((b) => b.component !== o.component);
      if (guests.length === 0) say(o, `Nothing is ever joined at "${o.name}", so it can never be completed`);
      if (from(o.component).length === 0) say(o, `No ${o.component} ever reaches "${o.name}", so it can never be completed`);
      if (from(o.component).length > 1) say(o, `Two ${o.component} branches reach "${o.name}"`);
      return;
    }
    case 'refit': {
      for (const half of ['body', 'neck'] as const)
        if (from(half).length !== 1) say(o, `The ${half} of a pair does not come back to "${o.name}", so it can never be completed`);
      const parted = inbound.every((b) => stream(route, b).some((earlier) => earlier.kind === 'part'));
      if (!parted) say(o, `What comes to "${o.name}" was never taken apart`);
      return;
    }
    case 'part': {
      const components = o.next.map((id) => route.operations.find((x) => x.id === id)?.component).sort();
      if (o.component !== 'instrument' || components.join() !== 'body,neck')
        say(o, `"${o.name}" has to lead to one step for the body and one for the neck`);
      if (!pathFrom(route, o.id).some((later) => later.kind === 'refit')) say(o, `What "${o.name}" takes apart is never fitted again`);
      return;
    }
    default:
      if (inbound.length > 1) say(o, `Branches merge at "${o.name}", which is neither a joining nor a fitting`);
  }
}

/** A step and all that led to it. */
function stream(route: Route, o: Operation, seen = new Set<string>()): Operation[] {
  if (seen.has(o.id)) return [];
  seen.add(o.id);
  return [o, ...before(route, o.id).flatMap((b) => stream(route, b, seen))];
}

/** The characteristics a rule looks at, and what it calls them. */
function measuresIn(rule: Rule): [string, string][] {
  switch (rule.kind) {
    case 'inBand':
      return rule.characteristic === undefined ? [] : [[rule.characteristic, rule.what]];
    case 'spread':
    case 'stable':
      return rule.characteristic === undefined ? [] : [[rule.characteristic, rule.characteristic]];
    case 'gradient':
      return [rule.shell, rule.core].flatMap((c): [string, string][] => (c === undefined ? [] : [[c, c]]));
    default:
      return [];
  }
}

const measuredBefore = (route: Route, o: Operation, characteristic: string) =>
  stream(route, o).some((step) => step.characteristics?.some((c) => c.id === characteristic));

function checkLoop(route: Route, last: Operation, say: Say): void {
  const steps = stepsOfLoop(route, last);
  if (steps.length === 0) {
    say(last, `"${last.name}" goes back to a step that does not lead to it`);
    return;
  }
  const merge = steps.find((o) => o.kind === 'fit' || o.kind === 'join' || o.kind === 'part' || o.kind === 'refit' || o.kind === 'buffer');
  if (merge) say(last, `The loop at "${last.name}" runs over "${merge.name}", which happens once`);
  const inner = steps.find((o) => o !== last && o.repeat);
  if (inner) say(last, `The loop at "${last.name}" contains the loop at "${inner.name}"`);
}

function checkReach(route: Route, byId: ReadonlyMap<string, Operation>, say: Say): void {
  const onPath = new Set<string>();
  const reached = new Set<string>();
  const walk = (o: Operation): void => {
    if (onPath.has(o.id)) {
      say(o, `"${o.name}" leads back to itself, and nothing leads out: make it a loop with an end`);
      return;
    }
    if (reached.has(o.id)) return;
    onPath.add(o.id);
    for (const id of o.next) {
      const next = byId.get(id);
      if (next) walk(next);
    }
    onPath.delete(o.id);
    reached.add(o.id);
  };
  const starts = route.operations.filter((o) => isStart(route, o));
  if (starts.length === 0) say(null, 'The route has no first step');
  starts.forEach(walk);
  for (const o of route.operations) if (!reached.has(o.id)) say(o, `"${o.name}" can never be reached`);
  for (const o of starts)
    if (o.kind === 'fit' || o.component === 'instrument')
      say(o, `"${o.name}" can never be reached: an instrument cannot start before its parts`);
  const twice = starts.find((o) => starts.some((p) => p !== o && p.component === o.component));
  if (twice) say(twice, `The ${twice.component} starts at two places, one of them "${twice.name}"`);
}

/** Conditions that no choice can make true, or none can make false. */
function checkConditions(route: Route, world: RouteWorld | undefined, say: Say): void {
  const options = route.options ?? [];
  for (const option of options) {
    if (option.values.length < 2) say(null, `The option "${option.name}" leaves no choice`);
    if (new Set(option.values.map((v) => v.id)).size !== option.values.length)
      say(null, `The option "${option.name}" offers one value twice`);
  }
  const choices = everyChoice(options);
  for (const o of route.operations) {
    const counted = o.repeat?.kind === 'count' ? o.repeat.timesByOption : undefined;
    for (const id of [...optionsIn(o.when), ...(counted ? [counted.option] : [])])
      if (!options.some((option) => option.id === id)) say(o, `"${o.name}" asks for the option "${id}", which the route does not have`);
    if (!o.when) continue;
    const { when } = o;
    // Wood and construction are the model's: they decide only where they are known.
    if (!world && !isAboutOptionsOnly(when)) continue;
    const facts = { species: {}, construction: '', ...world?.facts };
    const answers = new Set(choices.map((c) => holds(when, { ...facts, choices: c }, options)));
    if (!answers.has(true)) say(o, `The rule of "${o.name}" can never be met: the step would never be done`);
    else if (!answers.has(false) && isAboutOptionsOnly(when)) say(o, `The rule of "${o.name}" is always met: leave it out`);
  }
}

function optionsIn(condition: Condition | undefined): string[] {
  switch (condition?.kind) {
    case 'option':
      return [condition.option];
    case 'not':
      return optionsIn(condition.of);
    case 'all':
    case 'any':
      return condition.of.flatMap(optionsIn);
    default:
      return [];
  }
}

function isAboutOptionsOnly(condition: Condition): boolean {
  switch (condition.kind) {
    case 'option':
      return true;
    case 'not':
      return isAboutOptionsOnly(condition.of);
    case 'all':
    case 'any':
      return condition.of.every(isAboutOptionsOnly);
    default:
      return false;
  }
}

/** What the factory does not have. */
function checkWorld(route: Route, world: RouteWorld, say: Say): void {
  for (const o of route.operations) {
    for (const way of waysOf(o)) {
      const at = way.name === o.name ? `"${o.name}"` : `"${o.name}" (${way.name})`;
      if (!world.stationCodes.has(way.stationCode)) say(o, `${at} is done at station ${way.stationCode}, which does not exist`);
      if (way.skill === undefined) continue;
      const held = world.skillLevels.get(way.skill) ?? 0;
      if (held === 0) say(o, `${at} needs ${way.skill}, which nobody holds`);
      else if (held < (way.skillLevel ?? 1))
        say(o, `${at} needs ${way.skill} at level ${way.skillLevel ?? 1}; the highest held is ${held}`);
    }
    for (const rule of o.gate)
      if (rule.kind === 'signOff' && !world.skillLevels.has(rule.skill))
        say(o, `The gate of "${o.name}" waits for someone with ${rule.skill}, which nobody holds`);
    const { place } = o;
    if (place && !world.carriers.some((c) => suits(c, place, route.modelId))) {
      const from = before(route, o.id).find((b) => b.noWait);
      if (from) say(from, `"${from.name}" goes straight into a ${place.kind} at "${o.name}", and there is none for this model`);
      else say(o, `"${o.name}" needs places in a ${place.kind}, and there is none for this model`);
    }
  }
}

/** A choice in words: "Binding both faces, Finish oil". */
const describe = (route: Route, choices: Readonly<Record<string, string>>): string =>
  (route.options ?? []).map((o) => `${o.name} ${o.values.find((v) => v.id === choices[o.id])?.name ?? ''}`).join(', ');
