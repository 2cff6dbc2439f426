import type { MigrationInterface, QueryRunner } from 'typeorm';

const UP = `
create index override_lot on override (lot_id) where lot_id is not null;
`;

const DOWN = `
drop index override_lot;
`;

export class Overrides1700000000014 implements MigrationInterface {
  name = 'Overrides1700000000014';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(UP);
  }
  async down(runner: QueryRunner): Promise<void> {
    await runner.query(DOWN);
  }
}
