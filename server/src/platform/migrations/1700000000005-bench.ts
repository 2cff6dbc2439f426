import type { MigrationInterface, QueryRunner } from 'typeorm';
import { APPLICATION_ROLE } from './1700000000000-first-plan.ts';

const UP = `
alter table session
  alter column person_id drop not null,
  add column station_code text references station on delete cascade,
  add column opened_by text references person on delete set null,
  add constraint session_of_one check (num_nonnulls(person_id, station_code) = 1);

create table bench_credential (
  person_id text primary key references person on delete cascade,
  pin_hash text,
  badge_hash text unique,
  set_at timestamptz not null default now()
);
create table bench_hold (
  token_hash text primary key,
  session_hash text not null references session on delete cascade,
  person_id text not null references person on delete cascade,
  expires_at timestamptz not null,
  unique (session_hash, person_id)
);
grant select, insert, update, delete on bench_credential, bench_hold to ${APPLICATION_ROLE};
`;

const DOWN = `
drop table bench_hold, bench_credential;
delete from session where person_id is null;
alter table session drop constraint session_of_one, drop column opened_by, drop column station_code, alter column person_id set not null;
`;

/** Tablets that are signed in as a station, and the people who act there by PIN or badge. */
export class Bench1700000000005 implements MigrationInterface {
  name = 'Bench1700000000005';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(UP);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(DOWN);
  }
}
