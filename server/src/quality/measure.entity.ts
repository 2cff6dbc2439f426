import type { Measure } from '@ample-crane/core';
import { Entity, PrimaryColumn } from 'typeorm';
import { Flag, Instant, OrNothing, Quantity, Text } from '../platform/database/columns.ts';

@Entity('measure')
export class MeasureEntity implements Measure {
  @PrimaryColumn('text') id: string;
  @Text() pieceId: string;
  @Text() batchId: string;
  @Text() visitId: string;
  @Text() operationId: string;
  @Text() characteristicId: string;
  @Quantity() value: number;
  @Quantity() low: number;
  @Quantity() high: number;
  @Flag() inBand: boolean;
  @Instant('at') atMs: number;
  @Text(OrNothing) personId: string | null;
  @Text(OrNothing) dimensionId: string | null;
}
