import type {
  Carrier,
  Material,
  ModelWood,
  MoistureGateSettings,
  Person,
  Revision,
  Route,
  RouteFacts,
  RouteOption,
  SerialPattern,
  WorkingTime,
  WorkWeek,
} from '@ample-crane/core';
export interface Air {
  tempC: number;
  relativeHumidity: number;
}

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

/** Who sells what, where it grew, and how wet it comes. */
export interface ScenarioSupplier {
  name: string;
  /** origin by species sold */
  sells: Readonly<Record<string, string>>;
  arrivesAtPct: number;
  /** what its papers say */
  papersPct: number;
}

/** A revision of a program, and how far it has come. */
export interface ScenarioRevision extends Pick<Revision, 'why' | 'file' | 'fixture' | 'piecesALoad' | 'cutters' | 'planned'> {
  /** null where it was there from the beginning */
  daysAgo: number | null;
  to: 'drawn' | 'checked' | 'released';
}

/** A program, since when it is asked for, and what came of it. */
export interface ScenarioProgram {
  modelId: string;
  what: string;
  side: string;
  serves: readonly string[];
  ownerId: string | null;
  askedDaysAgo: number | null;
  note: string;
  revisions: readonly ScenarioRevision[];
}

/** A cutter, and the machine it is on from the beginning. */
export interface ScenarioCutter {
  id: string;
  kind: string;
  lifeMinutes: number;
  stationCode: string | null;
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
  workWeek: WorkWeek;
  models: readonly ScenarioModel[];
  routes: ReadonlyMap<string, Route>;
  stations: readonly ScenarioStation[];
  people: readonly Person[];
  materials: readonly Material[];
  programs: readonly ScenarioProgram[];
  cutters: readonly ScenarioCutter[];
  /** who decides where a finding speaks against it */
  leadId: string;
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
  /** what somebody wanted at once, and how many days ago its set was begun before all others */
  rushes: readonly { modelId: string; daysAgo: number }[];
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
  /** a cutter that wears: what it makes of a characteristic, part by part, from a time on */
  wears: { characteristicId: string; fromMs: number; perPart: number } | null;
  /** from then on nobody looks at what the charts say */
  signalsUntilMs: number;
  /** of the sets that are started, those that are a trial */
  trialShare: number;
}
