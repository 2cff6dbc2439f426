import { Cutter, LoadOrder, Program } from '@ample-crane/core';
import { kept, type RoomTables } from '../platform/database/tables.ts';
import { CutterEntity } from './cutter.entity.ts';
import { LoadOrderEntity } from './loadOrder.entity.ts';
import { LoadOrders1700000000032 } from './migrations/1700000000032-load-orders.ts';
import { Programs1700000000031 } from './migrations/1700000000031-programs.ts';
import { ProgramEntity } from './program.entity.ts';

export const machining: RoomTables = {
  rows: [kept(Program, ProgramEntity), kept(Cutter, CutterEntity), kept(LoadOrder, LoadOrderEntity)],
  entities: [],
  migrations: [Programs1700000000031, LoadOrders1700000000032],
};
