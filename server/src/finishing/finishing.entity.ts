import type { Coat, CureLaw } from '@ample-crane/core';
import { Entity, PrimaryColumn } from 'typeorm';
import { Instant, Json, OrNothing, Quantity, Text } from '../platform/database/columns.ts';

@Entity('coat')
export class CoatEntity implements Coat {
  @PrimaryColumn('text') id: string;
  @Text() batchId: string;
  @Text() visitId: string;
  @Text() operationId: string;
  @Instant('at') atMs: number;
  @Text(OrNothing) personId: string | null;
  @Text() materialId: string;
  @Quantity() wetUm: number;
  @Quantity() dryUm: number;
  @Instant('flash_until') flashUntilMs: number;
}

@Entity('material')
export class MaterialEntity {
  @PrimaryColumn('text') id: string;
  @Text() name: string;
  @Text() kind: string;
  @Quantity() volumeSolids: number;
  @Quantity() buildLowUm: number;
  @Quantity() buildHighUm: number;
  @Quantity() cureDays: number;
  @Json() cure: CureLaw;
}
