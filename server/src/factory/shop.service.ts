import {
  Factory,
  WorkCalendar,
  WorkingTime,
  type FactoryParts,
  type HouseFactory,
  type Interval,
  type Operation,
  type Route,
} from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import { DataSource } from 'typeorm';
import { PersonEntity } from '../platform/identity/person.entity.ts';
import { ZoneEntity } from '../climate/climate.entity.ts';
import { FactorySource } from '../logbook/factorySource.ts';
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
  zones: ReadonlySet<string>;
  /** the same as core asks it */
  factory: Factory<FactoryParts & { settings: Settings }>;
}

@Injectable()
export class ShopService implements FactorySource {
  private readonly shelf: Shelf<Shop>;
  private calendar: { pattern: string; calendar: WorkCalendar } | undefined;

  constructor(
    private readonly database: DataSource,
    private readonly settings: SettingsService,
    snapshots: Snapshots,
  ) {
    this.shelf = snapshots.shelf('the set-up');
  }

  async now(): Promise<HouseFactory> {
    return (await this.load()).factory;
  }

  load(): Promise<Shop> {
    return this.shelf.of('shop', () => this.read());
  }

  private async read(): Promise<Shop> {
    const { manager } = this.database;
    const [models, routes, stations, carriers, prerequisites, people, materials, zones, settings] = await Promise.all([
      manager.find(ModelEntity, { order: { name: 'ASC' } }),
      manager.find(RouteEntity),
      manager.find(StationEntity, { order: { position: 'ASC' } }),
      manager.find(CarrierEntity, { order: { id: 'ASC' } }),
      manager.find(PrerequisiteEntity),
      manager.find(PersonEntity, { order: { name: 'ASC' } }),
      manager.find(MaterialEntity),
      manager.find(ZoneEntity, { select: { id: true } }),
      this.settings.all(),
    ]);
    const parts = {
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
      zones: new Set(zones.map((z) => z.id)),
      settings,
    };
    return { ...parts, calendar: this.calendarOf(settings), factory: new Factory(parts) };
  }

  private calendarOf({ workWeek }: Settings): WorkCalendar {
    const pattern = JSON.stringify(workWeek);
    if (this.calendar?.pattern !== pattern) this.calendar = { pattern, calendar: new WorkCalendar(workWeek) };
    return this.calendar.calendar;
  }
}

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

export const nameOf = (shop: Shop, personId: string | null) =>
  personId === null ? 'The system' : (shop.people.get(personId)?.name ?? personId);

/** The factory's working time over a stretch. */
export const workingTime = (shop: Shop, window: Interval) => new WorkingTime(shop.calendar.windows(window.fromMs, window.toMs));
