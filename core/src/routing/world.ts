import type { Carrier } from '../carriers/index.ts';
import type { RouteFacts } from './condition.ts';

/** The factory a route is to be run in. */
export interface RouteWorld {
  stationCodes: ReadonlySet<string>;
  /** the highest level at which somebody holds each skill */
  skillLevels: ReadonlyMap<string, number>;
  carriers: readonly Carrier[];
  modelIds: ReadonlySet<string>;
  /** coatings on record */
  materialIds: ReadonlySet<string>;
  /** glues on record, with what takes another time with each */
  adhesives: ReadonlyMap<string, { kind: string; materials: readonly string[] }>;
  /** cautions of the register */
  cautionKeys: ReadonlySet<string>;
  /** woods on record */
  speciesNames: ReadonlySet<string>;
  /** wood and construction of the model */
  facts: Omit<RouteFacts, 'choices'>;
}
