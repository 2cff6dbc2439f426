import type { MigrationInterface, QueryRunner } from 'typeorm';

// What Morning tells as news stands on an index of its own: of a day's thousands of entries it is some dozens.
export class News1700000000022 implements MigrationInterface {
  name = 'News1700000000022';
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      `create index logbook_news on logbook (at, id) where kind in ('batch.held', 'lot.received', 'lot.released', 'instruments.fitted',
        'instrument.shipped', 'setup.changed') or (payload ->> 'override') is not null`,
    );
  }
  async down(runner: QueryRunner): Promise<void> {
    await runner.query('drop index logbook_news');
  }
}
