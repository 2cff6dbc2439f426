import type { EntityManager, EntityTarget, ObjectLiteral } from 'typeorm';

const CHUNK = 4000;

/** Inserts rows, or brings those with the same key up to date; plain objects with the entity's property names. */
export const upsertRows = <T extends ObjectLiteral>(manager: EntityManager, entity: EntityTarget<T>, rows: readonly T[]) =>
  write(manager, entity, rows, true);

/** Inserts rows that must be new. */
export const insertRows = <T extends ObjectLiteral>(manager: EntityManager, entity: EntityTarget<T>, rows: readonly T[]) =>
  write(manager, entity, rows, false);

/** A few thousand rows a statement, passed as one JSON parameter. */
async function write<T extends ObjectLiteral>(
  manager: EntityManager,
  entity: EntityTarget<T>,
  rows: readonly T[],
  replace: boolean,
): Promise<void> {
  if (rows.length === 0) return;
  const { tableName, columns, primaryColumns } = manager.connection.getMetadata(entity);
  const names = columns.map((c) => `"${c.databaseName}"`);
  const keys = primaryColumns.map((c) => `"${c.databaseName}"`);
  const updates = names.filter((n) => !keys.includes(n)).map((n) => `${n} = excluded.${n}`);
  const onConflict = !replace
    ? ''
    : `on conflict (${keys.join(', ')}) do ${updates.length === 0 ? 'nothing' : `update set ${updates.join(', ')}`}`;
  for (let i = 0; i < rows.length; i += CHUNK) {
    const records = rows.slice(i, i + CHUNK).map((row) =>
      Object.fromEntries(
        columns.map((c) => {
          const value: unknown = c.getEntityValue(row, true);
          return [c.databaseName, value instanceof Date ? value.toISOString() : (value ?? null)];
        }),
      ),
    );
    await manager.query(
      `insert into "${tableName}" (${names.join(', ')})
       select ${names.join(', ')} from jsonb_populate_recordset(null::"${tableName}", $1::jsonb)
       ${onConflict}`,
      [JSON.stringify(records)],
    );
  }
}
