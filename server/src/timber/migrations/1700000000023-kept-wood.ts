import type { MigrationInterface, QueryRunner } from 'typeorm';
import { APPLICATION_ROLE } from '../../platform/migrations/1700000000000-first-plan.ts';

// Wood of a lot that an order has chosen and nobody else may cut.
export class KeptWood1700000000023 implements MigrationInterface {
  name = 'KeptWood1700000000023';
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
create table kept_wood (
  id text primary key,
  lot_id text not null references lot,
  order_id text not null references customer_order,
  volume_m3 double precision not null check (volume_m3 > 0)
);
create index kept_wood_lot on kept_wood (lot_id);
create index kept_wood_order on kept_wood (order_id);
grant select, insert, update, delete on kept_wood to ${APPLICATION_ROLE};`);
  }
  async down(runner: QueryRunner): Promise<void> {
    await runner.query('drop table kept_wood');
  }
}
