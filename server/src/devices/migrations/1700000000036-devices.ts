import type { MigrationInterface, QueryRunner } from 'typeorm';
import { APPLICATION_ROLE } from '../../platform/migrations/1700000000000-first-plan.ts';

// Instruments and machines that speak for themselves: who they are, what they told last, what waits for a field, what was refused.
export class Devices1700000000036 implements MigrationInterface {
  name = 'Devices1700000000036';
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
create table device (
  id text primary key,
  name text not null unique check (name <> ''),
  kind text not null check (kind in ('caliper','scale','moisture meter','climate sensor','machine controller')),
  station_code text references station,
  bench int check (bench >= 1),
  zone_id text references zone,
  password_hash text not null,
  active boolean not null,
  version int not null,
  check ((station_code is null) <> (zone_id is null)),
  check ((bench is not null) = (kind = 'machine controller'))
);
create unique index device_machine on device (station_code, bench) where bench is not null and active;
create table device_now (
  device_id text primary key references device,
  connected boolean not null,
  heard timestamptz,
  told jsonb,
  told_at timestamptz,
  ahead_ms double precision,
  taken int not null,
  doubled int not null,
  refused int not null,
  held_back int not null
);
-- Every message that was taken, for as long as it could come again.
create table device_message (
  device_id text not null references device,
  message_id text not null,
  heard timestamptz not null,
  primary key (device_id, message_id)
);
create index device_message_heard on device_message (heard);
create table device_value (
  seq bigint generated always as identity primary key,
  device_id text not null references device,
  place text not null,
  quantity text not null,
  value double precision not null,
  at timestamptz not null,
  heard timestamptz not null,
  taken_by text
);
create index device_value_waits on device_value (place, seq) where taken_by is null;
create index device_value_heard on device_value (heard);
-- Not only of known devices: an unknown one that knocks is to be seen too.
create table device_refusal (
  id bigint generated always as identity primary key,
  device_id text not null,
  heard timestamptz not null,
  message_id text,
  why text not null,
  said text not null
);
create index device_refusal_heard on device_refusal (heard);
grant select, insert, update, delete on device, device_now, device_message, device_value, device_refusal to ${APPLICATION_ROLE};
grant usage on all sequences in schema public to ${APPLICATION_ROLE};`);
  }
  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`drop table device_refusal, device_value, device_message, device_now, device;`);
  }
}
