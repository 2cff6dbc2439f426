import type { Dimension, DimensionLimits, DimensionValue, OpenSignal } from '@ample-crane/core';
import { Entity, PrimaryColumn } from 'typeorm';
import { Count, Instant, Json, OrNothing, Quantity, Text } from '../platform/database/columns.ts';

@Entity('dimension')
export class DimensionEntity implements Dimension {
  @PrimaryColumn('text') id: string;
  @Text() modelId: string;
  @Text() operationId: string;
  @Text() characteristicId: string;
  @Text() stationCode: string;
  @Quantity() low: number;
  @Quantity() high: number;
  @Count() count: number;
  @Json() latest: readonly DimensionValue[];
  @Json(OrNothing) limits: DimensionLimits | null;
  @Instant('settled_at') settledMs: number;
  @Json(OrNothing) signal: OpenSignal | null;
  @Json(OrNothing) found: Dimension['found'];
}
