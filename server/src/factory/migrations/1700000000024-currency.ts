import type { MigrationInterface, QueryRunner } from 'typeorm';

// What options add to a price is told in the factory's money; until somebody says otherwise, the one that was meant.
export class Currency1700000000024 implements MigrationInterface {
  name = 'Currency1700000000024';
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`update setting set value = value || '{"currency": "EUR"}' where key = 'factory' and not value ? 'currency'`);
  }
  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`update setting set value = value - 'currency' where key = 'factory'`);
  }
}
