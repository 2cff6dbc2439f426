import { PlacementRow } from '@ample-crane/core';
import { kept, type RoomTables } from '../platform/database/tables.ts';
import { PlacementEntity } from './placement.entity.ts';

export const carriers: RoomTables = {
  rows: [kept(PlacementRow, PlacementEntity)],
  entities: [],
};
