import type { MigrationInterface, QueryRunner } from 'typeorm';
import { APPLICATION_ROLE } from '../../platform/migrations/1700000000000-first-plan.ts';

/** Since when a program was on record, and who put it there, nobody wrote down. */
const WHY = 'On record before revisions were kept';

// Programs with their revisions, and cutters. A program was a line of the equipment before: what was known of it goes
// into the logbook, from which its row is told.
export class Programs1700000000031 implements MigrationInterface {
  name = 'Programs1700000000031';
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
create table program (
  id text primary key,
  model_id text references model,
  what text not null,
  side text not null,
  serves jsonb not null,
  owner_id text,
  asked_at timestamptz not null,
  note text not null,
  revisions jsonb not null,
  version int not null
);
create index program_what on program (what);
create table cutter (
  id text primary key,
  kind text not null,
  state text not null check (state in ('ready','mounted','away','broken','put away')),
  station_code text references station,
  bench int,
  life_minutes double precision not null check (life_minutes > 0),
  sharpened int not null,
  since_at timestamptz not null,
  note text not null,
  version int not null,
  check ((state = 'mounted') = (station_code is not null and bench is not null))
);
create index cutter_station on cutter (station_code) where station_code is not null;
create unique index cutter_on_machine on cutter (station_code, bench, kind) where station_code is not null;
grant select, insert, update, delete on program, cutter to ${APPLICATION_ROLE};

create temporary table known as
  select coalesce(model_id, 'any') || '/' || what as id, model_id, what, revision, state, note from prerequisite where kind = 'program';
${entry('program.asked', `json_build_object('id', id, 'modelId', model_id, 'what', what, 'side', '', 'serves', '[]'::json, 'ownerId', null, 'note', note)`)}
${entry(
  'revision.drawn',
  `json_build_object('programId', id, 'what', what, 'revision', json_build_object('name', revision, 'why', '${WHY}', 'file', '',
    'fixture', '', 'piecesALoad', 1, 'cutters', '[]'::json, 'planned', json_build_object('setUp', 0, 'load', 0, 'run', 0, 'unload', 0)))`,
)}
${entry(
  'revision.moved',
  `json_build_object('programId', id, 'what', what, 'revision', revision, 'to', state, 'note', '${WHY}')`,
  `where state in ('released', 'withdrawn')`,
)}
drop table known;
delete from prerequisite where kind = 'program';
alter table prerequisite drop constraint prerequisite_kind_check;
alter table prerequisite add constraint prerequisite_kind_check check (kind in ('fixture','sample','kit'));`);
  }
  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`
alter table prerequisite drop constraint prerequisite_kind_check;
alter table prerequisite add constraint prerequisite_kind_check check (kind in ('program','fixture','sample','kit'));
drop table cutter;
drop table program;`);
  }
}

function entry(kind: string, payload: string, which = ''): string {
  return `insert into logbook (at, recorded_at, person_id, kind, schema_version, payload)
  select now(), now(), null, '${kind}', 1, ${payload} from known ${which} order by id;`;
}
