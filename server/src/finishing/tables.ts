import { Coat } from '@ample-crane/core';
import { kept, type RoomTables } from '../platform/database/tables.ts';
import { CoatEntity } from './coat.entity.ts';

export const finishing: RoomTables = {
  rows: [kept(Coat, CoatEntity)],
  entities: [],
};
