import type { Coat } from '@ample-crane/core';
import { Entity, PrimaryColumn } from 'typeorm';
import { Instant, Json, OrNothing, Quantity, Text } from '../platform/database/columns.ts';

@Entity('coat')
export class CoatEntity implements Coat {
  @PrimaryColumn('text') id: string;
  @Text() batchId: string;
  @Text() visitId: string;
  @Text() jobId: string;
  @Json() pieceIds: readonly string[];
  @Text() operationId: string;
  @Instant('at') atMs: number;
  @Text(OrNothing) personId: string | null;
  @Text() materialId: string;
  @Quantity() wetUm: number;
  @Quantity() dryUm: number;
  @Instant('flash_until') flashUntilMs: number;
}
