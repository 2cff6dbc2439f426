import type { PlacementRow } from '@ample-crane/core';
import { Entity, PrimaryColumn } from 'typeorm';
import { Count, Text } from '../platform/database/columns.ts';

@Entity('placement')
export class PlacementEntity implements PlacementRow {
  @PrimaryColumn('text') id: string;
  @Text() batchId: string;
  @Text() carrierId: string;
  @Count() pieces: number;
}
