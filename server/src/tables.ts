import { Global, Module } from '@nestjs/common';
import { assembly } from './assembly/tables.ts';
import { batches } from './batches/tables.ts';
import { carriers } from './carriers/tables.ts';
import { climate } from './climate/tables.ts';
import { devices } from './devices/tables.ts';
import { factory } from './factory/tables.ts';
import { finishing } from './finishing/tables.ts';
import { fitting } from './fitting/tables.ts';
import { logbook } from './logbook/tables.ts';
import { machining } from './machining/tables.ts';
import { orders } from './orders/tables.ts';
import { RowTables, type RoomTables } from './platform/database/tables.ts';
import { platform } from './platform/tables.ts';
import { quality } from './quality/tables.ts';
import { rigs } from './rigs/tables.ts';
import { routing } from './routing/tables.ts';
import { timber } from './timber/tables.ts';

/** The rooms' tables, put together: what a row refers to comes before it. */
const ROOMS: readonly RoomTables[] = [
  platform,
  climate,
  factory,
  devices,
  logbook,
  timber,
  orders,
  assembly,
  batches,
  carriers,
  routing,
  finishing,
  quality,
  machining,
  rigs,
  fitting,
];

/** Every kind of row and its table, in the one order in which rows are locked and written. */
export const ROW_TABLES = new (class extends RowTables {
  readonly all = ROOMS.flatMap((room) => room.rows);
})();

export const ENTITIES = ROOMS.flatMap(({ rows, entities }) => [...entities, ...rows.map((row) => row.entity as new () => object)]);

/** All that the database went through, in the order of the time at the end of each name. */
export const MIGRATIONS = ROOMS.flatMap(({ migrations = [] }) => migrations).sort((a, b) => timeOf(a) - timeOf(b));
function timeOf({ name }: { name: string }): number {
  return Number(name.slice(-13));
}

/** Gives the logbook the tables of the rooms above it. */
@Global()
@Module({ providers: [{ provide: RowTables, useValue: ROW_TABLES }], exports: [RowTables] })
export class TablesModule {}
