import type { Carrier } from '../carriers/index.ts';
import {
  NO_FACTS,
  operationOf,
  resolveRoute,
  RouteBook,
  type Operation,
  type Prerequisite,
  type Route,
  type RouteFacts,
  type Routes,
  type Stage,
  type RouteWorld,
} from '../routing/index.ts';
import { People, type Person } from './people.ts';
import type { OrderBook } from '../orders/index.ts';
import { speciesIn, type Species, type WoodFactory } from '../timber/index.ts';
import type { House, Material, Model, PrerequisiteRecord, RouteVersion, Station } from './parts.ts';

/** What a factory is, as it is set up at one time. */
export interface FactoryParts {
  models: ReadonlyMap<string, Model>;
  /** every version there has been, as authored */
  routes: ReadonlyMap<string, Route>;
  versions: readonly RouteVersion[];
  stations: ReadonlyMap<string, Station>;
  carriers: ReadonlyMap<string, Carrier & { active: boolean }>;
  prerequisites: readonly PrerequisiteRecord[];
  materials: ReadonlyMap<string, Material>;
  people: ReadonlyMap<string, Person>;
  /** rooms whose air is known */
  zones: ReadonlySet<string>;
  settings: House;
}

/** Something on a route: a batch, which knows its options, or no more than the route's name. */
export interface OnRoute {
  routeId: string;
  facts?: RouteFacts;
}

/**
 * The factory, and every question about it: the same for the server, the simulation and the page. It does not change;
 * another set-up is another factory.
 */
export class Factory<Parts extends FactoryParts = FactoryParts> implements Routes, WoodFactory, OrderBook {
  private readonly book: RouteBook;
  private readonly inUse: readonly (Carrier & { active: boolean })[];

  /** who works here */
  readonly people: People;

  constructor(readonly parts: Parts) {
    this.people = new People(parts.people, parts.settings.workWeek);
    this.book = new RouteBook(parts.routes);
    this.inUse = [...parts.carriers.values()].filter((c) => c.active);
  }

  /** A route as a batch goes through it; as authored when nothing is known of what goes. @throws Error when there is none */
  routeOf({ routeId, facts }: OnRoute): Route {
    const route = this.book.route(routeId);
    return facts ? resolveRoute(route, facts) : route;
  }

  sameFacts(facts: RouteFacts): RouteFacts {
    return this.book.sameFacts(facts);
  }

  /** The step that something stands at. */
  operationAt(at: OnRoute & { operationId: string }): Operation {
    return operationOf(this.routeOf(at), at.operationId);
  }

  /** A version that work may be moved to or started on. */
  releasedVersion(routeId: string): RouteVersion | undefined {
    const version = this.parts.versions.find((v) => v.id === routeId);
    return version?.state === 'draft' ? undefined : version;
  }

  /** The version that work on a model is started on at a time: the latest released and in force; none before the first is. */
  routeInForce(modelId: string, atMs: number): Route | undefined {
    const [latest] = this.parts.versions
      .filter((v) => v.modelId === modelId && v.state === 'released' && (v.effectiveMs ?? 0) <= atMs)
      .sort((a, b) => b.version - a.version);
    return latest ? this.book.route(latest.id) : undefined;
  }

  /** What the route's conditions look at, for a model and an order's choices. */
  factsOf(model: Model, choices: Readonly<Record<string, string>> = {}): RouteFacts {
    const species = Object.fromEntries(Object.entries(model.wood).map(([component, need]) => [component, need.species]));
    return { ...NO_FACTS, choices, species, construction: model.construction };
  }

  model(id: string): Model | undefined {
    return this.parts.models.get(id);
  }

  modelName(id: string): string {
    return this.parts.models.get(id)?.name ?? id;
  }

  personName(id: string): string {
    return this.parts.people.get(id)?.name ?? id;
  }

  materialName(id: string): string {
    return this.parts.materials.get(id)?.name ?? id;
  }

  species(name: string): Species {
    return speciesIn(this.parts.settings.species, name);
  }

  knowsDefect(name: string): boolean {
    return this.parts.settings.defects.some((d) => d.name === name);
  }

  /** What can be wrong, as the register names it: what a stage usually causes first. */
  defectsFrom(stage: Stage): { usual: string[]; other: string[] } {
    const { defects } = this.parts.settings;
    const named = (usual: boolean) => defects.filter((d) => d.stages.includes(stage) === usual).map((d) => d.name);
    return { usual: named(true), other: named(false) };
  }

  /** Where a station stands; nothing is known of the air elsewhere. */
  zoneOf(stationCode: string): string | undefined {
    return this.parts.stations.get(stationCode)?.zoneId;
  }

  hasZone(id: string): boolean {
    return this.parts.zones.has(id);
  }

  carriersInUse(): readonly (Carrier & { active: boolean })[] {
    return this.inUse;
  }

  /** Whether a person who works here holds a skill at a level or above, on the day of an instant. */
  holdsSkill(personId: string, skill: string, level: number, atMs: number): boolean {
    return this.people.holds(personId, skill, level, atMs);
  }

  /** The factory that a route of a model is to be run in, on the day of an instant. */
  worldOf(model: Model, atMs: number): RouteWorld {
    const { species, construction } = this.factsOf(model);
    return {
      stationCodes: new Set(this.parts.stations.keys()),
      skillLevels: this.people.levels(atMs),
      carriers: this.inUse,
      modelIds: new Set(this.parts.models.keys()),
      materialIds: new Set(this.parts.materials.keys()),
      facts: { species, construction },
    };
  }

  /** What is missing of something that must exist first; null when it is released. */
  missing(modelId: string, { kind, what }: Prerequisite): string | null {
    const [known] = this.parts.prerequisites
      .filter((p) => p.kind === kind && p.what === what && (p.modelId === null || p.modelId === modelId))
      .sort((a, b) => Number(a.modelId === null) - Number(b.modelId === null));
    if (known?.state === 'released') return null;
    return known ? `The ${kind} "${what}" is ${known.state} (revision ${known.revision})` : `There is no ${kind} "${what}" on record`;
  }

  /** The kits of a model that are not complete, in words. */
  shortKits(modelId: string): string[] {
    return this.parts.prerequisites
      .filter((p) => p.kind === 'kit' && p.state !== 'released' && (p.modelId === null || p.modelId === modelId))
      .map((p) => (p.note === '' ? p.what : `${p.what} (${p.note})`));
  }
}
