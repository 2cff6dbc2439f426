import { Cutter, Program } from '@ample-crane/core';
import { kept, type RoomTables } from '../platform/database/tables.ts';
import { CutterEntity } from './cutter.entity.ts';
import { Programs1700000000031 } from './migrations/1700000000031-programs.ts';
import { ProgramEntity } from './program.entity.ts';

export const machining: RoomTables = {
  rows: [kept(Program, ProgramEntity), kept(Cutter, CutterEntity)],
  entities: [],
  migrations: [Programs1700000000031],
};
