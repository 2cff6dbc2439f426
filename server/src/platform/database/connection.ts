import type { DataSourceOptions } from 'typeorm';
import { SnakeNaming } from './naming.ts';
import { guardedDriver } from './pool.ts';
import { databaseUrl, ownerUrl } from './url.ts';

type Classes = Pick<Extract<DataSourceOptions, { type: 'postgres' }>, 'entities' | 'migrations'>;

const POOL = 12;

/** A statement that takes longer helps nobody who waits for it; nor does a lock that nobody gives back. */
const SERVING = { statement_timeout: 20_000, lock_timeout: 8_000, idle_in_transaction_session_timeout: 20_000 };

/** How to reach the database as its owner: for migrations, the demo's history and the rebuild. */
export const ownerConnection = (classes: Classes): DataSourceOptions => connection(classes, ownerUrl(), {});

/** How the server reaches it: as a role that may do no more than serving needs. */
export const applicationConnection = (classes: Classes, role: string): DataSourceOptions =>
  connection(classes, databaseUrl(), { ...SERVING, options: `-c role=${role}` });

function connection(classes: Classes, url: string, extra: object): DataSourceOptions {
  return {
    type: 'postgres',
    url,
    driver: guardedDriver(),
    ...classes,
    synchronize: false,
    namingStrategy: new SnakeNaming(),
    extra: {
      max: POOL,
      // A transaction's beginning and end travel with its first and last statement.
      pipeline: true,
      connectionTimeoutMillis: 5000,
      ...extra,
    },
  };
}
