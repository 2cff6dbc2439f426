import type { MigrationInterface, QueryRunner } from 'typeorm';

const UP = `
create index lot_used_number on lot (number, id) where state = 'used up';
create index lot_used_received on lot (received_at, id) where state = 'used up';
create index lot_id_begins on lot (id text_pattern_ops);
create index lot_species on lot (species, number);
create index lot_supplier_within on lot using gin (supplier gin_trgm_ops);
create index lot_released on lot (released_at) where released_at is not null;
`;

const DOWN = `
drop index lot_used_number, lot_used_received, lot_id_begins, lot_species, lot_supplier_within, lot_released;
`;

export class LotLists1700000000012 implements MigrationInterface {
  name = 'LotLists1700000000012';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(UP);
  }
  async down(runner: QueryRunner): Promise<void> {
    await runner.query(DOWN);
  }
}
