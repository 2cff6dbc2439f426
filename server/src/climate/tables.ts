import type { RoomTables } from '../platform/database/tables.ts';
import { ZoneEntity, ZoneReadingEntity } from './climate.entity.ts';

export const climate: RoomTables = {
  rows: [],
  entities: [ZoneEntity, ZoneReadingEntity],
};
