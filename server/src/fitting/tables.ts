import { SerialCount } from '@ample-crane/core';
import { kept, type RoomTables } from '../platform/database/tables.ts';
import { Serials1700000000015 } from './migrations/1700000000015-serials.ts';
import { SerialCountEntity } from './serialCount.entity.ts';

export const fitting: RoomTables = {
  rows: [kept(SerialCount, SerialCountEntity)],
  entities: [],
  migrations: [Serials1700000000015],
};
