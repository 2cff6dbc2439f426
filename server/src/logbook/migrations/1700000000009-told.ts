import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Which program told the tables of rows from the logbook: when a later one tells them otherwise, they are told anew. */
export class Told1700000000009 implements MigrationInterface {
  name = 'Told1700000000009';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query('create table rows_told (version int not null)');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('drop table rows_told');
  }
}
