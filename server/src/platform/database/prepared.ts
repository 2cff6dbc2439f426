import type pg from 'pg';
import { EntityManager, type DataSource } from 'typeorm';
import { poolOf } from './pool.ts';

const names = new Map<string, string>();

/** A query that each connection parses and plans once, and keeps under a name of its own. */
export function prepared(text: string, values: unknown[]): pg.QueryConfig {
  const name = names.get(text) ?? `q${names.size}`;
  names.set(text, name);
  return { name, text, values };
}

/** Who can be asked: the database at large, or within a transaction its manager. */
export type Asked = DataSource | EntityManager;

/** The rows of a query that is asked at every request. */
export async function ask<R extends pg.QueryResultRow>(database: Asked, text: string, values: unknown[]): Promise<R[]> {
  if (database instanceof EntityManager) return database.query<R[]>(text, values);
  return (await poolOf(database).query<R>(prepared(text, values))).rows;
}
