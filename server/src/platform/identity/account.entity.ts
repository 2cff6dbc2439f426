import type { UnitChoice } from '@ample-crane/core';
import { Entity, JoinColumn, OneToOne, PrimaryColumn, type Relation } from 'typeorm';
import { Json, OrNothing, Text } from '../database/columns.ts';
import { PersonEntity } from './person.entity.ts';
import type { Role } from './role.ts';

/** How somebody signs in, and what they may do then. */
@Entity('account')
export class AccountEntity {
  @PrimaryColumn('text') personId: string;
  @OneToOne(() => PersonEntity)
  @JoinColumn({ name: 'person_id' })
  person: Relation<PersonEntity>;
  @Text() login: string;
  @Text() role: Role;
  @Text() passwordHash: string;
  @Json() units: UnitChoice;
  @Text() theme: 'paper' | 'booth';
  @Text(OrNothing) feedTokenHash: string | null;
}
