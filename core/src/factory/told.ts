import { Factory } from './factory.ts';
import type { SetUp } from './setUp.ts';

type Listed<Kept> =
  Kept extends ReadonlyMap<string, infer Each> ? readonly Each[] : Kept extends ReadonlySet<infer Each> ? readonly Each[] : Kept;

/** A factory as it is told to another place, a page or a device: lists for what is found by key. */
export type FactoryTold<Settings> = { [Kept in Exclude<keyof SetUp, 'settings'>]: Listed<SetUp[Kept]> } & { settings: Settings };

const byId = <Each extends { id: string }>(all: readonly Each[]): ReadonlyMap<string, Each> => new Map(all.map((each) => [each.id, each]));

/** The factory that was told. What was left out of it, as old routes are, is not there to be asked about. */
export const factoryOf = <Settings extends SetUp['settings']>(
  told: FactoryTold<Settings>,
): Factory<Omit<SetUp, 'settings'> & { settings: Settings }> =>
  new Factory({
    ...told,
    models: byId(told.models),
    routes: byId(told.routes),
    stations: new Map(told.stations.map((s) => [s.code, s])),
    carriers: byId(told.carriers),
    materials: byId(told.materials),
    people: byId(told.people),
    zones: new Set(told.zones),
  });

/** Tells a factory, with the routes that are wanted and of what it decided as much as is asked for. */
export function tell<Settings>(factory: Factory, settings: Settings, wanted: (routeId: string) => boolean): FactoryTold<Settings> {
  const { models, routes, stations, carriers, materials, people, zones, versions, prerequisites } = factory.setUp;
  return {
    models: [...models.values()],
    routes: [...routes.values()].filter((r) => wanted(r.id)),
    stations: [...stations.values()],
    carriers: [...carriers.values()],
    materials: [...materials.values()],
    people: [...people.values()],
    zones: [...zones],
    versions,
    prerequisites,
    settings,
  };
}
