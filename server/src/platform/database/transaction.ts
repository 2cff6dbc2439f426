import type pg from 'pg';
import type { DataSource, EntityManager } from 'typeorm';
import type { PostgresQueryRunner } from 'typeorm/driver/postgres/PostgresQueryRunner.js';
import { faultOf, isPassing, UnknownOutcome } from './faults.ts';
import { insideTransaction } from './pool.ts';

/** One transaction, seen by TypeORM and by the driver alike. */
export interface Transaction {
  manager: EntityManager;
  client: pg.PoolClient;
  /** Sends the last statement and the commit together. */
  commitWith: (last: pg.QueryConfig) => Promise<void>;
}

/** Others changed meanwhile what this work rests on: it is done again from the start. */
export class Passing extends Error {}

const TRIES = 4;
const PAUSE_MS = 15;

/**
 * Runs work in a transaction that saves exchanges with the database: connections are pipelined, so the beginning
 * travels with the first query and the commit with the last. Without a last statement nothing is kept.
 *
 * Work that met a deadlock, or others' changes, is done again from the start, three times at most. It must therefore
 * change nothing but the database, and may ask only what it is given.
 *
 * @throws UnknownOutcome when the connection broke after the commit was sent
 */
export async function inTransaction<T>(database: DataSource, work: (transaction: Transaction) => Promise<T>): Promise<T> {
  for (let tried = 1; ; tried++) {
    try {
      return await once(database, work);
    } catch (error) {
      if (tried === TRIES || !(error instanceof Passing || isPassing(error))) throw error;
      // Each waits another while, so that two who met do not meet again.
      await new Promise((resolve) => setTimeout(resolve, PAUSE_MS * tried * (1 + Math.random())));
    }
  }
}

async function once<T>(database: DataSource, work: (transaction: Transaction) => Promise<T>): Promise<T> {
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
      if (!failed) return;
      throw faultOf(failed.reason) === 'gone' ? new UnknownOutcome(failed.reason) : failed.reason;
    };
    try {
      return await insideTransaction(() => work({ manager: runner.manager, client, commitWith }));
    } finally {
      if (open) await client.query('rollback').catch(() => undefined);
    }
  } finally {
    runner.isTransactionActive = false;
    await runner.release();
  }
}
