import type { MigrationInterface, QueryRunner } from 'typeorm';
import { APPLICATION_ROLE } from '../../platform/migrations/1700000000000-first-plan.ts';

const KINDS = `'rack','table','press','carousel','mould','form','rig','freezer shelf','cart'`;
const RIG_KINDS = `'clamp rack','clip rack','hose table','vacuum table','brace press','bending press'`;

// What is under pressure: carriers that press, pieces in them, and what came out by the hour.
export class Rigs1700000000033 implements MigrationInterface {
  name = 'Rigs1700000000033';
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
alter table carrier add column rig jsonb;
alter table carrier drop constraint carrier_kind_check;
alter table carrier add constraint carrier_kind_check check (kind in (${KINDS}, ${RIG_KINDS}));
alter table piece add column in_rig text, add column stay jsonb;
create index piece_in_rig on piece (in_rig) where in_rig is not null;
create table rig_count (
  id text primary key,
  loads int not null check (loads >= 0)
);
create table rig_hour (
  id text primary key,
  rig_id text not null,
  hour int not null,
  pieces int not null,
  place_seconds bigint not null
);
create index rig_hour_hour on rig_hour (hour);
grant select, insert, update, delete on rig_count, rig_hour to ${APPLICATION_ROLE};`);
  }
  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`
drop table rig_hour;
drop table rig_count;
drop index piece_in_rig;
alter table piece drop column stay, drop column in_rig;
update carrier set kind = 'rig' where kind in (${RIG_KINDS});
alter table carrier drop constraint carrier_kind_check;
alter table carrier add constraint carrier_kind_check check (kind in (${KINDS}));
alter table carrier drop column rig;`);
  }
}
