import type { MigrationInterface, QueryRunner } from 'typeorm';

// Every reading so far had its session's temperature, and stands as it was written down.
export class ReadingsPutRight1700000000020 implements MigrationInterface {
  name = 'ReadingsPutRight1700000000020';
  async up(runner: QueryRunner): Promise<void> {
    await runner.query('alter table reading add column wood_temp_c double precision, add column first_raw_pct double precision');
  }
  async down(runner: QueryRunner): Promise<void> {
    await runner.query('alter table reading drop column wood_temp_c, drop column first_raw_pct');
  }
}
