import type { SerialCount } from '@ample-crane/core';
import { Entity, PrimaryColumn } from 'typeorm';
import { Count } from '../platform/database/columns.ts';

@Entity('serial_count')
export class SerialCountEntity implements SerialCount {
  @PrimaryColumn('text') period: string;
  @Count() given: number;
}
