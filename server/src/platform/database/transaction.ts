import type pg from 'pg';
import type { DataSource, EntityManager } from 'typeorm';
import type { PostgresQueryRunner } from 'typeorm/driver/postgres/PostgresQueryRunner.js';

/** One transaction, seen by TypeORM and by the driver alike. */
export interface Transaction {
  manager: EntityManager;
  client: pg.PoolClient;
  /** Sends the last statement and the commit together. */
  commitWith(last: pg.QueryConfig): Promise<void>;
}

/**
 * Runs work in a transaction that saves exchanges with the database: connections are pipelined, so the beginning
 * travels with the first query and the commit with the last. Without a last statement nothing is kept.
 */
export async function inTransaction<T>(database: DataSource, work: (transaction: Transaction) => Promise<T>): Promise<T> {
  const runner = database.createQueryRunner() as PostgresQueryRunner;
  try {
    const client = (await runner.connect()) as pg.PoolClient;
    const begun = client.query('begin');
    // TypeORM is told, so that it locks rows here and begins no transaction of its own.
    runner.isTransactionActive = true;
    // Told where it is waited for.
    begun.catch(() => undefined);
    let open = true;
    const commitWith = async (last: pg.QueryConfig): Promise<void> => {
      await begun;
      // The database turns the commit into a rollback when the statement before it failed.
      const sent = [client.query(last), client.query('commit')];
      open = false;
      const answers = await Promise.allSettled(sent);
      const failed = answers.find((answer) => answer.status === 'rejected');
      if (failed) throw failed.reason;
    };
    try {
      return await work({ manager: runner.manager, client, commitWith });
    } finally {
      if (open) await client.query('rollback').catch(() => undefined);
    }
  } finally {
    await runner.release();
  }
}
