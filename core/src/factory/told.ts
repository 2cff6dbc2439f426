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
