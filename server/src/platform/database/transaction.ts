import type pg from 'pg';
import type { DataSource, EntityManager } from 'typeorm';
import { faultOf, isPassing, UnknownOutcome } from './faults.ts';
import { insideTransaction } from './pool.ts';

/** One transaction, seen by TypeORM and by the driver alike. */
export interface Transaction {
  manager: EntityManager;
  client: pg.PoolClient;
  /** Sends the last statement, and commits. */
  commitWith: (last: pg.QueryConfig) => Promise<void>;
}

/** Others changed meanwhile what this work rests on: it is done again from the start. */
export class Passing extends Error {}

const TRIES = 4;
const PAUSE_MS = 15;

/**
 * Runs work in a transaction. Without a last statement nothing is kept.
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
  const runner = database.createQueryRunner();
  try {
    await runner.startTransaction();
    // The driver's own client: one connection, whoever asks through it.
    const client = (await runner.connect()) as pg.PoolClient;
    const commitWith = async (last: pg.QueryConfig): Promise<void> => {
      await client.query(last);
      try {
        await runner.commitTransaction();
      } catch (error) {
        throw faultOf(error) === 'gone' ? new UnknownOutcome(error) : error;
      }
    };
    try {
      return await insideTransaction(() => work({ manager: runner.manager, client, commitWith }));
    } finally {
      // A connection that is gone has rolled back by itself.
      if (runner.isTransactionActive) await runner.rollbackTransaction().catch(() => undefined);
    }
  } finally {
    await runner.release();
  }
}
