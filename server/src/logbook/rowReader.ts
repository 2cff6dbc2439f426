import { AskSet, Rows, type Ask, type RowKind } from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import { DataSource } from 'typeorm';
import { poolOf } from '../platform/database/pool.ts';
import { selectEach } from '../platform/database/rows.ts';
import { RowTables } from '../platform/database/tables.ts';

/**
 * Reads rows of any room by their kind, for answers that no command hangs on. So a room shows what others keep without
 * knowing their tables.
 */
@Injectable()
export class RowReader {
  constructor(
    private readonly database: DataSource,
    private readonly tables: RowTables,
  ) {}

  /** The rows asked for, each kind in the order of its keys; beside others that were read before. */
  async read(asks: readonly Ask[], rows = new Rows()): Promise<Rows> {
    const wanted = new AskSet(asks).all
      .map(({ kind, field, values }) => ({
        kind,
        entity: this.tables.entityOf(kind),
        property: field,
        values: field === kind.key ? values.filter((key) => !rows.find(kind, key)) : values,
        order: kind.key,
      }))
      .filter(({ values }) => values.length > 0);
    const found = await selectEach({ database: this.database, client: poolOf(this.database) }, wanted);
    // Only rows that are not there yet: reading twice doubles nothing.
    wanted.forEach(({ kind }, i) => {
      for (const row of found[i] ?? []) if (!rows.find(kind, kind.keyOf(row as never))) rows.load(kind, row as never);
    });
    return rows;
  }

  /** One row, or none. */
  async find<Row extends object>(kind: RowKind<Row>, key: string): Promise<Row | undefined> {
    return (await this.read([{ kind, field: kind.key, values: [key] }])).find(kind, key);
  }
}
