import type { MigrationInterface, QueryRunner } from 'typeorm';

/** How far the set-up has come is asked at every request. */
export class SetupPosition1700000000003 implements MigrationInterface {
  name = 'SetupPosition1700000000003';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`create index logbook_setup on logbook (id) where kind = 'setup.changed'`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('drop index logbook_setup');
  }
}
