import type { Carrier, RigLaws, RigOf } from '../carriers/index.ts';
import {
  isAttended,
  factsOfChoice,
  operationOf,
  resolveRoute,
  servesAs,
  startedComponents,
  RouteBook,
  waysOf,
  type Characteristic,
  type Component,
  type Operation,
  type Pressing,
  type Route,
  type RouteFacts,
  type Routes,
  type Stage,
  type RouteWorld,
} from '../routing/index.ts';
import { pressingLaws } from './adhesives.ts';
import { People } from './people.ts';
import { WallClock, WorkCalendar, WorkingTime, type Interval } from '../maths/index.ts';
import type { Order, OrderBook } from '../orders/index.ts';
import { speciesIn, type Species, type WoodFactory, type WoodNeed } from '../timber/index.ts';
import type { Model, RouteVersion, SetUp } from './setUp.ts';

/** Something on a route: a batch, which knows its options, or no more than the route's name. */
export interface OnRoute {
  routeId: string;
  facts?: RouteFacts;
}

/** A carrier that presses what is in it. */
export type RigCarrier = Carrier & { rig: RigOf };

/**
 * The factory, and every question about it: the same for the server, the simulation and the page. It does not change;
 * another set-up is another factory.
 */
export class Factory<Known extends SetUp = SetUp> implements Routes, WoodFactory, OrderBook {
  private readonly book: RouteBook;
  private readonly inUse: readonly (Carrier & { active: boolean })[];
  /** what presses what is in it, as far as it is in use */
  readonly rigs: readonly RigCarrier[];

  /** who works here */
  readonly people: People;
  readonly calendar: WorkCalendar;
  private readonly clock: WallClock;

  constructor(readonly setUp: Known) {
    this.people = new People(setUp.people, setUp.settings.workWeek);
    this.calendar = new WorkCalendar(setUp.settings.workWeek);
    this.clock = new WallClock(setUp.settings.workWeek.timeZone);
    this.book = new RouteBook(setUp.routes);
    const inUse = [...setUp.carriers.values()].filter((c) => c.active);
    // Nobody puts a batch in a rig as on a shelf.
    this.inUse = inUse.filter((c) => c.rig === null);
    this.rigs = inUse.flatMap((c) => (c.rig === null ? [] : [{ ...c, rig: c.rig }]));
  }

  /** How many of the factory's days something comes after it is due; 0 on that day, below it before. The one reckoning of lateness. */
  daysLate(dueMs: number, atMs: number): number {
    return this.clock.daysBetween(dueMs, atMs);
  }

  /** A route as a batch goes through it; as authored when nothing is known of what goes. @throws Error when there is none */
  routeOf({ routeId, facts }: OnRoute): Route {
    const route = this.book.route(routeId);
    return facts ? resolveRoute(route, facts) : route;
  }

  sameFacts(facts: RouteFacts): RouteFacts {
    return this.book.sameFacts(facts);
  }

  /** Whether a part made for some choices can be used where others are wanted, of the same model. */
  servesAs(routeId: string, component: Component, made: RouteFacts, wanted: RouteFacts): boolean {
    return servesAs(this.book.route(routeId), component, made, wanted);
  }

  /** The step that something stands at. */
  operationAt(at: OnRoute & { operationId: string }): Operation {
    return operationOf(this.routeOf(at), at.operationId);
  }

  /** A step as it was known: of a batch's version, or of another that it was on before. */
  stepOnceOf(routeId: string, operationId: string): Pick<Operation, 'name' | 'characteristics'> {
    const { routes } = this.setUp;
    const modelId = routes.get(routeId)?.modelId;
    const step = (route: Route | undefined) => route?.operations.find((o) => o.id === operationId);
    const own = step(routes.get(routeId));
    if (own) return own;
    for (const route of routes.values()) {
      const found = route.modelId === modelId ? step(route) : undefined;
      if (found) return found;
    }
    return { name: operationId };
  }

  /** A step of a model, and a characteristic of it, as the latest of its versions that knows it says; undefined where none does. */
  stepOf(modelId: string, operationId: string): Operation | undefined {
    return this.latestOf(modelId, (route) => route.operations.find((o) => o.id === operationId));
  }

  characteristicOf(modelId: string, operationId: string, characteristicId: string): Characteristic | undefined {
    return this.latestOf(modelId, ({ operations }) =>
      operations.find((o) => o.id === operationId)?.characteristics?.find((c) => c.id === characteristicId),
    );
  }

