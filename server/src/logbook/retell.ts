import { ROWS_VERSION, type RouteBook } from '@ample-crane/core';
import type { DataSource, EntityManager } from 'typeorm';
import type { RowTables } from '../platform/database/tables.ts';
import { inTransaction } from '../platform/database/transaction.ts';
import { takeOver } from './rebuild.ts';
import { BESIDE, tellBeside } from './telling.ts';

/**
 * Tells the tables of rows anew from the logbook, where an earlier program told them otherwise. As the owner, before the
 * server starts.
 *
 * @returns how many entries were told again; null where the rows are as this program tells them
 */
export function retell(
  owner: DataSource,
  tables: RowTables,
  routesOf: (manager: EntityManager) => Promise<RouteBook>,
): Promise<number | null> {
  return inTransaction(owner, async (transaction) => {
    const { manager, commitWith } = transaction;
    const told = await manager.query<{ version: number }[]>('select version from rows_told');
    if (told[0]?.version === ROWS_VERSION) return null;
    const entries = await tellBeside(transaction, tables, await routesOf(manager));
    if (entries > 0) await takeOver(manager, tables);
    await manager.query(`drop schema ${BESIDE} cascade`);
    await manager.query('delete from rows_told');
    await commitWith({ text: 'insert into rows_told values ($1)', values: [ROWS_VERSION] });
    return entries;
  });
}
