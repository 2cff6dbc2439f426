import type { MigrationInterface, QueryRunner } from 'typeorm';
import { APPLICATION_ROLE } from './1700000000000-first-plan.ts';

const UP = `
create table account (
  person_id text primary key references person on delete cascade,
  login text not null unique,
  role text not null check (role in ('viewer', 'operator', 'lead', 'manager', 'admin')),
  password_hash text not null,
  units jsonb not null,
  theme text not null,
  feed_token_hash text unique
);
-- Who was given no password when this was undone has no account.
insert into account select id, login, role, password_hash, units, theme, feed_token_hash from person where password_hash <> '';
grant select, insert, update, delete on account to ${APPLICATION_ROLE};

update person set skills = (
  select coalesce(jsonb_agg(jsonb_build_object(
    'skill', s, 'level', coalesce((skill_levels ->> s)::int, 2), 'since', null, 'until', null) order by n), '[]')
  from jsonb_array_elements_text(skills) with ordinality as held(s, n));
alter table person
  drop column login, drop column role, drop column password_hash, drop column units, drop column theme, drop column feed_token_hash,
  drop column skill_levels,
  add column week jsonb;
`;

// Who has no account cannot have been before there were any: they are given a name nobody signs in with.
const DOWN = `
alter table person
  drop column week,
  add column skill_levels jsonb not null default '{}',
  add column login text, add column role text, add column password_hash text, add column units jsonb, add column theme text,
  add column feed_token_hash text;
update person set
  skill_levels = (select coalesce(jsonb_object_agg(h ->> 'skill', (h ->> 'level')::int) filter (where (h ->> 'level')::int <> 2), '{}')
    from jsonb_array_elements(skills) h),
  skills = (select coalesce(jsonb_agg(h -> 'skill' order by n), '[]') from jsonb_array_elements(skills) with ordinality as held(h, n));
update person set login = a.login, role = a.role, password_hash = a.password_hash, units = a.units, theme = a.theme,
  feed_token_hash = a.feed_token_hash
  from account a where a.person_id = person.id;
update person set login = id, role = 'operator', password_hash = '', units = '{}', theme = 'paper' where login is null;
alter table person
  alter column login set not null, add unique (login),
  alter column role set not null, alter column password_hash set not null, alter column units set not null, alter column theme set not null,
  add unique (feed_token_hash);
drop table account;
`;

/** A person is not an account: signing in, a role and a password are a row of their own. Skills say their level and their days. */
export class People1700000000006 implements MigrationInterface {
  name = 'People1700000000006';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(UP);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(DOWN);
  }
}
