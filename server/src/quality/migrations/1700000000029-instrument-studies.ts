import type { MigrationInterface, QueryRunner } from 'typeorm';
import { APPLICATION_ROLE } from '../../platform/migrations/1700000000000-first-plan.ts';

// What each instrument is worth for what it measures, as it was studied last.
export class InstrumentStudies1700000000029 implements MigrationInterface {
  name = 'InstrumentStudies1700000000029';
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
create table instrument_study (
  id text primary key,
  instrument text not null,
  what text not null,
  unit text not null,
  low double precision,
  high double precision,
  people jsonb not null,
  "values" jsonb not null,
  at timestamptz not null,
  person_id text
);
grant select, insert, update, delete on instrument_study to ${APPLICATION_ROLE};`);
  }
  async down(runner: QueryRunner): Promise<void> {
    await runner.query('drop table instrument_study');
  }
}
