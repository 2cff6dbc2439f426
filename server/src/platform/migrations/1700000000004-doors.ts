import type { MigrationInterface, QueryRunner } from 'typeorm';
import { APPLICATION_ROLE } from './1700000000000-first-plan.ts';

const UP = `
alter table session
  add column created_at timestamptz not null default now(),
  add column seen_at timestamptz not null default now(),
  add column address text not null default '',
  add column device text not null default '';

create table known_address (
  person_id text not null references person on delete cascade,
  address text not null,
  last_at timestamptz not null,
  primary key (person_id, address)
);
create table password_reset (
  person_id text primary key references person on delete cascade,
  code_hash text not null,
  made_by text not null references person,
  expires_at timestamptz not null
);
-- As the package that counts tries wants it.
create table rate_limit (key varchar(255) primary key, points integer not null default 0, expire bigint);
drop table sign_in_attempt;

create table logbook_seal (
  number int primary key,
  first_id int not null,
  last_id int not null check (last_id >= first_id),
  entries int not null check (entries > 0),
  hash text not null,
  sealed_at timestamptz not null default now()
);

-- A secret address outlives nobody's account.
update person set feed_token_hash = null where not active;

grant select, insert, update, delete on known_address, password_reset, rate_limit to ${APPLICATION_ROLE};
grant select, insert on logbook_seal to ${APPLICATION_ROLE};
`;

const DOWN = `
drop table logbook_seal, rate_limit, password_reset, known_address;
create table sign_in_attempt (login text not null, at timestamptz not null);
create index sign_in_attempt_login on sign_in_attempt (login, at);
grant select, insert, update, delete on sign_in_attempt to ${APPLICATION_ROLE};
alter table session drop column created_at, drop column seen_at, drop column address, drop column device;
`;

/** What sign-ins, sessions and the seal of the logbook need. */
export class Doors1700000000004 implements MigrationInterface {
  name = 'Doors1700000000004';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(UP);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(DOWN);
  }
}
