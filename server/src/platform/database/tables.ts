import type { RowKind } from '@ample-crane/core';
import type { EntityTarget, MigrationInterface, ObjectLiteral } from 'typeorm';

/** Where a kind of row is kept. */
export interface RowTable {
  readonly kind: RowKind<never>;
  readonly entity: EntityTarget<ObjectLiteral>;
}

/** What a room keeps in the database. */
export interface RoomTables {
  /** of the rows that the logbook's entries make and change; parents first */
  readonly rows: readonly RowTable[];
  /** besides them */
  readonly entities: readonly (new () => object)[];
  /** how its tables came to be as they are */
  readonly migrations?: readonly (new () => MigrationInterface & { name: string })[];
}

/**
 * Every kind of row and its table, parents before what refers to them. Rows are locked and written in this one order.
 * The rooms are put together in `tables.ts`; the logbook is given them and imports none.
 */
export abstract class RowTables {
  abstract readonly all: readonly RowTable[];

  /** @throws Error when no room keeps such rows */
  entityOf(kind: RowKind<never>): RowTable['entity'] {
    const table = this.all.find((t) => t.kind === kind);
    if (!table) throw new Error(`Rows of kind ${kind.name} have no table`);
    return table.entity;
  }
}

/** Ties a kind of row to its table. */
export const kept = <Row extends object>(kind: RowKind<Row>, entity: new () => Row): RowTable => ({ kind, entity });
