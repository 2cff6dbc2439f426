import type { Carrier } from '../carriers/index.ts';
import type { CureLaw, SprayLimits } from '../climate/index.ts';
import type { WorkWeek } from '../maths/index.ts';
import type { EquipmentKind, Route, Stage } from '../routing/index.ts';
import type { ModelWood, WoodSettings } from '../timber/index.ts';
import type { Adhesive } from './adhesives.ts';
import type { DefectKind } from './defects.ts';
import type { Noted } from './noted.ts';
import type { Person } from './people.ts';

/** What is made. */
export interface Model {
  id: string;
  code: string;
  name: string;
  construction: string;
  batchSize: number;
  clearance: { lowMm: number; targetMm: number; highMm: number };
  /** the wood of each component that it starts apart */
  wood: ModelWood;
  active: boolean;
}

/** A version of a model's route: its graph never changes once it is released. */
export interface RouteVersion {
  id: string;
  modelId: string;
  version: number;
  state: 'draft' | 'released' | 'retired';
  effectiveMs: number | null;
}

/** A place where work is done, and how many can work there at once. */
export interface Station {
  code: string;
  name: string;
  stage: Stage;
  zoneId: string;
  kind: 'work' | 'dwell';
  places: number;
}

/** A coating as its sheet describes it, and how it cures. */
export interface Material {
  id: string;
  name: string;
  kind: string;
  /** share of the wet film that stays, 0…1 */
  volumeSolids: number;
  /** total dry build sought, µm */
  buildLowUm: number;
  buildHighUm: number;
  cureDays: number;
  cure: CureLaw;
}

/** What is on record of something that must exist first. */
export interface PrerequisiteRecord {
  kind: EquipmentKind;
  what: string;
  modelId: string | null;
  revision: string;
  state: 'draft' | 'released' | 'withdrawn';
  note: string;
}

/** What the house has decided for itself, as far as judgements look at it. */
export interface House extends WoodSettings {
  factory: { woodRoomZoneId: string };
  sprayLimits: SprayLimits;
  workWeek: WorkWeek;
  defects: readonly DefectKind[];
  cautions: readonly Noted[];
  pauseCauses: readonly Noted[];
  /** what is ticked before a machine is started */
  startChecks: readonly Noted[];
  adhesives: readonly Adhesive[];
}

/** What a factory is, as it is set up at one time. */
export interface SetUp {
  models: ReadonlyMap<string, Model>;
  /** every version there has been, as authored */
  routes: ReadonlyMap<string, Route>;
  versions: readonly RouteVersion[];
  stations: ReadonlyMap<string, Station>;
  carriers: ReadonlyMap<string, Carrier & { active: boolean }>;
  prerequisites: readonly PrerequisiteRecord[];
  materials: ReadonlyMap<string, Material>;
  people: ReadonlyMap<string, Person>;
  /** rooms whose air is known */
  zones: ReadonlySet<string>;
  settings: House;
}
