import type { MigrationInterface, QueryRunner } from 'typeorm';
import { APPLICATION_ROLE } from '../../platform/migrations/1700000000000-first-plan.ts';

// Sets of kits that lie ready, where the factory counts them.
export class Kits1700000000025 implements MigrationInterface {
  name = 'Kits1700000000025';
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
create table kit_stock (
  id text primary key,
  what text not null,
  serves text not null,
  sets int not null check (sets >= 0)
);
grant select, insert, update, delete on kit_stock to ${APPLICATION_ROLE};`);
  }
  async down(runner: QueryRunner): Promise<void> {
    await runner.query('drop table kit_stock');
  }
}
