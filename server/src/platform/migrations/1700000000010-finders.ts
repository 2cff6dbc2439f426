import type { MigrationInterface, QueryRunner } from 'typeorm';

const UP = `
-- Finds a text anywhere within others by an index.
create extension if not exists pg_trgm;
-- Finds what overlaps a time, at one place.
create extension if not exists btree_gist;
`;

const DOWN = `
drop extension btree_gist;
drop extension pg_trgm;
`;

export class Finders1700000000010 implements MigrationInterface {
  name = 'Finders1700000000010';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(UP);
  }
  async down(runner: QueryRunner): Promise<void> {
    await runner.query(DOWN);
  }
}
