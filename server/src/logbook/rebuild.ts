import type { RouteBook } from '@ample-crane/core';
import type { DataSource, EntityManager } from 'typeorm';
import type { RowTable, RowTables } from '../platform/database/tables.ts';
import { inTransaction } from '../platform/database/transaction.ts';
import { BESIDE, tableNames, tellBeside } from './telling.ts';

export interface Difference {
  kind: string;
  key: string;
  what: 'missing in the tables' | 'not in the logbook' | 'different';
}

export interface Comparison {
  entries: number;
  /** how many rows are not as the logbook tells them */
  differences: number;
  /** the first of them, of each kind of row */
  first: Difference[];
}

export interface RebuildOptions {
  /** puts what the logbook tells in place of what the tables hold */
  write?: boolean;
  /** how many entries are told at a time */
  stretch?: number;
}

const SHOWN = 20;

/**
 * Compares what the logbook says with what the tables hold, as both were at one instant. Needs the owner's rights.
 *
 * @param routesOf every route there has ever been
 */
export const rebuild = (
  owner: DataSource,
  tables: RowTables,
  routesOf: (manager: EntityManager) => Promise<RouteBook>,
  { write = false, stretch }: RebuildOptions = {},
): Promise<Comparison> =>
  inTransaction(owner, async (transaction) => {
    const { manager } = transaction;
    await manager.query('set transaction isolation level repeatable read');
    const entries = await tellBeside(transaction, tables, await routesOf(manager), stretch);
    const first: Difference[] = [];
    let differences = 0;
    for (const table of tables.all) {
      const found = await differencesOf(manager, table);
      differences += found[0]?.together ?? 0;
      first.push(...found.map(({ key, what }) => ({ kind: table.kind.name, key, what })));
    }
    if (write) {
      await takeOver(manager, tables);
      await transaction.commitWith({ text: `drop schema ${BESIDE} cascade` });
    }
    return { entries, differences, first };
  });

/** Puts what was told beside the tables in their place. */
export async function takeOver(manager: EntityManager, tables: RowTables): Promise<void> {
  const names = tableNames(manager, tables).map((name) => `"${name}"`);
  await manager.query(`truncate ${names.join(', ')}`);
  for (const name of names) await manager.query(`insert into ${name} select * from ${BESIDE}.${name}`);
}

/** The first rows of a kind that are not the same in both, and how many there are together. */
function differencesOf(
  manager: EntityManager,
  { kind, entity }: RowTable,
): Promise<(Pick<Difference, 'key' | 'what'> & { together: number })[]> {
  const meta = manager.connection.getMetadata(entity);
  const columnOf = (property: string) => `"${meta.findColumnWithPropertyName(property)?.databaseName ?? ''}"`;
  const key = columnOf(kind.key);
  // A row of sums that holds nothing is the same as none.
  const holding = kind.sums.length > 0 ? `where (${kind.sums.map(columnOf).join(', ')}) <> (${kind.sums.map(() => '0').join(', ')})` : '';
  const rowsIn = (schema: string) => `(select * from ${schema}."${meta.tableName}" ${holding})`;
  return manager.query(
    `select coalesce(stored.${key}, told.${key})::text as key, count(*) over ()::int as together,
       case when stored.${key} is null then 'missing in the tables' when told.${key} is null then 'not in the logbook' else 'different' end as what
     from ${rowsIn('public')} stored full join ${rowsIn(BESIDE)} told using (${key})
     where stored.* is distinct from told.* order by 1 limit ${SHOWN}`,
  );
}
