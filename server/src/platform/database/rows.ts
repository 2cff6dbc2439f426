import type pg from 'pg';
import type { DataSource, EntityManager, EntityTarget, ObjectLiteral, ValueTransformer } from 'typeorm';
import { poolOf } from './pool.ts';
import { prepared } from './prepared.ts';

const CHUNK = 4000;

/** Rows of one table: plain objects with the entity's property names. */
export interface TableRows<T extends ObjectLiteral = ObjectLiteral> {
  entity: EntityTarget<T>;
  rows: readonly T[];
  /** the database numbers them, in their order */
  numbered?: boolean;
  /** properties that are added to what is there */
  sums?: readonly string[];
  /** keys of rows to take away */
  gone?: readonly string[];
}

/** Inserts rows, or brings those with the same key up to date. */
export const upsertRows = <T extends ObjectLiteral>(manager: EntityManager, entity: EntityTarget<T>, rows: readonly T[]) =>
  write(manager, { entity, rows }, true);

/** Inserts rows that must be new. */
export const insertRows = <T extends ObjectLiteral>(manager: EntityManager, entity: EntityTarget<T>, rows: readonly T[]) =>
  write(manager, { entity, rows }, false);

/** Brings a table up to date: what is added to sums is added, what is gone is taken away. */
export async function changeRows(manager: EntityManager, { gone = [], ...more }: TableRows): Promise<void> {
  if (gone.length > 0) await manager.query(removal(planOf(manager.connection, more.entity), '$1'), [gone]);
  await write(manager, more, true);
}

/** Brings several tables up to date and tells a channel, in one statement; few rows of each. */
export function upsertAndNotify(database: DataSource, tables: readonly TableRows[], channel: string, message: object): pg.QueryConfig {
  const parts: string[] = [];
  const values: unknown[] = [];
  const add = (part: (parameter: string) => string, value: unknown) => {
    values.push(value);
    parts.push(`t${values.length} as (${part(`$${values.length + 2}`)})`);
  };
  for (const { entity, rows, numbered, sums, gone = [] } of tables) {
    const plan = planOf(database, entity);
    if (rows.length > 0) add((parameter) => statement(plan, parameter, true, { numbered, sums }), records(plan, rows));
    if (gone.length > 0) add((parameter) => removal(plan, parameter), gone);
  }
  return prepared(`${parts.length === 0 ? '' : `with ${parts.join(', ')} `}select pg_notify($1, $2)`, [
    channel,
    JSON.stringify(message),
    ...values,
  ]);
}

/** What rows are read from: a transaction's own connection, or any of the pool. */
export interface Source {
  database: DataSource;
  client: pg.ClientBase | pg.Pool;
}

/** Rows that have one of these values in a column, in the column's order. */
export async function selectRows<T extends ObjectLiteral>(
  { database, client }: Source,
  entity: EntityTarget<T>,
  property: keyof T & string,
  values: readonly unknown[],
  { lock = false, order = property } = {},
): Promise<T[]> {
  if (values.length === 0) return [];
  const plan = planOf(database, entity);
  const rest = `where ${columnOf(plan, property)} = any($1) order by ${columnOf(plan, order)}${lock ? ' for update' : ''}`;
  return read(client, plan, rest, [values]);
}

/** The same from any connection of the pool: plain rows, for answers that are asked for at every moment. */
export const rowsWith = <T extends ObjectLiteral>(
  database: DataSource,
  entity: EntityTarget<T>,
  property: keyof T & string,
  values: readonly unknown[],
  order: keyof T & string = property,
): Promise<T[]> => selectRows({ database, client: poolOf(database) }, entity, property, values, { order });

/** Rows of one table that are wanted beside those of others. */
export interface Wanted<T extends ObjectLiteral> {
  entity: EntityTarget<T>;
  /** the column that has one of these values */
  property: keyof T & string;
  values: readonly string[];
  /** the column they are listed by; the same where nothing is said */
  order?: keyof T & string;
  /** only those that have this value in another column, or nothing there */
  notOfAnother?: { property: keyof T & string; value: string };
}

