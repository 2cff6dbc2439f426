import { WorkCalendar, WorkingTime, type Interval, type Operation, type Route } from '@ample-crane/core';
import { operationOf } from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import { DataSource } from 'typeorm';
import { PersonEntity } from '../platform/identity/person.entity.ts';
import { SettingsService } from '../platform/settings/settings.service.ts';
import type { Settings } from '../platform/settings/settings.ts';
import { Snapshots, type Shelf } from '../platform/snapshots/snapshots.service.ts';
import { MaterialEntity } from '../finishing/finishing.entity.ts';
import { ModelEntity, RouteEntity, StationEntity } from './setup.entity.ts';

/** The factory as it is set up, read once for a request. */
export interface Shop {
  models: ReadonlyMap<string, ModelEntity>;
  routes: ReadonlyMap<string, Route>;
  stations: ReadonlyMap<string, StationEntity>;
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
    this.shelf = snapshots.shelf();
  }

  load(): Promise<Shop> {
    return this.shelf.of('shop', () => this.read());
  }

  private async read(): Promise<Shop> {
    const { manager } = this.database;
    const [models, routes, stations, people, materials, settings] = await Promise.all([
      manager.find(ModelEntity, { order: { name: 'ASC' } }),
      manager.find(RouteEntity),
      manager.find(StationEntity, { order: { position: 'ASC' } }),
      manager.find(PersonEntity, { order: { name: 'ASC' } }),
      manager.find(MaterialEntity),
      this.settings.all(),
    ]);
    return {
      models: new Map(models.map((m) => [m.id, m])),
      routes: new Map(routes.map((r) => [r.id, r.graph])),
      stations: new Map(stations.map((s) => [s.code, s])),
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

export function routeOf(shop: Shop, routeId: string): Route {
  const route = shop.routes.get(routeId);
  if (!route) throw new Error(`No route ${routeId}`);
  return route;
}

export const operationAt = (shop: Shop, at: { routeId: string; operationId: string }): Operation =>
  operationOf(routeOf(shop, at.routeId), at.operationId);

export const nameOf = (shop: Shop, personId: string | null) =>
  personId === null ? 'The system' : (shop.people.get(personId)?.name ?? personId);

export const holdsSkill = (shop: Shop) => (personId: string, skill: string) => {
  const person = shop.people.get(personId);
  return person?.active === true && person.skills.includes(skill);
};

/** The factory's working time over a stretch. */
export const workingTime = (shop: Shop, window: Interval) => new WorkingTime(shop.calendar.windows(window.fromMs, window.toMs));
