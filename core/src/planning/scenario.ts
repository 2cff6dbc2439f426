import type { Carrier } from '../carriers/index.ts';
import type { SerialPattern } from '../fitting/index.ts';
import type { Interval, WorkingTime } from '../maths/index.ts';
import type { Component, Route, RouteFacts, RouteOption } from '../routing/index.ts';
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
  /** the blank it is made of, where boards are measured and planned */
  blank?: BlankSize;
  /** what the finished instrument should weigh, where blanks are allotted by weight */
  weight?: WeightTarget;
}

/** A blank as it leaves the rough mill. */
export interface BlankSize {
  lengthMm: number;
  widthMm: number;
  thicknessMm: number;
  /** consecutive leaves resawn for one piece; 0 where nothing is resawn */
  leavesEach: number;
}

/** Finished weight, and what of it this part leaves and the rest weighs. */
export interface WeightTarget {
  lowG: number;
  highG: number;
  /** wood left of the blank in the finished part */
  partVolumeCm3: number;
  /** the other half, hardware and finish */
  otherMassG: number;
}

export type ModelWood = Partial<Record<Component, WoodNeed>>;

export interface ScenarioModel {
  id: string;
  code: string;
  /** share of what is ordered; 0 for small parts that are made ahead in campaigns */
  weight: number;
  batchSize: number;
  /** the route that work is started on from a time on, in time order; the first holds from the beginning */
  versions: readonly { fromMs: number; routeId: string }[];
  /** the wood of each component that is started apart */
  wood: ModelWood;
  construction: string;
  species: RouteFacts['species'];
  options: readonly RouteOption[];
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
  /** levels other than the usual one */
  skillLevels?: Readonly<Record<string, number>>;
  away: readonly Interval[];
}

/** Who sells what, where it grew, and how wet it comes. */
export interface ScenarioSupplier {
  name: string;
  /** origin by species sold */
  sells: Readonly<Record<string, string>>;
  arrivesAtPct: number;
  /** what its papers say */
  papersPct: number;
}

/** A factory and its circumstances, complete enough to be run forward. */
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
  carriers: readonly Carrier[];
  climate: (zoneId: string, atMs: number) => Air;
  woodRoomZoneId: string;
  shedZoneId: string;
  /** where some lots are dried by a schedule */
  kiln: { zoneId: string; scheduleId: string } | null;
  suppliers: readonly ScenarioSupplier[];
  customers: readonly string[];
  /** where outside work is done */
  houses: readonly string[];
  /** sets (a batch of bodies and its necks) started per working day */
  setsPerDay: number;
  promiseDays: number;
  lotEveryDays: number;
  /** from then on boards are measured before they are cut, and blanks kept */
  boardsFromMs: number;
  moistureGate: MoistureGateSettings;
  bandHalfWidthPct: number;
  serialPattern: SerialPattern;
  scrapShare: number;
  reworkShare: number;
  /** of the batches that are taken over, those of which a piece is sent back */
  refusedShare: number;
  /** of the sets that are started, those that are a trial */
  trialShare: number;
}
