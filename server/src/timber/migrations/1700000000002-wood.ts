import type { MigrationInterface, QueryRunner } from 'typeorm';
import { APPLICATION_ROLE } from '../../platform/migrations/1700000000000-first-plan.ts';

const UP = `
alter table lot add column papers_pct double precision check (papers_pct between 0 and 200);
alter table lot add column grade text;
alter table lot add column place text;
alter table lot add column stays jsonb not null default '[]';
alter table lot add column samples jsonb not null default '{}';
alter table lot add column schedule_id text;
update lot set stays = jsonb_build_array(jsonb_build_object('zoneId', zone_id, 'fromMs', (extract(epoch from received_at) * 1000)::bigint));
create index lot_kind on lot (species, use) where left_m3 > 0;

alter table reading add column mass_g double precision check (mass_g > 0);
alter table reading add column dry_mass_g double precision check (dry_mass_g > 0);
alter table reading drop constraint reading_raw_pct_check;
alter table reading add constraint reading_raw_pct_check check (raw_pct between 0 and 200);

-- Who had rules of their own keeps them.
update setting set value = value || '{"readingsPerM3": 0}' where key = 'moistureGate' and not value ? 'readingsPerM3';

-- Readings taken in after the fact change the past of a zone: whatever was worked out from it is old from then on.
alter table zone add column revision int not null default 1;

create table board (
  id text primary key,
  lot_id text not null references lot,
  ordinal int not null,
  length_mm double precision not null check (length_mm > 0),
  width_mm double precision not null check (width_mm > 0),
  width_end_mm double precision not null check (width_end_mm > 0),
  thickness_mm double precision not null check (thickness_mm > 0),
  faults jsonb not null default '[]',
  grade text,
  mass_g double precision check (mass_g > 0),
  set_id text,
  state text not null check (state in ('whole','cut')),
  unique (lot_id, ordinal)
);
create table blank (
  id text primary key,
  lot_id text not null references lot,
  board_id text not null references board,
  model_id text not null references model,
  component text not null,
  length_mm double precision not null check (length_mm > 0),
  width_mm double precision not null check (width_mm > 0),
  thickness_mm double precision not null check (thickness_mm > 0),
  set_id text not null,
  look text not null check (look in ('clear','solid')),
  mass_g double precision check (mass_g > 0),
  moisture_pct double precision check (moisture_pct between 0 and 200),
  order_id text references customer_order,
  state text not null check (state in ('free','started')),
  piece_id text,
  version int not null,
  constraint blank_started check ((state = 'started') = (piece_id is not null))
);
create index blank_board on blank (board_id);
create index blank_lot on blank (lot_id);
create index blank_free on blank (model_id, component) where state = 'free';
alter table piece add column blank_id text references blank;
create unique index piece_blank on piece (blank_id) where blank_id is not null and component <> 'instrument';

create table cutting_plan (
  id text primary key,
  number int not null unique,
  at timestamptz not null,
  person_id text references person,
  lot_ids jsonb not null,
  settings jsonb not null,
  wanted jsonb not null,
  boards jsonb not null,
  state text not null check (state in ('draft','cut')),
  version int not null
);
-- Not state that follows from the logbook: rebuilding the lots must not take their pictures along.
create table picture (
  id text primary key,
  lot_id text not null,
  board_id text,
  at timestamptz not null,
  person_id text references person,
  name text not null,
  media_type text not null check (media_type in ('image/png','image/jpeg','image/webp')),
  bytes bytea not null check (octet_length(bytes) <= 4194304)
);
create index picture_lot on picture (lot_id);

grant select, insert, update, delete on board, blank, cutting_plan, picture to ${APPLICATION_ROLE};
`;

const DOWN = `
drop table picture, cutting_plan;
drop index piece_blank;
alter table piece drop column blank_id;
drop table blank, board;
alter table zone drop column revision;
alter table reading drop constraint reading_raw_pct_check, drop column mass_g, drop column dry_mass_g;
alter table reading add constraint reading_raw_pct_check check (raw_pct between 2 and 100);
drop index lot_kind;
alter table lot drop column papers_pct, drop column grade, drop column place, drop column stays, drop column samples, drop column schedule_id;
`;

export class Wood1700000000002 implements MigrationInterface {
  name = 'Wood1700000000002';
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(UP);
  }
  async down(runner: QueryRunner): Promise<void> {
    await runner.query(DOWN);
  }
}
