import type { MigrationInterface, QueryRunner } from 'typeorm';

// Blanks can be joined before they are bound to a model.
export class JoinedBlanks1700000000027 implements MigrationInterface {
  name = 'JoinedBlanks1700000000027';
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
alter table blank drop constraint blank_state_check;
alter table blank add constraint blank_state_check check (state in ('free', 'started', 'joined'));`);
  }
  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`
update blank set state = 'free' where state = 'joined';
alter table blank drop constraint blank_state_check;
alter table blank add constraint blank_state_check check (state in ('free', 'started'));`);
  }
}
