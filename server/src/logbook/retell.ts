import { ROWS_VERSION, type RouteBook } from '@ample-crane/core';
import type { DataSource, EntityManager } from 'typeorm';
import type { RowTables } from '../platform/database/tables.ts';
import { replay, rewrite } from './rebuild.ts';

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
  return owner.transaction(async (manager) => {
    const told = await manager.query<{ version: number }[]>('select version from rows_told');
    if (told[0]?.version === ROWS_VERSION) return null;
    const { rows, entries } = await replay(manager, await routesOf(manager));
    if (entries > 0) await rewrite(manager, rows, tables);
    await manager.query('delete from rows_told');
    await manager.query('insert into rows_told values ($1)', [ROWS_VERSION]);
    return entries;
  });
}
