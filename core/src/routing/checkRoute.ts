import { checkAspects, checkAspectsInWorld, checkAspectsOnPath, waysOf } from './aspects/index.ts';
import { everyChoice, factsOfChoice, type RouteOption } from './condition.ts';
import { checkFaces } from './checkFaces.ts';
import type { Operation, Route } from './operation.ts';
import { resolveRoute } from './resolve.ts';
import { before, isStart, pathFrom } from './graph.ts';
import type { Component } from './stage.ts';
import { checkRules, checkRulesInWorld, looksAt } from './rules/index.ts';
import type { RouteWorld } from './world.ts';

export interface RouteProblem {
  operationId: string | null;
  message: string;
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
  checkOptions(route.options ?? [], say);
  checkSteps(route, world, say);
  if (problems.length > 0) return problems;
  // As it stands with every condition met, then as each choice leaves it.
  checkGraph(route, say);
  if (problems.length > 0) return problems;
  for (const choices of everyChoice(route.options ?? [])) {
    const facts = factsOfChoice({ species: {}, construction: '', ...world?.facts }, route.options ?? [], choices);
    const chosen = describe(route, choices);
    checkGraph(resolveRoute(route, facts), (o, message) => say(o, chosen === '' ? message : `${chosen}: ${message}`));
  }
  if (world) checkWorld(route, world, say);
  return problems;
}

/** Each step by itself: ids, what it leads to, what it waits for. */
function checkSteps(route: Route, world: RouteWorld | undefined, say: Say): void {
  const ids = new Set<string>();
  for (const o of route.operations) {
    if (ids.has(o.id)) say(o, `Two steps are called "${o.id}"`);
    ids.add(o.id);
  }
  for (const o of route.operations) {
    for (const id of o.next) if (!ids.has(id)) say(o, `"${o.name}" leads to "${id}", which does not exist`);
    if (o.kind === 'dwell' && o.gate.length === 0) say(o, `"${o.name}" waits for nothing: a wait needs a rule`);
    if (o.rig === undefined && o.gate.some((rule) => rule.kind === 'pressed')) say(o, `"${o.name}" is pressed, and no rig is named for it`);
    if (o.next.length > 1 && o.kind !== 'part') say(o, `"${o.name}" leads two ways at once`);
    for (const message of [...checkRules(o.gate, o.name), ...checkAspects(o, route, world)]) say(o, message);
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
    for (const message of checkAspectsOnPath(o, route)) say(o, message);
    for (const { characteristic, what } of o.gate.flatMap(looksAt))
      if (!measuredBefore(route, o, characteristic)) say(o, `The gate of "${o.name}" looks at "${what}", which no step up to it measures`);
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

const measuredBefore = (route: Route, o: Operation, characteristic: string) =>
  stream(route, o).some((step) => step.characteristics?.some((c) => c.id === characteristic));

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

/** What can be chosen on an order. */
function checkOptions(options: readonly RouteOption[], say: Say): void {
  for (const option of options) {
    if (option.values.length < 2) say(null, `The option "${option.name}" leaves no choice`);
    if (new Set(option.values.map((v) => v.id)).size !== option.values.length)
      say(null, `The option "${option.name}" offers one value twice`);
  }
}

/** What the factory does not have, or what its glues do not hold. */
function checkWorld(route: Route, world: RouteWorld, say: Say): void {
  for (const { step, message } of checkFaces(route, world)) say(step, message);
  for (const option of route.options ?? [])
    for (const value of option.values)
      for (const [part, species] of Object.entries(value.wood ?? {})) {
        const chosen = `"${option.name}: ${value.name}"`;
        if (!world.speciesNames.has(species)) say(null, `${chosen} makes the ${part} of ${species}, which is no species on record`);
        if (world.facts.species[part as Component] === undefined)
          say(null, `${chosen} chooses a wood for the ${part}, which this model does not make apart`);
      }
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
    for (const message of [...checkRulesInWorld(o.gate, o.name, world), ...checkAspectsInWorld(o, route, world)]) say(o, message);
  }
}

/** A choice in words: "Binding both faces, Finish oil". */
const describe = (route: Route, choices: Readonly<Record<string, string>>): string =>
  (route.options ?? []).map((o) => `${o.name} ${o.values.find((v) => v.id === choices[o.id])?.name ?? ''}`).join(', ');
