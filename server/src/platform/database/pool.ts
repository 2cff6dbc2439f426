import { AsyncLocalStorage } from 'node:async_hooks';
import { Logger } from '@nestjs/common';
import pg from 'pg';
import type { DataSource } from 'typeorm';

const logger = new Logger('Database');
const withinTransaction = new AsyncLocalStorage<true>();

/** Runs work that must ask the database through its own transaction only. */
export const insideTransaction = <T>(work: () => Promise<T>): Promise<T> => withinTransaction.run(true, work);

/** Thrown at whoever asks for a second connection while holding one: enough of them at once would wait for each other. */
export class SecondConnection extends Error {
  constructor() {
    super('Work inside a transaction asks the database through that transaction only');
  }
}

/**
 * A pool whose lost connections are told in the log and never end the process, and that lends nothing to work which
 * holds a connection already.
 */
class GuardedPool extends pg.Pool {
  constructor(config?: pg.PoolConfig) {
    super(config);
    // A client that is lent out has nobody else to hear it; its query fails on its own.
    this.on('connect', (client) => client.on('error', (error) => logger.warn(`Lost a connection to the database: ${error.message}`)));
    this.on('error', () => undefined);
  }

  override connect(): Promise<pg.PoolClient>;
  override connect(callback: Parameters<pg.Pool['connect']>[0]): void;
  override connect(callback?: Parameters<pg.Pool['connect']>[0]): Promise<pg.PoolClient> | void {
    if (withinTransaction.getStore() === true) {
      if (callback === undefined) return Promise.reject(new SecondConnection());
      callback(new SecondConnection(), undefined, () => undefined);
      return;
    }
    if (callback === undefined) return super.connect();
    super.connect(callback);
  }
}

const pools = new WeakMap<object, pg.Pool>();

/** The driver as TypeORM is given it, one for each data source, so that its pool is known. */
export function guardedDriver(): typeof pg {
  const driver = {
    ...pg,
    Pool: class extends GuardedPool {
      constructor(config?: pg.PoolConfig) {
        super(config);
        pools.set(driver, this);
      }
    },
  };
  return driver;
}

/** The connections of a data source that was opened with a guarded driver. @throws Error before it is open */
export function poolOf({ options }: DataSource): pg.Pool {
  const pool = 'driver' in options && typeof options.driver === 'object' ? pools.get(options.driver as object) : undefined;
  if (!pool) throw new Error('The data source is not open');
  return pool;
}