/** Rows of several tables in one statement: what an answer of many parts is put together from costs one way to the database. */
export async function rowsTogether<T extends Record<string, ObjectLiteral>>(
  database: DataSource,
  wanted: { [Part in keyof T]: Wanted<T[Part]> },
): Promise<{ [Part in keyof T]: T[Part][] }> {
  const parts = Object.entries<Wanted<ObjectLiteral>>(wanted);
  const found = await selectTogether(
    { database, client: poolOf(database) },
    parts.map(([, part]) => part),
  );
  return Object.fromEntries(parts.map(([part], i) => [part, found[i] ?? []])) as { [Part in keyof T]: T[Part][] };
}

/** The same for parts without names, in their order; one alone costs less by itself. */
export async function selectEach(source: Source, parts: readonly Wanted<ObjectLiteral>[]): Promise<ObjectLiteral[][]> {
  const [only] = parts;
  if (!only || parts.length > 1) return selectTogether(source, parts);
  const { entity, property, values, order = property } = only;
  return [await selectRows(source, entity, property, values, { order })];
}

async function selectTogether({ database, client }: Source, parts: readonly Wanted<ObjectLiteral>[]): Promise<ObjectLiteral[][]> {
  if (parts.length === 0) return [];
  const values: unknown[] = [];
  const parameter = (value: unknown) => `$${values.push(value)}`;
  const selects = parts.map(({ entity, property, values: any, order = property, notOfAnother }) => {
    const plan = planOf(database, entity);
    const other = notOfAnother ? columnOf(plan, notOfAnother.property) : '';
    const own = notOfAnother ? ` and (${other} is null or ${other} = ${parameter(notOfAnother.value)})` : '';
    const cells = `json_build_array(${plan.columns.map((c) => c.name).join(', ')})`;
    return `(select coalesce(json_agg(${cells} order by ${columnOf(plan, order)}), '[]') from ${plan.table}
      where ${columnOf(plan, property)} = any(${parameter(any)}::text[])${own})`;
  });
  const { rows } = await client.query<unknown[][][]>({ ...prepared(`select ${selects.join(', ')}`, values), rowMode: 'array' });
  return parts.map(({ entity }, i) => (rows[0]?.[i] ?? []).map((cells) => rowOf(planOf(database, entity), cells)));
}

/** Rows that have at least this value in a column, in no order; plain, since there may be thousands. */
export function rowsFrom<T extends ObjectLiteral>(
  database: DataSource,
  entity: EntityTarget<T>,
  property: keyof T & string,
  least: unknown,
): Promise<T[]> {
  const plan = planOf(database, entity);
  const column = columnOf(plan, property);
  return read(poolOf(database), plan, `where ${column} >= $1`, [least]);
}

/** So many rows at most that come after a value in a column, in the column's order. */
export function rowsAfter<T extends ObjectLiteral>(
  { database, client }: Source,
  entity: EntityTarget<T>,
  property: keyof T & string,
  after: unknown,
  most: number,
): Promise<T[]> {
  const plan = planOf(database, entity);
  const column = columnOf(plan, property);
  return read(client, plan, `where ${column} > $1 order by ${column} limit $2`, [after, most]);
}

const columnOf = ({ columns }: TablePlan, property: string) => columns.find((c) => c.property === property)?.name ?? '';

async function read<T>(client: Source['client'], plan: TablePlan, rest: string, values: unknown[]): Promise<T[]> {
  const text = `select ${plan.columns.map((c) => c.name).join(', ')} from ${plan.table} ${rest}`;
  const { rows } = await client.query<unknown[]>({ ...prepared(text, values), rowMode: 'array' });
  return rows.map((cells) => rowOf(plan, cells) as T);
}

