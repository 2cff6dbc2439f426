import type { MigrationInterface, QueryRunner } from 'typeorm';
import { APPLICATION_ROLE } from '../../platform/migrations/1700000000000-first-plan.ts';

const NO_FACTS = `'{"choices":{},"species":{},"construction":""}'`;

const UP = `
alter table route add column state text not null default 'released' check (state in ('draft','released','retired'));
alter table route add column effective_at timestamptz;
alter table route add column reason text not null default '';
alter table route add column revision int not null default 1;
-- Which version is in force is a matter of dates, not of a pointer.
alter table model drop column route_id;
create unique index route_one_draft on route (model_id) where state = 'draft';
alter table person add column skill_levels jsonb not null default '{}';
alter table customer_order add column choices jsonb not null default '{}';

create table carrier (
  id text primary key,
  name text not null unique,
  kind text not null check (kind in ('rack','table','press','carousel','mould','form','rig','freezer shelf','cart')),
  places int not null check (places > 0),
  taken int not null default 0,
  zone_id text not null references zone,
  outline text references model,
  active boolean not null default true,
  version int not null default 1,
  constraint carrier_not_over_filled check (taken between 0 and places)
);
create table prerequisite (
  id text primary key,
  kind text not null check (kind in ('program','fixture','sample','kit')),
  what text not null,
  model_id text references model,
  revision text not null,
  state text not null check (state in ('draft','released','withdrawn')),
  note text not null default '',
  version int not null default 1
);
create unique index prerequisite_once on prerequisite (kind, what, coalesce(model_id, ''));

alter table batch drop column carrier;
alter table batch add column redo boolean not null default false;
alter table batch add column passes jsonb not null default '{}';
alter table batch add column rounds jsonb not null default '{}';
alter table batch add column accepted boolean not null default false;
alter table batch add column sign_offs jsonb not null default '[]';
alter table batch add column way_id text;
alter table batch add column facts jsonb not null default ${NO_FACTS};
alter table batch add column trial boolean not null default false;
alter table batch add column parent_id text references batch;
alter table batch add column away_to text;
alter table batch add column due_back_at timestamptz;
alter table batch drop constraint batch_component_check, drop constraint batch_status_check;
alter table batch add constraint batch_component_check
  check (component in ('body','neck','fingerboard','top','back','sides','small part','instrument'));
alter table batch add constraint batch_status_check
  check (status in ('queued','running','paused','finished','dwelling','away','stocked','held','done'));
alter table batch add constraint batch_away_check check ((status = 'away') <= (due_back_at is not null));
create index batch_parent on batch (parent_id) where parent_id is not null;
create index batch_stocked on batch (model_id) where status = 'stocked';

alter table visit add column redo boolean not null default false;
update visit set redo = pass > 1;
update batch b set redo = b.pass > 1, accepted = (b.status in ('running','paused','finished')),
  way_id = case when b.status in ('running','paused','finished') then 'own' end,
  passes = coalesce((select jsonb_object_agg(v.operation_id, v.passes)
    from (select operation_id, max(pass) as passes from visit where batch_id = b.id group by operation_id) v), '{}');

alter table piece add column into_id text;
alter table piece add column set_id text;
alter table piece add column grit int;
alter table piece add column coats int not null default 0;
alter table piece add column trail jsonb not null default '[]';
alter table piece drop constraint piece_state_check, drop constraint piece_batch_id_ordinal_key;
alter table piece add constraint piece_state_check
  check (state in ('good','rework','scrapped','joined','drawn','fitted','apart','shipped'));
alter table piece add constraint piece_joined_check check ((state in ('joined','drawn')) = (into_id is not null));
create index piece_batch on piece (batch_id, ordinal);
update piece p set trail = jsonb_build_array(jsonb_build_object('batchId', b.id, 'fromMs', (extract(epoch from b.started_at) * 1000)::bigint)),
  coats = (select count(*) from coat c where c.batch_id = b.id)
  from batch b where b.id = p.batch_id;

-- A body and a neck that were given a serial keep it, together or apart: the instrument points at piece and serial as one.
alter table piece add constraint piece_with_serial unique (id, serial);
alter table instrument add constraint instrument_body_bound foreign key (body_id, serial) references piece (id, serial)
  deferrable initially deferred;
alter table instrument add constraint instrument_neck_bound foreign key (neck_id, serial) references piece (id, serial)
  deferrable initially deferred;

alter table defect drop constraint defect_disposition_check;
alter table defect add constraint defect_disposition_check check (disposition in ('use as is','rework','scrap','hold'));

create table placement (
  id text primary key,
  batch_id text not null references batch,
  carrier_id text not null references carrier,
  pieces int not null check (pieces > 0),
  unique (batch_id, carrier_id)
);
create index placement_carrier on placement (carrier_id);
create function count_places() returns trigger language plpgsql as $f$
begin
  if tg_op in ('UPDATE', 'DELETE') then update carrier set taken = taken - old.pieces where id = old.carrier_id; end if;
  if tg_op in ('UPDATE', 'INSERT') then update carrier set taken = taken + new.pieces where id = new.carrier_id; end if;
  return null;
end $f$;
create trigger placement_counts after insert or update or delete on placement for each row execute function count_places();
create function count_no_places() returns trigger language plpgsql as $f$
begin update carrier set taken = 0; return null; end $f$;
create trigger placement_emptied after truncate on placement for each statement execute function count_no_places();

grant select, insert, update, delete on carrier, prerequisite, placement to ${APPLICATION_ROLE};
`;

const DOWN = `
drop table placement, prerequisite, carrier;
drop function count_places(), count_no_places();
alter table instrument drop constraint instrument_body_bound, drop constraint instrument_neck_bound;
alter table piece drop constraint piece_with_serial, drop constraint piece_joined_check, drop constraint piece_state_check,
  drop column into_id, drop column set_id, drop column grit, drop column coats, drop column trail;
drop index piece_batch;
alter table piece add constraint piece_batch_id_ordinal_key unique (batch_id, ordinal),
  add constraint piece_state_check check (state in ('good','rework','scrapped','fitted','shipped'));
alter table defect drop constraint defect_disposition_check;
alter table defect add constraint defect_disposition_check check (disposition in ('rework','scrap'));
alter table visit drop column redo;
alter table batch drop constraint batch_component_check, drop constraint batch_status_check, drop constraint batch_away_check;
drop index batch_parent, batch_stocked;
alter table batch add constraint batch_component_check check (component in ('body','neck','instrument')),
  add constraint batch_status_check check (status in ('queued','running','paused','finished','dwelling','held','done')),
  add column carrier text, drop column redo, drop column passes, drop column rounds, drop column accepted, drop column sign_offs, drop column way_id,
  drop column facts, drop column trial, drop column parent_id, drop column away_to, drop column due_back_at;
alter table customer_order drop column choices;
alter table person drop column skill_levels;
alter table model add column route_id text not null default '';
update model m set route_id = coalesce((select r.id from route r where r.model_id = m.id order by r.version desc limit 1), '');
alter table model alter column route_id drop default;
drop index route_one_draft;
alter table route drop column state, drop column effective_at, drop column reason, drop column revision;
`;

export class Routes1700000000001 implements MigrationInterface {
  name = 'Routes1700000000001';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(UP);
  }

  /** Goes back only while nothing of the newer plan is in use: the older checks refuse it otherwise. */
  async down(runner: QueryRunner): Promise<void> {
    await runner.query(DOWN);
  }
}
