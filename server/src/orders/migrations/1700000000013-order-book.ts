import type { MigrationInterface, QueryRunner } from 'typeorm';

const UP = `
create index order_open on customer_order (due_at) where shipped < quantity;
create index order_id_begins on customer_order (id text_pattern_ops);
create index order_customer_within on customer_order using gin (customer gin_trgm_ops);
`;

const DOWN = `
drop index order_open, order_id_begins, order_customer_within;
`;

export class OrderBook1700000000013 implements MigrationInterface {
  name = 'OrderBook1700000000013';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(UP);
  }
  async down(runner: QueryRunner): Promise<void> {
    await runner.query(DOWN);
  }
}
