import type { MigrationInterface, QueryRunner } from 'typeorm';
import { APPLICATION_ROLE } from '../../platform/migrations/1700000000000-first-plan.ts';

const MS = (instant: string) => `(extract(epoch from ${instant}) * 1000)::bigint`;

// Runs become jobs as near as the tables can tell. Which pieces they were of, the logbook tells when it is told anew.
const UP = `
create table job (
  id text primary key,
  station_code text not null references station,
  open_at text references station,
  bench int,
  way_id text not null,
  person_ids jsonb not null,
  from_at timestamptz not null,
  to_at timestamptz,
  shares jsonb not null,
  check (to_at is null or to_at >= from_at),
  check ((to_at is null) = (open_at is not null))
);
create index job_to on job (to_at);
create index job_open on job (open_at) where open_at is not null;
-- Two who begin at once do not take the same place.
create unique index job_bench on job (open_at, bench) where open_at is not null;
grant select, insert, update, delete on job to ${APPLICATION_ROLE};
insert into job
select r.id, r.station_code, case when r.to_at is null then r.station_code end, null, coalesce(b.way_id, 'own'), case when r.person_id is null then '[]' else jsonb_build_array(r.person_id) end,
  r.from_at, r.to_at,
  jsonb_build_array(jsonb_build_object(
    'batchId', r.batch_id, 'visitId', r.visit_id, 'operationId', v.operation_id,
    'pieceIds', (select coalesce(jsonb_agg(p.id order by p.ordinal, p.id), '[]') from piece p where p.batch_id = r.batch_id),
    'fromMs', ${MS('r.from_at')}, 'toMs', ${MS('r.to_at')}))
from run r join visit v on v.id = r.visit_id join batch b on b.id = r.batch_id;

alter table batch add column job_id text references job;
update batch set job_id = run_id where run_id is not null;
alter table batch drop column run_id;
alter table batch add check ((status = 'running') = (job_id is not null));
drop table run;

alter table visit add column continues jsonb not null default '[]';
alter table piece add column last_coat jsonb;
alter table coat add column job_id text references job, add column piece_ids jsonb not null default '[]';
alter table measure add column visit_id text;
`;

const DOWN = `
create table run (
  id text primary key,
  visit_id text not null references visit,
  batch_id text not null references batch,
  station_code text not null references station,
  person_id text references person,
  from_at timestamptz not null,
  to_at timestamptz,
  check (to_at is null or to_at >= from_at)
);
create index run_to on run (to_at);
create index run_open on run (station_code) where to_at is null;
grant select, insert, update, delete on run to ${APPLICATION_ROLE};
-- Pieces that went on before the rest ended no run.
insert into run
select s ->> 'visitId' || '@' || min(s ->> 'fromMs'), s ->> 'visitId', s ->> 'batchId', j.station_code, j.person_ids ->> 0,
  to_timestamp(min((s ->> 'fromMs')::double precision) / 1000),
  case when bool_and(s ->> 'toMs' is not null) then to_timestamp(max((s ->> 'toMs')::double precision) / 1000) end
from job j, jsonb_array_elements(j.shares) s
group by j.id, s ->> 'visitId', s ->> 'batchId'
on conflict (id) do nothing;
alter table batch add column run_id text;
update batch b set run_id = (select r.id from run r where r.visit_id = b.visit_id and r.to_at is null) where status = 'running';
alter table batch drop column job_id;
alter table batch add check ((status = 'running') = (run_id is not null));
alter table visit drop column continues;
alter table piece drop column last_coat;
alter table coat drop column job_id, drop column piece_ids;
alter table measure drop column visit_id;
drop table job;
`;

/** Work is done on pieces, in jobs: coats, measures and minutes are those of the pieces, whatever batch they travel in. */
export class Jobs1700000000008 implements MigrationInterface {
  name = 'Jobs1700000000008';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(UP);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(DOWN);
  }
}
