import type { MigrationInterface, QueryRunner } from 'typeorm';

// Nothing was asked for before.
export class JobSettings1700000000019 implements MigrationInterface {
  name = 'JobSettings1700000000019';
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`alter table job add column settings jsonb not null default '[]'`);
  }
  async down(runner: QueryRunner): Promise<void> {
    await runner.query('alter table job drop column settings');
  }
}
