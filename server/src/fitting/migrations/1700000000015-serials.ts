import type { MigrationInterface, QueryRunner } from 'typeorm';
import { APPLICATION_ROLE } from '../../platform/migrations/1700000000000-first-plan.ts';

const UP = `
create table serial_count (
  period text primary key,
  given int not null check (given > 0)
);
grant select, insert, update, delete on serial_count to ${APPLICATION_ROLE};
-- Where a stretch of the sequence has no count yet, its fittings are counted once.
create index logbook_fitted on logbook (at) where kind = 'instruments.fitted';
`;

const DOWN = `
drop index logbook_fitted;
drop table serial_count;
`;

export class Serials1700000000015 implements MigrationInterface {
  name = 'Serials1700000000015';
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(UP);
  }
  async down(runner: QueryRunner): Promise<void> {
    await runner.query(DOWN);
  }
}
