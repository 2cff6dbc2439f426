import { Batch, Instrument, LEDGER, Lot, tellStretch, type RouteBook, type RowKind, type Subject, type Telling } from '@ample-crane/core';
import type { EntityManager } from 'typeorm';
import { changeRows, rowsAfter, selectRows } from '../platform/database/rows.ts';
import type { RowTable, RowTables } from '../platform/database/tables.ts';
import type { Transaction } from '../platform/database/transaction.ts';
import { LogbookEntity } from './logbook.entity.ts';

/** The schema that rows are told in beside those in use. */
export const BESIDE = 'retold';

const STRETCH = 20_000;
/** What every entry of a kind may be about: asked for before any is applied. */
const SUBJECTS: readonly { kind: RowKind<never>; of: keyof Subject }[] = [
  { kind: Batch, of: 'batchId' },
  { kind: Lot, of: 'lotId' },
  { kind: Instrument, of: 'serial' },
];

/**
 * Tells the logbook from its first entry into empty tables beside those in use, a stretch at a time: memory is bounded by
 * a stretch and what it concerns, however long the logbook. The tables are there until the transaction ends.
 *
 * @param routes every route there has ever been
 * @param stretch how many entries are told at a time
 * @returns how many entries there are
 */
export async function tellBeside(
  { manager, client }: Transaction,
  tables: RowTables,
  routes: RouteBook,
  stretch = STRETCH,
): Promise<number> {
  await manager.query(`create schema ${BESIDE}`);
  for (const table of tables.all) await createBeside(manager, table);
  await manager.query(`set local search_path = ${BESIDE}, public`);
  // Tables that nobody has analyzed are taken for small.
  await manager.query('set local enable_seqscan = off');
  const source = { database: manager.connection, client };
  const telling: Telling = {
    apply: (rows, entry) => LEDGER.apply(rows, entry, routes),
    read: ({ kind, field, values }) => selectRows(source, tables.entityOf(kind), field, values),
  };
  let entries = 0;
  for (let after = 0; ;) {
    // What the table holds was checked when it was appended.
    const some = await rowsAfter(source, LogbookEntity, 'id', after, stretch);
    const last = some.at(-1);
    if (!last) break;
    const subjects = SUBJECTS.map(({ kind, of }) => ({ kind, field: kind.key, values: some.flatMap((entry) => entry[of] ?? []) }));
    const changes = await tellStretch(some, subjects, telling);
    await Promise.all(
      tables.all.map(({ kind, entity }) => changeRows(manager, { entity, rows: [], ...changes.get(kind), sums: kind.sums })),
    );
    entries += some.length;
    after = last.id;
  }
  await manager.query('set local search_path to default');
  await manager.query('set local enable_seqscan to default');
  return entries;
}

/** With the indexes that rows are asked for by, and no others. */
async function createBeside(manager: EntityManager, { kind, entity }: RowTable): Promise<void> {
  const meta = manager.connection.getMetadata(entity);
  const columnOf = (property: string) => `"${meta.findColumnWithPropertyName(property)?.databaseName ?? ''}"`;
  const table = `${BESIDE}."${meta.tableName}"`;
  await manager.query(`create unlogged table ${table} (like "${meta.tableName}" including defaults)`);
  await manager.query(`alter table ${table} add primary key (${columnOf(kind.key)})`);
  for (const field of kind.by) await manager.query(`create index on ${table} (${columnOf(field)})`);
}

/** The tables of rows, by their names in the database. */
export const tableNames = (manager: EntityManager, tables: RowTables): string[] =>
  tables.all.map(({ entity }) => manager.connection.getMetadata(entity).tableName);
