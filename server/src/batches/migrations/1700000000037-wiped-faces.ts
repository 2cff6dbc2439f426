import type { MigrationInterface, QueryRunner } from 'typeorm';

// Nobody could say before that faces were wiped.
export class WipedFaces1700000000037 implements MigrationInterface {
  name = 'WipedFaces1700000000037';
  async up(runner: QueryRunner): Promise<void> {
    await runner.query('alter table piece add column wiped_at timestamptz');
  }
  async down(runner: QueryRunner): Promise<void> {
    await runner.query('alter table piece drop column wiped_at');
  }
}
