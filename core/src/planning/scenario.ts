import type { SerialPattern } from '../fitting/index.ts';
import type { Interval, WorkingTime } from '../maths/index.ts';
import type { Route } from '../routing/index.ts';
import type { LotUse, MoistureGateSettings } from '../timber/index.ts';

export interface Air {
  tempC: number;
  relativeHumidity: number;
}

/** Wood that a model needs for one piece. */
export interface WoodNeed {
  species: string;
  use: LotUse;
  volumeM3: number;
  thicknessMm: number;
}

export interface ScenarioModel {
  id: string;
  code: string;
  /** share of what is ordered */
  weight: number;
  batchSize: number;
  routeId: string;
  wood: { body: WoodNeed; neck: WoodNeed | null };
  clearance: { lowMm: number; targetMm: number; highMm: number };
}

export interface ScenarioStation {
  code: string;
  zoneId: string;
  /** benches in use from a time on, in time order; the first entry holds from the beginning */
  benches: readonly { fromMs: number; count: number }[];
}

export interface ScenarioPerson {
  id: string;
  skills: readonly string[];
  away: readonly Interval[];
}

/** A factory and its circumstances, complete enough to be run forward. */
/** Who sells what, where it grew, and how wet it comes. */
export interface ScenarioSupplier {
  name: string;
  /** origin by species sold */
  sells: Readonly<Record<string, string>>;
  arrivesAtPct: number;
}

export interface Scenario {
  seed: number;
  /** when the first lot arrives */
  woodFromMs: number;
  /** when the first batch is started */
  floorFromMs: number;
  nowMs: number;
  /** from then on nobody moves what has come free, nor releases wood: those decisions are left open */
  movesUntilMs: number;
  releasesUntilMs: number;
  time: WorkingTime;
  timeZone: string;
  models: readonly ScenarioModel[];
  routes: ReadonlyMap<string, Route>;
  stations: readonly ScenarioStation[];
  people: readonly ScenarioPerson[];
  climate: (zoneId: string, atMs: number) => Air;
  woodRoomZoneId: string;
  shedZoneId: string;
  suppliers: readonly ScenarioSupplier[];
  customers: readonly string[];
  /** sets (a batch of bodies and its necks) started per working day */
  setsPerDay: number;
  promiseDays: number;
  lotEveryDays: number;
  moistureGate: MoistureGateSettings;
  bandHalfWidthPct: number;
  serialPattern: SerialPattern;
  scrapShare: number;
  reworkShare: number;
}
