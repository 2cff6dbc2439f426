import { isDeepStrictEqual } from 'node:util';
import { applyEntry, keyOf, ShopState, type LogbookEntry, type Route, type RowKind, type Rows } from '@ample-crane/core';
import type { EntityManager } from 'typeorm';
import { insertRows } from '../platform/database/rows.ts';
import { RouteEntity } from '../setup/setup.entity.ts';
import { LogbookEntity } from './logbook.entity.ts';
import { STATE_TABLES } from './tables.ts';

const CHUNK = 20_000;

export interface Difference {
  kind: RowKind;
  key: string;
  what: 'missing in the tables' | 'not in the logbook' | 'different';
}

/** Replays the logbook from the first line. */
export async function replay(manager: EntityManager): Promise<{ state: ShopState; entries: number }> {
  const routes = await manager.find(RouteEntity);
  const state = new ShopState(new Map<string, Route>(routes.map((r) => [r.id, r.graph])), true);
  let entries = 0;
  for (let after = 0; ;) {
    const rows = await manager
      .createQueryBuilder(LogbookEntity, 'entry')
      .where('entry.id > :after', { after })
      .orderBy('entry.id')
      .limit(CHUNK)
      .getMany();
    // What the table holds was checked when it was appended.
    for (const row of rows) applyEntry(state, row as unknown as LogbookEntry);
    entries += rows.length;
    const last = rows.at(-1);
    if (!last) return { state, entries };
    after = last.id;
  }
}

/** Compares what the logbook says with what the tables hold. */
export async function compare(manager: EntityManager, state: ShopState): Promise<Difference[]> {
  const differences: Difference[] = [];
  for (const [kind, entity] of STATE_TABLES) {
    const key = keyOf[kind] as (row: Rows[RowKind]) => string;
    const told = new Map(state.all(kind).map((row) => [key(row), row]));
    for (const stored of (await manager.find(entity)) as Rows[RowKind][]) {
      const row = told.get(key(stored));
      told.delete(key(stored));
      if (!row) differences.push({ kind, key: key(stored), what: 'not in the logbook' });
      else if (!isDeepStrictEqual({ ...stored }, { ...row })) differences.push({ kind, key: key(stored), what: 'different' });
    }
    for (const missing of told.keys()) differences.push({ kind, key: missing, what: 'missing in the tables' });
  }
  return differences;
}

/** Empties the state tables and fills them from a replay; needs the owner's rights. */
export async function rewrite(manager: EntityManager, state: ShopState): Promise<void> {
  const names = STATE_TABLES.map(([, entity]) => `"${manager.connection.getMetadata(entity).tableName}"`);
  await manager.query(`truncate ${names.join(', ')}`);
  for (const [kind, entity] of STATE_TABLES) await insertRows(manager, entity, state.all(kind));
}
