import type { HeldSkill, Interval, OwnWeek, Person } from '@ample-crane/core';
import { Entity, PrimaryColumn } from 'typeorm';
import { Count, Flag, Json, OrNothing, Text } from '../database/columns.ts';

/** Who works here; whether they sign in is another matter. */
@Entity('person')
export class PersonEntity implements Person {
  @PrimaryColumn('text') id: string;
  @Text() name: string;
  @Json() skills: readonly HeldSkill[];
  @Json() away: readonly Interval[];
  @Json(OrNothing) week: OwnWeek | null;
  @Flag() active: boolean;
  @Count() version: number;
}
