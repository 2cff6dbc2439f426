import type { UnitChoice } from '@ample-crane/core';
import { Entity, PrimaryColumn } from 'typeorm';
import { Count, Flag, Json, OrNothing, Text } from '../database/columns.ts';
import type { Role } from './role.ts';

@Entity('person')
export class PersonEntity {
  @PrimaryColumn('text') id: string;
  @Text() login: string;
  @Text() name: string;
  @Text() role: Role;
  @Json() skills: string[];
  /** 1 learns it, 2 does it alone, 3 teaches it; 2 where nothing is said */
  @Json() skillLevels: Readonly<Record<string, number>>;
  @Json() away: { fromMs: number; toMs: number }[];
  @Text() passwordHash: string;
  @Flag() active: boolean;
  @Json() units: UnitChoice;
  @Text() theme: 'paper' | 'booth';
  @Text(OrNothing) feedTokenHash: string | null;
  @Count() version: number;
}
