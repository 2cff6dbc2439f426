import type { Cutter, CutterState } from '@ample-crane/core';
import { Entity, PrimaryColumn } from 'typeorm';
import { Count, Instant, OrNothing, Quantity, Text } from '../platform/database/columns.ts';

@Entity('cutter')
export class CutterEntity implements Cutter {
  @PrimaryColumn('text') id: string;
  @Text() kind: string;
  @Text() state: CutterState;
  @Text(OrNothing) stationCode: string | null;
  @Count(OrNothing) bench: number | null;
  @Quantity() lifeMinutes: number;
  @Count() sharpened: number;
  @Instant('since_at') sinceMs: number;
  @Text() note: string;
  @Count() version: number;
}
