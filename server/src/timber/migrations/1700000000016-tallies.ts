import type { MigrationInterface, QueryRunner } from 'typeorm';
import { APPLICATION_ROLE } from '../../platform/migrations/1700000000000-first-plan.ts';

// Empty until the logbook has been told anew, which follows.
const UP = `
create table wood_use (
  id text primary key,
  day int not null,
  species text not null,
  use text not null,
  volume_cm3 double precision not null
);
create index wood_use_day on wood_use (day);
create table supplier_record (
  supplier text primary key,
  lots int not null,
  wetter_milli_pct double precision not null
);
create table cut_yield (
  id text primary key,
  boards int not null,
  boards_mm3 double precision not null,
  blanks_mm3 double precision not null
);
grant select, insert, update, delete on wood_use, supplier_record, cut_yield to ${APPLICATION_ROLE};
alter table lot add column first_pct double precision, add column first_read_at timestamptz;
`;

const DOWN = `
alter table lot drop column first_pct, drop column first_read_at;
drop table wood_use, supplier_record, cut_yield;
`;

export class Tallies1700000000016 implements MigrationInterface {
  name = 'Tallies1700000000016';
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(UP);
  }
  async down(runner: QueryRunner): Promise<void> {
    await runner.query(DOWN);
  }
}
