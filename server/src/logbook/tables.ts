import type { RoomTables } from '../platform/database/tables.ts';
import { Told1700000000009 } from './migrations/1700000000009-told.ts';
import { News1700000000022 } from './migrations/1700000000022-news.ts';
import { LogbookEntity } from './logbook.entity.ts';

export const logbook: RoomTables = {
  rows: [],
  entities: [LogbookEntity],
  migrations: [Told1700000000009, News1700000000022],
};
