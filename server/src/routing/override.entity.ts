import type { Finding, OverrideRecord } from '@ample-crane/core';
import { Entity, PrimaryColumn } from 'typeorm';
import { Instant, Json, OrNothing, Text } from '../platform/database/columns.ts';

@Entity('override')
export class OverrideEntity implements OverrideRecord {
  @PrimaryColumn('text') id: string;
  @Text(OrNothing) batchId: string | null;
  @Text(OrNothing) lotId: string | null;
  @Text(OrNothing) operationId: string | null;
  @Instant('at') atMs: number;
  @Text(OrNothing) personId: string | null;
  @Text() reason: string;
  @Json() findings: readonly Finding[];
}
