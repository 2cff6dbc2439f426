import type { MigrationInterface, QueryRunner } from 'typeorm';
import { APPLICATION_ROLE } from '../../platform/migrations/1700000000000-first-plan.ts';

// What people want to go on a machine first.
export class LoadOrders1700000000032 implements MigrationInterface {
  name = 'LoadOrders1700000000032';
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
create table load_order (
  id text primary key,
  batch_ids jsonb not null,
  person_id text,
  at timestamptz not null
);
grant select, insert, update, delete on load_order to ${APPLICATION_ROLE};`);
  }
  async down(runner: QueryRunner): Promise<void> {
    await runner.query('drop table load_order');
  }
}
