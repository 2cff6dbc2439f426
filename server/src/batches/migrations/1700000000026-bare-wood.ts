import type { MigrationInterface, QueryRunner } from 'typeorm';

// Nobody could say before that a film was sanded off.
export class BareWood1700000000026 implements MigrationInterface {
  name = 'BareWood1700000000026';
  async up(runner: QueryRunner): Promise<void> {
    await runner.query('alter table piece add column bare_at timestamptz');
  }
  async down(runner: QueryRunner): Promise<void> {
    await runner.query('alter table piece drop column bare_at');
  }
}