function rowOf({ columns }: TablePlan, cells: readonly unknown[]): ObjectLiteral {
  const row: Record<string, unknown> = {};
  columns.forEach((c, i) => (row[c.property] = c.fromDatabase(cells[i])));
  return row;
}

/** A few thousand rows a statement. */
async function write<T extends ObjectLiteral>(
  manager: EntityManager,
  { entity, rows, sums }: TableRows<T>,
  replace: boolean,
): Promise<void> {
  const plan = planOf(manager.connection, entity);
  for (let i = 0; i < rows.length; i += CHUNK)
    await manager.query(statement(plan, '$1', replace, { sums }), [records(plan, rows.slice(i, i + CHUNK))]);
}

/** An insert of rows that come as one JSON parameter. */
function statement(
  { table, columns }: TablePlan,
  parameter: string,
  replace: boolean,
  { numbered = false, sums = [] }: { numbered?: boolean | undefined; sums?: readonly string[] | undefined } = {},
): string {
  const names = columns.filter((c) => !(numbered && c.isKey)).map((c) => c.name);
  const keys = columns.filter((c) => c.isKey).map((c) => c.name);
  const added = columns.filter((c) => sums.includes(c.property)).map((c) => c.name);
  const updates = names
    .filter((n) => !keys.includes(n))
    .map((n) => (added.includes(n) ? `${n} = ${table}.${n} + excluded.${n}` : `${n} = excluded.${n}`));
  const onConflict =
    !replace || numbered
      ? ''
      : `on conflict (${keys.join(', ')}) do ${updates.length === 0 ? 'nothing' : `update set ${updates.join(', ')}`}`;
  return `insert into ${table} (${names.join(', ')})
    select ${names.join(', ')} from jsonb_populate_recordset(null::${table}, ${parameter}::jsonb) ${onConflict}`;
}

const removal = ({ table, columns }: TablePlan, parameter: string) =>
  `delete from ${table} where ${columns.find((c) => c.isKey)?.name ?? ''} = any(${parameter})`;

const records = ({ columns }: TablePlan, rows: readonly ObjectLiteral[]): string =>
  JSON.stringify(
    rows.map((row) => {
      const record: Record<string, unknown> = {};
      for (const c of columns) record[c.key] = c.toDatabase(row[c.property]);
      return record;
    }),
  );

interface TablePlan {
  table: string;
  columns: readonly {
    property: string;
    /** as it stands in SQL, and as a key of a JSON record */
    name: string;
    key: string;
    isKey: boolean;
    toDatabase(value: unknown): unknown;
    fromDatabase(value: unknown): unknown;
  }[];
}

const plans = new WeakMap<DataSource, Map<EntityTarget<ObjectLiteral>, TablePlan>>();

/** How an entity's rows are written down: read from its metadata once. */
function planOf(database: DataSource, entity: EntityTarget<ObjectLiteral>): TablePlan {
  const known = plans.get(database) ?? new Map<EntityTarget<ObjectLiteral>, TablePlan>();
  plans.set(database, known);
  const plan = known.get(entity) ?? makePlan(database, entity);
  known.set(entity, plan);
  return plan;
}

function makePlan(database: DataSource, entity: EntityTarget<ObjectLiteral>): TablePlan {
  const { tableName, columns } = database.getMetadata(entity);
  return {
    table: `"${tableName}"`,
    columns: columns.map(({ propertyName, databaseName, isPrimary, transformer }) => {
      const { to, from } = (transformer ?? {}) as Partial<ValueTransformer>;
      return {
        property: propertyName,
        name: `"${databaseName}"`,
        key: databaseName,
        isKey: isPrimary,
        toDatabase: (value: unknown) => (to ? (to(value) as unknown) : value) ?? null,
        fromDatabase: (value: unknown) => (from ? (from(value) as unknown) : value),
      };
    }),
  };
}
