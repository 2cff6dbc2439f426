import type { Program, Revision } from '@ample-crane/core';
import { Entity, PrimaryColumn } from 'typeorm';
import { Count, Instant, Json, OrNothing, Text } from '../platform/database/columns.ts';

@Entity('program')
export class ProgramEntity implements Program {
  @PrimaryColumn('text') id: string;
  @Text(OrNothing) modelId: string | null;
  @Text() what: string;
  @Text() side: string;
  @Json() serves: readonly string[];
  @Text(OrNothing) ownerId: string | null;
  @Instant('asked_at') askedMs: number;
  @Text() note: string;
  @Json() revisions: readonly Revision[];
  @Count() version: number;
}
