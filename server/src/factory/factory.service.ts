import { Factory, type HouseFactory, type SetUp } from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import { DataSource } from 'typeorm';
import { ZoneEntity } from '../climate/climate.entity.ts';
import { FactorySource } from '../logbook/factorySource.ts';
import { PersonEntity } from '../platform/identity/person.entity.ts';
import { SettingsService } from '../platform/settings/settings.service.ts';
import type { Settings } from '../platform/settings/settings.ts';
import { Snapshots, type Shelf } from '../platform/snapshots/snapshots.service.ts';
import { CarrierEntity, MaterialEntity, ModelEntity, PrerequisiteEntity, RouteEntity, StationEntity } from './factory.entity.ts';

/** What is set up, with all that the server keeps of it. */
interface KeptSetUp extends SetUp {
  models: ReadonlyMap<string, ModelEntity>;
  versions: readonly Omit<RouteEntity, 'graph'>[];
  stations: ReadonlyMap<string, StationEntity>;
  /** what the factory owns; how full they are changes with every move and is read when needed */
  carriers: ReadonlyMap<string, CarrierEntity>;
  prerequisites: readonly PrerequisiteEntity[];
  people: ReadonlyMap<string, PersonEntity>;
  zoneNames: ReadonlyMap<string, string>;
  settings: Settings;
}

/** The factory as it is set up now. */
export type FactoryNow = Factory<KeptSetUp>;

/** Gives the factory: read again only when what is set up has changed. */
@Injectable()
export class FactoryService implements FactorySource {
  private readonly shelf: Shelf<FactoryNow>;

  constructor(
    private readonly database: DataSource,
    private readonly settings: SettingsService,
    snapshots: Snapshots,
  ) {
    this.shelf = snapshots.shelf('the set-up');
  }

  now(): Promise<HouseFactory> {
    return this.load();
  }

  load(): Promise<FactoryNow> {
    return this.shelf.of('factory', () => this.read());
  }

  private async read(): Promise<FactoryNow> {
    const { manager } = this.database;
    const [models, routes, stations, carriers, prerequisites, people, materials, zones, settings] = await Promise.all([
      manager.find(ModelEntity, { order: { name: 'ASC' } }),
      manager.find(RouteEntity),
      manager.find(StationEntity, { order: { position: 'ASC' } }),
      manager.find(CarrierEntity, { order: { id: 'ASC' } }),
      manager.find(PrerequisiteEntity),
      manager.find(PersonEntity, { order: { name: 'ASC' } }),
      manager.find(MaterialEntity),
      manager.find(ZoneEntity, { select: { id: true, name: true } }),
      this.settings.all(),
    ]);
    return new Factory({
      models: byId(models),
      routes: new Map(routes.map((r) => [r.id, r.graph])),
      versions: routes.map(({ graph: _, ...version }) => version),
      stations: new Map(stations.map((s) => [s.code, s])),
      carriers: byId(carriers),
      prerequisites,
      people: byId(people),
      materials: byId(materials),
      zones: new Set(zones.map((z) => z.id)),
      zoneNames: new Map(zones.map((z) => [z.id, z.name])),
      settings,
    });
  }
}

const byId = <Part extends { id: string }>(parts: readonly Part[]): ReadonlyMap<string, Part> => new Map(parts.map((p) => [p.id, p]));