  private latestOf<Found>(modelId: string, find: (route: Route) => Found | undefined): Found | undefined {
    const versions = [...this.setUp.routes.values()].filter((route) => route.modelId === modelId).sort((a, b) => b.version - a.version);
    for (const route of versions) {
      const found = find(route);
      if (found !== undefined) return found;
    }
    return undefined;
  }

  /** Its working time over a stretch. */
  workingTime({ fromMs, toMs }: Interval): WorkingTime {
    return new WorkingTime(this.calendar.windows(fromMs, toMs));
  }

  /** A version that work may be moved to or started on. */
  releasedVersion(routeId: string): RouteVersion | undefined {
    const version = this.setUp.versions.find((v) => v.id === routeId);
    return version?.state === 'draft' ? undefined : version;
  }

  /** The version that work on a model is started on at a time: the latest released and in force; none before the first is. */
  routeInForce(modelId: string, atMs: number): Route | undefined {
    const [latest] = this.setUp.versions
      .filter((v) => v.modelId === modelId && v.state === 'released' && (v.effectiveMs ?? 0) <= atMs)
      .sort((a, b) => b.version - a.version);
    return latest ? this.book.route(latest.id) : undefined;
  }

  /**
   * Who can do the work of each station, by the routes in force; nothing of one where anybody can do some of it, or that
   * no route goes to.
   */
  holdersByStation(atMs: number): Map<string, string[]> {
    const asked = new Map<string, Set<string> | null>();
    for (const { id } of this.setUp.models.values())
      for (const operation of this.routeInForce(id, atMs)?.operations ?? [])
        for (const { stationCode, skill, skillLevel = 1 } of isAttended(operation) ? waysOf(operation) : []) {
          const known = asked.get(stationCode);
          if (skill === undefined) asked.set(stationCode, null);
          else if (known !== null) {
            const holders = this.people.holders(skill, skillLevel, atMs).map((p) => p.id);
            asked.set(stationCode, new Set([...(known ?? []), ...holders]));
          }
        }
    return new Map([...asked].flatMap(([code, holders]) => (holders === null ? [] : [[code, [...holders]] as const])));
  }

  /** The skills that some work asks for, by the routes in force. */
  skillsAsked(atMs: number): Set<string> {
    const steps = [...this.setUp.models.keys()].flatMap((id) => this.routeInForce(id, atMs)?.operations ?? []);
    return new Set(steps.flatMap((step) => (isAttended(step) ? waysOf(step).flatMap(({ skill }) => skill ?? []) : [])));
  }

  /** The stations that a station's work goes on to, by the routes in force. */
  followersByStation(atMs: number): Map<string, Set<string>> {
    const followers = new Map<string, Set<string>>();
    for (const { id } of this.setUp.models.values()) {
      const operations = this.routeInForce(id, atMs)?.operations ?? [];
      const byId = new Map(operations.map((o) => [o.id, o]));
      for (const { stationCode, next } of operations)
        for (const after of next.flatMap((nextId) => byId.get(nextId) ?? []))
          followers.set(stationCode, (followers.get(stationCode) ?? new Set()).add(after.stationCode));
    }
    return followers;
  }

  /** What the conditions of a route look at, for an order's choices: the model's wood, or what was chosen in its place. */
  factsOf(model: Model, routeId: string, choices: Readonly<Record<string, string>> = {}): RouteFacts {
    return factsOfChoice(usualFacts(model), this.book.route(routeId).options ?? [], choices);
  }

  /** The wood a component is made of, as an order has chosen it; nothing where the model does not make it apart. */
  woodNeed(model: Model, component: Component, facts: RouteFacts): WoodNeed | undefined {
    const usual = model.wood[component];
    return usual && { ...usual, species: facts.species[component] ?? usual.species };
  }

  woodNeedsOf({ modelId, choices }: Pick<Order, 'modelId' | 'choices'>, atMs: number): WoodNeed[] {
    const [model, inForce] = [this.model(modelId), this.routeInForce(modelId, atMs)];
    if (!model || !inForce) return [];
    const facts = this.factsOf(model, inForce.id, choices);
    return startedComponents(this.routeOf({ routeId: inForce.id, facts })).flatMap(
      (component) => this.woodNeed(model, component, facts) ?? [],
    );
  }

  model(id: string): Model | undefined {
    return this.setUp.models.get(id);
  }

