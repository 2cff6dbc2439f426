import {
  NO_FACTS,
  operationOf,
  resolveRoute,
  USUAL_LEVEL,
  WorkCalendar,
  WorkingTime,
  type Interval,
  type Operation,
  type Prerequisite,
  type Route,
  type RouteFacts,
} from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import { DataSource } from 'typeorm';
import { PersonEntity } from '../platform/identity/person.entity.ts';
import { SettingsService } from '../platform/settings/settings.service.ts';
import type { Settings } from '../platform/settings/settings.ts';
import { Snapshots, type Shelf } from '../platform/snapshots/snapshots.service.ts';
import { MaterialEntity } from './factory.entity.ts';
import { CarrierEntity, ModelEntity, PrerequisiteEntity, RouteEntity, StationEntity } from './factory.entity.ts';

/** The factory as it is set up, read once for a request. */
export interface Shop {
  models: ReadonlyMap<string, ModelEntity>;
  routes: ReadonlyMap<string, Route>;
  versions: readonly Omit<RouteEntity, 'graph'>[];
  stations: ReadonlyMap<string, StationEntity>;
  /** what the factory owns; how full they are changes with every move and is read when needed */
  carriers: ReadonlyMap<string, CarrierEntity>;
  prerequisites: readonly PrerequisiteEntity[];
  people: ReadonlyMap<string, PersonEntity>;
  materials: ReadonlyMap<string, MaterialEntity>;
  settings: Settings;
  calendar: WorkCalendar;
}

@Injectable()
export class ShopService {
  private readonly shelf: Shelf<Shop>;
  private calendar: { pattern: string; calendar: WorkCalendar } | undefined;

  constructor(
    private readonly database: DataSource,
    private readonly settings: SettingsService,
    snapshots: Snapshots,
  ) {
    this.shelf = snapshots.shelf('the set-up');
  }

  load(): Promise<Shop> {
    return this.shelf.of('shop', () => this.read());
  }

  private async read(): Promise<Shop> {
    const { manager } = this.database;
    const [models, routes, stations, carriers, prerequisites, people, materials, settings] = await Promise.all([
      manager.find(ModelEntity, { order: { name: 'ASC' } }),
      manager.find(RouteEntity),
      manager.find(StationEntity, { order: { position: 'ASC' } }),
      manager.find(CarrierEntity, { order: { id: 'ASC' } }),
      manager.find(PrerequisiteEntity),
      manager.find(PersonEntity, { order: { name: 'ASC' } }),
      manager.find(MaterialEntity),
      this.settings.all(),
    ]);
    return {
      models: new Map(models.map((m) => [m.id, m])),
      routes: new Map(routes.map((r) => [r.id, r.graph])),
      versions: routes.map(({ id, modelId, version, state, effectiveMs, reason, revision }) => ({
        id,
        modelId,
        version,
        state,
        effectiveMs,
        reason,
        revision,
      })),
      stations: new Map(stations.map((s) => [s.code, s])),
      carriers: new Map(carriers.map((c) => [c.id, c])),
      prerequisites,
      people: new Map(people.map((p) => [p.id, p])),
      materials: new Map(materials.map((m) => [m.id, m])),
      settings,
      calendar: this.calendarOf(settings),
    };
  }

  private calendarOf({ workWeek }: Settings): WorkCalendar {
    const pattern = JSON.stringify(workWeek);
    if (this.calendar?.pattern !== pattern) this.calendar = { pattern, calendar: new WorkCalendar(workWeek) };
    return this.calendar.calendar;
  }
}

/** Something on a route: a batch, which knows its options, or no more than the route's name. */
export interface OnRoute {
  routeId: string;
  facts?: RouteFacts;
}

/** A route as a batch goes through it; as authored when nothing is known of what goes. */
export function routeOf(shop: Shop, { routeId, facts }: OnRoute): Route {
  const route = shop.routes.get(routeId);
  if (!route) throw new Error(`No route ${routeId}`);
  return facts ? resolveRoute(route, facts) : route;
}

export const operationAt = (shop: Shop, at: OnRoute & { operationId: string }): Operation => operationOf(routeOf(shop, at), at.operationId);

/** A step as history knows it: of this version, or of another that the batch was on before. */
export function stepOf(shop: Shop, routeId: string, operationId: string): Pick<Operation, 'name' | 'characteristics'> {
  const route = shop.routes.get(routeId);
  const versions = [route, ...[...shop.routes.values()].filter((r) => r.modelId === route?.modelId)];
  for (const version of versions) {
    const found = version?.operations.find((o) => o.id === operationId);
    if (found) return found;
  }
  return { name: operationId };
}

/** The version that work on a model is started on at a time: the latest that is released and in force; none before the first is. */
export function routeInForce(shop: Shop, model: ModelEntity, atMs: number): Route | undefined {
  const [latest] = shop.versions
    .filter((v) => v.modelId === model.id && v.state === 'released' && (v.effectiveMs ?? 0) <= atMs)
    .sort((a, b) => b.version - a.version);
  return latest ? routeOf(shop, { routeId: latest.id }) : undefined;
}

/** What the route's conditions look at, for a model and an order's choices. */
export function factsOf(model: ModelEntity, choices: Readonly<Record<string, string>> = {}): RouteFacts {
  const species = Object.fromEntries(Object.entries(model.wood).map(([component, need]) => [component, need.species]));
  return { ...NO_FACTS, choices, species, construction: model.construction };
}

/** What is missing of something that must exist first; null when it is released. */
export function missingOf(shop: Shop, modelId: string, { kind, what }: Prerequisite): string | null {
  const [known] = shop.prerequisites
    .filter((p) => p.kind === kind && p.what === what && (p.modelId === null || p.modelId === modelId))
    .sort((a, b) => Number(a.modelId === null) - Number(b.modelId === null));
  if (known?.state === 'released') return null;
  return known ? `The ${kind} "${what}" is ${known.state} (revision ${known.revision})` : `There is no ${kind} "${what}" on record`;
}

/** The kits of a model that are not complete, in words. */
export const shortKits = (shop: Shop, modelId: string): string[] =>
  shop.prerequisites
    .filter((p) => p.kind === 'kit' && p.state !== 'released' && (p.modelId === null || p.modelId === modelId))
    .map((p) => (p.note === '' ? p.what : `${p.what} (${p.note})`));

export const nameOf = (shop: Shop, personId: string | null) =>
  personId === null ? 'The system' : (shop.people.get(personId)?.name ?? personId);

/** The highest level at which somebody holds each skill. */
export function skillLevels(shop: Shop): Map<string, number> {
  const levels = new Map<string, number>();
  for (const person of shop.people.values())
    for (const skill of person.active ? person.skills : [])
      levels.set(skill, Math.max(levels.get(skill) ?? 0, person.skillLevels[skill] ?? USUAL_LEVEL));
  return levels;
}

export const holdsSkill = (shop: Shop) => (personId: string, skill: string, level: number) => {
  const person = shop.people.get(personId);
  return person?.active === true && person.skills.includes(skill) && (person.skillLevels[skill] ?? USUAL_LEVEL) >= level;
};

/** The factory's working time over a stretch. */
export const workingTime = (shop: Shop, window: Interval) => new WorkingTime(shop.calendar.windows(window.fromMs, window.toMs));
