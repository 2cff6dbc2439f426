import type { MigrationInterface, QueryRunner } from 'typeorm';
import { APPLICATION_ROLE } from '../../platform/migrations/1700000000000-first-plan.ts';

// The charts of what is measured; they are told anew from the logbook before the server starts.
export class Dimensions1700000000028 implements MigrationInterface {
  name = 'Dimensions1700000000028';
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
create table dimension (
  id text primary key,
  model_id text not null,
  operation_id text not null,
  characteristic_id text not null,
  station_code text not null,
  low double precision not null,
  high double precision not null,
  count int not null check (count >= 0),
  latest jsonb not null,
  limits jsonb,
  settled_at timestamptz not null,
  signal jsonb,
  found jsonb
);
grant select, insert, update, delete on dimension to ${APPLICATION_ROLE};
alter table measure add column dimension_id text;
create index measure_dimension on measure (dimension_id, at, id) where dimension_id is not null;`);
  }
  async down(runner: QueryRunner): Promise<void> {
    await runner.query('drop index measure_dimension; alter table measure drop column dimension_id; drop table dimension');
  }
}
