import type { CureLaw, SprayLimits } from '../climate/index.ts';
import type { WorkWeek } from '../maths/index.ts';
import type { Prerequisite, Stage } from '../routing/index.ts';
import type { ModelWood, WoodSettings } from '../timber/index.ts';
import type { DefectKind } from './defects.ts';

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
export interface PrerequisiteRecord extends Prerequisite {
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
}
