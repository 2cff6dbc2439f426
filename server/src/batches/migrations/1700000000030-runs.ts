import type { MigrationInterface, QueryRunner } from 'typeorm';
import { APPLICATION_ROLE } from '../../platform/migrations/1700000000000-first-plan.ts';

// What ran on machines: what was left on each, how long loads took, how much cutters have cut.
export class Runs1700000000030 implements MigrationInterface {
  name = 'Runs1700000000030';
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
alter table visit add column run jsonb;
create table machine (
  id text primary key,
  station_code text not null,
  bench int not null check (bench > 0),
  model_id text not null,
  program_id text not null,
  what text not null,
  revision text not null,
  fixture text not null,
  ticks jsonb not null,
  batch_id text not null,
  person_id text not null,
  at timestamptz not null
);
create index machine_station on machine (station_code);
create table run_times (
  id text primary key,
  program_id text not null,
  revision text not null,
  station_code text not null,
  timed text not null check (timed in ('load','set-up','quoted')),
  minutes_class int not null,
  count int not null
);
create index run_times_program on run_times (program_id);
create table cutter_use (
  id text primary key,
  seconds int not null
);
grant select, insert, update, delete on machine, run_times, cutter_use to ${APPLICATION_ROLE};`);
  }
  async down(runner: QueryRunner): Promise<void> {
    await runner.query('drop table cutter_use; drop table run_times; drop table machine; alter table visit drop column run');
  }
}
