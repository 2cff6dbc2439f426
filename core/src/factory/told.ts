import { Factory, type FactoryParts } from './factory.ts';

/** A factory as it is told to another place, a page or a device: lists for what is found by key. */
export interface FactoryTold<Settings> {
  models: readonly (FactoryParts['models'] extends ReadonlyMap<string, infer Model> ? Model : never)[];
  routes: readonly (FactoryParts['routes'] extends ReadonlyMap<string, infer Route> ? Route : never)[];
  versions: FactoryParts['versions'];
  stations: readonly (FactoryParts['stations'] extends ReadonlyMap<string, infer Station> ? Station : never)[];
  carriers: readonly (FactoryParts['carriers'] extends ReadonlyMap<string, infer Carrier> ? Carrier : never)[];
  prerequisites: FactoryParts['prerequisites'];
  materials: readonly (FactoryParts['materials'] extends ReadonlyMap<string, infer Material> ? Material : never)[];
  people: readonly (FactoryParts['people'] extends ReadonlyMap<string, infer Person> ? Person : never)[];
  zones: readonly string[];
  settings: Settings;
}

const byId = <Part extends { id: string }>(parts: readonly Part[]): ReadonlyMap<string, Part> => new Map(parts.map((p) => [p.id, p]));

/** The factory that was told. What was left out of it, as old routes are, is not there to be asked about. */
export const factoryOf = <Settings extends FactoryParts['settings']>(
  told: FactoryTold<Settings>,
): Factory<FactoryParts & { settings: Settings }> =>
  new Factory({
    models: byId(told.models),
    routes: byId(told.routes),
    versions: told.versions,
    stations: new Map(told.stations.map((s) => [s.code, s])),
    carriers: byId(told.carriers),
    prerequisites: told.prerequisites,
    materials: byId(told.materials),
    people: byId(told.people),
    zones: new Set(told.zones),
    settings: told.settings,
  });
