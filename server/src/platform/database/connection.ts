import type { DataSourceOptions } from 'typeorm';
import { SnakeNaming } from './naming.ts';
import { databaseUrl } from './url.ts';

type Classes = Pick<Extract<DataSourceOptions, { type: 'postgres' }>, 'entities' | 'migrations'>;

const POOL = 12;

/**
 * How to reach the database.
 *
 * @param role the role to work as; without one, as the owner, which migrations need
 */
export function connection(classes: Classes, role?: string): DataSourceOptions {
  return {
    type: 'postgres',
    url: databaseUrl(),
    ...classes,
    synchronize: false,
    namingStrategy: new SnakeNaming(),
    extra: {
      max: POOL,
      // A transaction's beginning and end travel with its first and last statement.
      pipeline: true,
      connectionTimeoutMillis: 5000,
      ...(role === undefined ? {} : { options: `-c role=${role}` }),
    },
  };
}
