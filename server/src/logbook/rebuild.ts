import { isDeepStrictEqual } from 'node:util';
import { isNothing, LEDGER, RouteBook, Rows, type Entry } from '@ample-crane/core';
import type { EntityManager } from 'typeorm';
import { insertRows } from '../platform/database/rows.ts';
import type { RowTables } from '../platform/database/tables.ts';
import { LogbookEntity } from './logbook.entity.ts';

const CHUNK = 20_000;

export interface Difference {
  kind: string;
  key: string;
  what: 'missing in the tables' | 'not in the logbook' | 'different';
}

/** Replays the logbook from the first line, over the routes that there have ever been. */
export async function replay(manager: EntityManager, routes: RouteBook): Promise<{ rows: Rows; entries: number }> {
  const rows = new Rows(true);
  let entries = 0;
  for (let after = 0; ;) {
    const chunk = await manager
      .createQueryBuilder(LogbookEntity, 'entry')
      .where('entry.id > :after', { after })
      .orderBy('entry.id')
      .limit(CHUNK)
      .getMany();
    // What the table holds was checked when it was appended.
    LEDGER.replay(chunk as Entry[], routes, rows);
    entries += chunk.length;
    const last = chunk.at(-1);
    if (!last) return { rows, entries };
    after = last.id;
  }
}

/** Compares what the logbook says with what the tables hold. */
export async function compare(manager: EntityManager, rows: Rows, tables: RowTables): Promise<Difference[]> {
  const differences: Difference[] = [];
  for (const { kind, entity } of tables.all) {
    const told = new Map((rows.all(kind) as object[]).filter((row) => !isNothing(kind, row)).map((row) => [kind.keyOf(row as never), row]));
    for (const stored of await manager.find(entity)) {
      if (isNothing(kind, stored)) continue;
      const key = kind.keyOf(stored as never);
      const row = told.get(key);
      told.delete(key);
      if (!row) differences.push({ kind: kind.name, key, what: 'not in the logbook' });
      else if (!isDeepStrictEqual({ ...stored }, { ...row })) differences.push({ kind: kind.name, key, what: 'different' });
    }
    for (const missing of told.keys()) differences.push({ kind: kind.name, key: missing, what: 'missing in the tables' });
  }
  return differences;
}

/** Empties the tables of rows and fills them from a replay; needs the owner's rights. */
export async function rewrite(manager: EntityManager, rows: Rows, tables: RowTables): Promise<void> {
  const names = tables.all.map(({ entity }) => `"${manager.connection.getMetadata(entity).tableName}"`);
  await manager.query(`truncate ${names.join(', ')}`);
  for (const { kind, entity } of tables.all) await insertRows(manager, entity, rows.all(kind));
}
