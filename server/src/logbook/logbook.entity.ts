import type { EntryName } from '@ample-crane/core';
import { Entity, PrimaryColumn } from 'typeorm';
import { Count, Instant, Json, OrNothing, Text } from '../platform/database/columns.ts';

@Entity('logbook')
export class LogbookEntity {
  @PrimaryColumn('int') id: number;
  @Instant('at') atMs: number;
  @Instant('recorded_at') recordedMs: number;
  @Text(OrNothing) personId: string | null;
  @Text() kind: EntryName;
  @Text(OrNothing) lotId: string | null;
  @Text(OrNothing) batchId: string | null;
  @Text(OrNothing) serial: string | null;
  @Count() schemaVersion: number;
  @Json() payload: object;
}
