import type { LoadOrder } from '@ample-crane/core';
import { Entity, PrimaryColumn } from 'typeorm';
import { Instant, Json, OrNothing, Text } from '../platform/database/columns.ts';

@Entity('load_order')
export class LoadOrderEntity implements LoadOrder {
  @PrimaryColumn('text') id: string;
  @Json() batchIds: readonly string[];
  @Text(OrNothing) personId: string | null;
  @Instant('at') atMs: number;
}
