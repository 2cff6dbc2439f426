import type { MigrationInterface, QueryRunner } from 'typeorm';

export class CuttingPlans1700000000018 implements MigrationInterface {
  name = 'CuttingPlans1700000000018';
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      create index cutting_plan_number on cutting_plan (number, id);
      create index cutting_plan_at on cutting_plan (at, id);
      create index cutting_plan_begins on cutting_plan (id text_pattern_ops);
    `);
  }
  async down(runner: QueryRunner): Promise<void> {
    await runner.query('drop index cutting_plan_number, cutting_plan_at, cutting_plan_begins');
  }
}
