import type { MigrationInterface, QueryRunner } from 'typeorm';
import { APPLICATION_ROLE } from '../../platform/migrations/1700000000000-first-plan.ts';

// Pictures of step sheets. They are kept as long as the routes that may name them: for ever.
export class SheetPictures1700000000034 implements MigrationInterface {
  name = 'SheetPictures1700000000034';
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
create table sheet_picture (
  id text primary key,
  media_type text not null check (media_type in ('image/png','image/jpeg','image/webp')),
  bytes bytea not null check (octet_length(bytes) <= 4194304)
);
grant select, insert on sheet_picture to ${APPLICATION_ROLE};`);
  }
  async down(runner: QueryRunner): Promise<void> {
    await runner.query('drop table sheet_picture');
  }
}
