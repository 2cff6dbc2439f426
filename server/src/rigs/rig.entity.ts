import type { RigCount } from '@ample-crane/core';
import { Entity, PrimaryColumn } from 'typeorm';
import { Count } from '../platform/database/columns.ts';

@Entity('rig_count')
export class RigCountEntity implements RigCount {
  @PrimaryColumn('text') id: string;
  @Count() loads: number;
}
