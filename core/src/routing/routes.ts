import type { Route } from './operation.ts';
import { NO_FACTS, type RouteFacts } from './condition.ts';
import { resolveRoute } from './resolve.ts';

/** What entries ask of the factory: the routes that batches go through. */
export interface Routes {
  /** A route as a batch goes through it. @throws Error when there is no such route */
  routeOf(batch: { routeId: string; facts?: RouteFacts }): Route;
  /** Facts that say the same, as one object, so that a route is resolved for them once. */
  sameFacts(facts: RouteFacts): RouteFacts;
}

/** Routes as authored, by their id. */
export class RouteBook implements Routes {
  private readonly facts = new Map<string, RouteFacts>();

  constructor(private readonly routes: ReadonlyMap<string, Route>) {}

  /** A route as authored, every condition in it. @throws Error when there is no such route */
  route(routeId: string): Route {
    const route = this.routes.get(routeId);
    if (!route) throw new Error(`No route ${routeId}`);
    return route;
  }

  routeOf(batch: { routeId: string; facts?: RouteFacts }): Route {
    return resolveRoute(this.route(batch.routeId), batch.facts ?? NO_FACTS);
  }

  sameFacts(facts: RouteFacts): RouteFacts {
    const said = JSON.stringify([facts.choices, facts.species, facts.construction]);
    const same = this.facts.get(said) ?? facts;
    this.facts.set(said, same);
    return same;
  }
}
