import type { MigrationInterface, QueryRunner } from 'typeorm';
import { APPLICATION_ROLE } from '../../platform/migrations/1700000000000-first-plan.ts';

// Empty until the logbook has been told anew, which follows.
const UP = `
create table station_hour (
  id text primary key,
  station_code text not null,
  hour int not null,
  load_s double precision not null,
  busy_first_ms double precision not null,
  busy_second_ms double precision not null,
  busy_third_ms double precision not null,
  busy_last_ms double precision not null,
  good_first int not null,
  good_second int not null,
  good_third int not null,
  good_last int not null,
  rework int not null,
  scrap int not null
);
create index station_hour_hour on station_hour (hour);
create table body_hour (
  id text primary key,
  hour int not null,
  entered int not null,
  shipped int not null,
  scrapped int not null,
  lead_minutes double precision not null
);
create index body_hour_hour on body_hour (hour);
create table lead_times (
  id text primary key,
  hour int not null,
  lead_class int not null,
  shipped int not null
);
create index lead_times_hour on lead_times (hour);
grant select, insert, update, delete on station_hour, body_hour, lead_times to ${APPLICATION_ROLE};
alter table visit add column load_s int;
alter table piece add column body_from_at timestamptz, add column out_at timestamptz;
`;

const DOWN = `
alter table piece drop column body_from_at, drop column out_at;
alter table visit drop column load_s;
drop table station_hour, body_hour, lead_times;
`;

export class FlowTallies1700000000017 implements MigrationInterface {
  name = 'FlowTallies1700000000017';
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(UP);
  }
  async down(runner: QueryRunner): Promise<void> {
    await runner.query(DOWN);
  }
}
