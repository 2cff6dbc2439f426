import type { Route, Stage, WoodNeed } from '@ample-crane/core';
import { Entity, PrimaryColumn } from 'typeorm';
import { Count, Flag, Json, Quantity, Text } from '../platform/database/columns.ts';

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
  @Json() wood: { body: WoodNeed; neck: WoodNeed | null };
  @Text() routeId: string;
  @Flag() active: boolean;
}

@Entity('route')
export class RouteEntity {
  @PrimaryColumn('text') id: string;
  @Text() modelId: string;
  @Count() version: number;
  @Json() graph: Route;
}
