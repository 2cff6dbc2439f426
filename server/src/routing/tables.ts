import { OverrideRecord } from '@ample-crane/core';
import { kept, type RoomTables } from '../platform/database/tables.ts';
import { OverrideEntity } from './override.entity.ts';

export const routing: RoomTables = {
  rows: [kept(OverrideRecord, OverrideEntity)],
  entities: [],
};