  modelName(id: string): string {
    return this.setUp.models.get(id)?.name ?? id;
  }

  /** Who somebody is; what nobody did, as a clock or a sensor's alarm, the system did. */
  personName(id: string | null): string {
    return id === null ? 'The system' : (this.setUp.people.get(id)?.name ?? id);
  }

  stationName(code: string): string {
    return this.setUp.stations.get(code)?.name ?? code;
  }

  materialName(id: string): string {
    return this.setUp.materials.get(id)?.name ?? id;
  }

  species(name: string): Species {
    return speciesIn(this.setUp.settings.species, name);
  }

  knowsPauseCause(key: string): boolean {
    return this.setUp.settings.pauseCauses.some((c) => c.key === key);
  }

  knowsDefect(name: string): boolean {
    return this.setUp.settings.defects.some((d) => d.name === name);
  }

  /** What can be wrong, as the register names it: what a stage usually causes first. */
  defectsFrom(stage: Stage): { usual: string[]; other: string[] } {
    const { defects } = this.setUp.settings;
    const named = (usual: boolean) => defects.filter((d) => d.stages.includes(stage) === usual).map((d) => d.name);
    return { usual: named(true), other: named(false) };
  }

  /** How many jobs a station has room for at once; one where nothing is known of it. */
  placesAt(stationCode: string): number {
    return this.setUp.stations.get(stationCode)?.places ?? 1;
  }

  /** Where a station stands; nothing is known of the air elsewhere. */
  zoneOf(stationCode: string): string | undefined {
    return this.setUp.stations.get(stationCode)?.zoneId;
  }

  hasZone(id: string): boolean {
    return this.setUp.zones.has(id);
  }

  carriersInUse(): readonly (Carrier & { active: boolean })[] {
    return this.inUse;
  }

  carrierName(id: string): string {
    return this.setUp.carriers.get(id)?.name ?? id;
  }

  rig(id: string): RigCarrier | undefined {
    return this.rigs.find((r) => r.id === id);
  }

  /** What a step's pressing asks for now; null where its glue is not on record. */
  lawsOf(pressing: Pressing): RigLaws | null {
    return pressingLaws(this.setUp.settings.adhesives, pressing);
  }

  /** Whether a person who works here holds a skill at a level or above, on the day of an instant. */
  holdsSkill(personId: string, skill: string, level: number, atMs: number): boolean {
    return this.people.holds(personId, skill, level, atMs);
  }

  /** The factory that a route of a model is to be run in, on the day of an instant. */
  worldOf(model: Model, atMs: number): RouteWorld {
    return {
      stationCodes: new Set(this.setUp.stations.keys()),
      skillLevels: this.people.levels(atMs),
      carriers: [...this.setUp.carriers.values()].filter((c) => c.active),
      adhesives: new Map(this.setUp.settings.adhesives.map((a) => [a.id, { kind: a.kind, materials: a.materials.map((m) => m.name) }])),
      modelIds: new Set(this.setUp.models.keys()),
      materialIds: new Set(this.setUp.materials.keys()),
      cautionKeys: new Set(this.setUp.settings.cautions.map((c) => c.key)),
      speciesNames: new Set(this.setUp.settings.species.map((s) => s.name)),
      facts: usualFacts(model),
    };
  }

  /** What is missing of a fixture, a sample or a kit; null when it is released. */
  missing(modelId: string, { kind, what }: { kind: string; what: string }): string | null {
    const [known] = this.setUp.prerequisites
      .filter((p) => p.kind === kind && p.what === what && (p.modelId === null || p.modelId === modelId))
      .sort((a, b) => Number(a.modelId === null) - Number(b.modelId === null));
    if (known?.state === 'released') return null;
    return known ? `The ${kind} "${what}" is ${known.state} (revision ${known.revision})` : `There is no ${kind} "${what}" on record`;
  }

  /** The kits of a model that are not complete, in words. */
  shortKits(modelId: string): string[] {
    return this.setUp.prerequisites
      .filter((p) => p.kind === 'kit' && p.state !== 'released' && (p.modelId === null || p.modelId === modelId))
      .map((p) => (p.note === '' ? p.what : `${p.what} (${p.note})`));
  }
}

/** What there is to look at of a model before anything is chosen. */
const usualFacts = ({ wood, construction }: Model): Omit<RouteFacts, 'choices'> => ({
  species: Object.fromEntries(Object.entries(wood).map(([component, need]) => [component, need.species])),
  construction,
});
