import type {
  Carrier,
  CarrierKind,
  CureLaw,
  Material,
  EquipmentKind,
  ModelWood,
  PrerequisiteRecord,
  Route,
  Stage,
} from '@ample-crane/core';
import { Entity, PrimaryColumn } from 'typeorm';
import { Count, Flag, Instant, Json, OrNothing, Quantity, Text } from '../platform/database/columns.ts';

@Entity('station')
export class StationEntity {
  @PrimaryColumn('text') code: string;
  @Count() position: number;
  @Text() name: string;
  @Text() stage: Stage;
  @Text() zoneId: string;
  @Text() kind: 'work' | 'dwell';
  @Count() places: number;
  @Count() version: number;
}

@Entity('model')
export class ModelEntity {
  @PrimaryColumn('text') id: string;
  @Text() code: string;
  @Text() name: string;
  @Text() construction: string;
  @Count() batchSize: number;
  @Quantity() scaleLengthMm: number;
  @Json() clearance: { lowMm: number; targetMm: number; highMm: number };
  /** the wood of each component that it starts apart */
  @Json() wood: ModelWood;
  @Flag() active: boolean;
}

@Entity('route')
export class RouteEntity {
  @PrimaryColumn('text') id: string;
  @Text() modelId: string;
  @Count() version: number;
  @Json() graph: Route;
  @Text() state: RouteState;
  @Instant('effective_at', OrNothing) effectiveMs: number | null;
  /** why it is as it is */
  @Text() reason: string;
  /** counts the changes of a draft */
  @Count() revision: number;
}

export const ROUTE_STATES = ['draft', 'released', 'retired'] as const;
export type RouteState = (typeof ROUTE_STATES)[number];

@Entity('carrier')
export class CarrierEntity implements Carrier {
  @PrimaryColumn('text') id: string;
  @Text() name: string;
  @Text() kind: CarrierKind;
  @Count() places: number;
  /** kept by the database from the placements on it */
  @Count() taken: number;
  @Text() zoneId: string;
  @Text(OrNothing) outline: string | null;
  @Json(OrNothing) rig: Carrier['rig'];
  @Flag() active: boolean;
  @Count() version: number;
}

/** Something that must exist before a step is begun. */
@Entity('prerequisite')
export class PrerequisiteEntity implements PrerequisiteRecord {
  @PrimaryColumn('text') id: string;
  @Text() kind: EquipmentKind;
  @Text() what: string;
  @Text(OrNothing) modelId: string | null;
  @Text() revision: string;
  @Text() state: 'draft' | 'released' | 'withdrawn';
  @Text() note: string;
  @Count() version: number;
}

@Entity('material')
export class MaterialEntity implements Material {
  @PrimaryColumn('text') id: string;
  @Text() name: string;
  @Text() kind: string;
  @Quantity() volumeSolids: number;
  @Quantity() buildLowUm: number;
  @Quantity() buildHighUm: number;
  @Quantity() cureDays: number;
  @Json() cure: CureLaw;
}
