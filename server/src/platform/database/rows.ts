import type { EntityManager, EntityTarget, ObjectLiteral } from 'typeorm';

const CHUNK = 4000;

/** Rows of one table: plain objects with the entity's property names. */
export interface TableRows<T extends ObjectLiteral = ObjectLiteral> {
  entity: EntityTarget<T>;
  rows: readonly T[];
  /** the database numbers them, in their order */
  numbered?: boolean;
}

/** Inserts rows, or brings those with the same key up to date. */
export const upsertRows = <T extends ObjectLiteral>(manager: EntityManager, entity: EntityTarget<T>, rows: readonly T[]) =>
  write(manager, { entity, rows }, true);

/** Inserts rows that must be new. */
export const insertRows = <T extends ObjectLiteral>(manager: EntityManager, entity: EntityTarget<T>, rows: readonly T[]) =>
  write(manager, { entity, rows }, false);

/** Brings several tables up to date and tells a channel, in one statement; few rows of each. */
export async function upsertAndNotify(
  manager: EntityManager,
  tables: readonly TableRows[],
  channel: string,
  message: object,
): Promise<void> {
  const parts = tables.map((table, i) => `t${i} as (${statement(manager, table, `$${i + 3}`, true)})`);
  await manager.query(`${parts.length === 0 ? '' : `with ${parts.join(', ')} `}select pg_notify($1, $2)`, [
    channel,
    JSON.stringify(message),
    ...tables.map((table) => records(manager, table)),
  ]);
}

/** A few thousand rows a statement. */
async function write<T extends ObjectLiteral>(manager: EntityManager, { entity, rows }: TableRows<T>, replace: boolean): Promise<void> {
  for (let i = 0; i < rows.length; i += CHUNK) {
    const part = { entity, rows: rows.slice(i, i + CHUNK) };
    await manager.query(statement(manager, part, '$1', replace), [records(manager, part)]);
  }
}

/** An insert of rows that come as one JSON parameter. */
function statement<T extends ObjectLiteral>(
  manager: EntityManager,
  { entity, numbered }: TableRows<T>,
  parameter: string,
  replace: boolean,
): string {
  const { tableName, columns, primaryColumns } = manager.connection.getMetadata(entity);
  const names = columns.filter((c) => !(numbered && c.isPrimary)).map((c) => `"${c.databaseName}"`);
  const keys = primaryColumns.map((c) => `"${c.databaseName}"`);
  const updates = names.filter((n) => !keys.includes(n)).map((n) => `${n} = excluded.${n}`);
  const onConflict =
    !replace || numbered
      ? ''
      : `on conflict (${keys.join(', ')}) do ${updates.length === 0 ? 'nothing' : `update set ${updates.join(', ')}`}`;
  return `insert into "${tableName}" (${names.join(', ')})
    select ${names.join(', ')} from jsonb_populate_recordset(null::"${tableName}", ${parameter}::jsonb) ${onConflict}`;
}

function records<T extends ObjectLiteral>(manager: EntityManager, { entity, rows }: TableRows<T>): string {
  const { columns } = manager.connection.getMetadata(entity);
  return JSON.stringify(
    rows.map((row) =>
      Object.fromEntries(
        columns.map((c) => {
          const value: unknown = c.getEntityValue(row, true);
          return [c.databaseName, value instanceof Date ? value.toISOString() : (value ?? null)];
        }),
      ),
    ),
  );
}
