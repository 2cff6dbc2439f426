import { CARRIER_KINDS, type CarrierKind } from '../carriers/index.ts';
import {
  before,
  type Component,
  type Operation,
  resolveRoute,
  type Route,
  type RouteFacts,
  startedComponents,
  stepsOfLoop,
  touchMinutes,
  waysOf,
} from '../routing/index.ts';
import { HOUR_MS } from '../units/index.ts';
import { waitMs, type Glues } from './forecast.ts';

export interface WalkStep {
  operation: Operation;
  /** how often it is done */
  times: number;
  /** working minutes for the whole batch, all rounds */
  touchMinutes: number;
  /** hours of clock time it must wait at least, all rounds */
  waitHours: number;
}

/** What an order with certain options would go through, before anything of it is made. */
export interface WalkThrough {
  streams: { component: Component; steps: WalkStep[] }[];
  touchMinutes: number;
  /** of the slowest way through, from the first start to dispatch; touch in clock hours of a working day's length */
  longest: { touchMinutes: number; waitHours: number; operationIds: string[] };
  skills: { skill: string; level: number; minutes: number }[];
  /** the most places of each kind it takes at once at one step */
  places: { kind: CarrierKind; pieces: number; hours: number }[];
}

/**
 * Walks an order through its route without a factory: touch by its set times, waits by their rules, loops as often as
 * counted or expected.
 *
 * @param workHoursPerDay to weigh work against waiting when the slowest way is looked for
 */
export function walkThrough(authored: Route, facts: RouteFacts, quantity: number, glues: Glues, workHoursPerDay = 8): WalkThrough {
  const route = resolveRoute(authored, facts);
  const times = timesOf(route);
  const steps = new Map(
    route.operations.map((operation): [string, WalkStep] => {
      const n = times.get(operation.id) ?? 1;
      return [
        operation.id,
        { operation, times: n, touchMinutes: n * touchMinutes(operation, quantity), waitHours: (n * waitMs(operation, glues)) / HOUR_MS },
      ];
    }),
  );
  const all = [...steps.values()];
  return {
    streams: [...startedComponents(route), 'instrument' as const]
      .map((component) => ({ component, steps: all.filter((s) => s.operation.component === component) }))
      .filter((s) => s.steps.length > 0),
    touchMinutes: all.reduce((sum, s) => sum + s.touchMinutes, 0),
    longest: slowestWay(route, steps, workHoursPerDay),
    skills: skillsOf(all),
    places: CARRIER_KINDS.flatMap((kind) => {
      const at = all.filter((s) => s.operation.place?.kind === kind);
      return at.length === 0 ? [] : [{ kind, pieces: quantity, hours: at.reduce((sum, s) => sum + s.waitHours + s.touchMinutes / 60, 0) }];
    }),
  };
}

/** How often each step is done, loops as often as counted or expected. */
export function timesOf(route: Route): Map<string, number> {
  const times = new Map<string, number>();
  for (const last of route.operations) {
    const { repeat } = last;
    if (!repeat) continue;
    const n = repeat.kind === 'count' ? repeat.times : repeat.expected;
    for (const o of stepsOfLoop(route, last)) times.set(o.id, n);
  }
  return times;
}

/** The longest way from a start to the end, by clock time. */
function slowestWay(route: Route, steps: ReadonlyMap<string, WalkStep>, workHoursPerDay: number): WalkThrough['longest'] {
  const clockHours = (s: WalkStep) => Math.max((s.touchMinutes / 60) * (24 / workHoursPerDay), s.waitHours);
  const known = new Map<string, { hours: number; ids: string[] }>();
  const until = (operation: Operation): { hours: number; ids: string[] } => {
    const found = known.get(operation.id);
    if (found) return found;
    const own = steps.get(operation.id);
    const earlier = before(route, operation.id).map(until);
    const slowest = earlier.reduce((a, b) => (b.hours > a.hours ? b : a), { hours: 0, ids: [] as string[] });
    const answer = { hours: slowest.hours + (own ? clockHours(own) : 0), ids: [...slowest.ids, operation.id] };
    known.set(operation.id, answer);
    return answer;
  };
  const ends = route.operations.filter((o) => o.next.length === 0).map(until);
  const { ids } = ends.reduce((a, b) => (b.hours > a.hours ? b : a), { hours: -1, ids: [] as string[] });
  const way = ids.flatMap((id) => steps.get(id) ?? []);
  return {
    operationIds: ids,
    touchMinutes: way.reduce((sum, s) => sum + s.touchMinutes, 0),
    waitHours: way.reduce((sum, s) => sum + s.waitHours, 0),
  };
}

function skillsOf(steps: readonly WalkStep[]): WalkThrough['skills'] {
  const skills = new Map<string, { level: number; minutes: number }>();
  for (const step of steps) {
    const [way] = waysOf(step.operation);
    if (way?.skill === undefined) continue;
    const known = skills.get(way.skill) ?? { level: 1, minutes: 0 };
    skills.set(way.skill, { level: Math.max(known.level, way.skillLevel ?? 1), minutes: known.minutes + step.touchMinutes });
  }
  return [...skills].map(([skill, s]) => ({ skill, ...s })).sort((a, b) => b.minutes - a.minutes);
}
