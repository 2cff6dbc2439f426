import type { RoomTables } from '../platform/database/tables.ts';
import { LogbookEntity } from './logbook.entity.ts';

export const logbook: RoomTables = {
  rows: [],
  entities: [LogbookEntity],
};
