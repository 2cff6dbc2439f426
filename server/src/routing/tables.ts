import { OverrideRecord } from '@ample-crane/core';
import { kept, type RoomTables } from '../platform/database/tables.ts';
import { Routes1700000000001 } from './migrations/1700000000001-routes.ts';
import { Overrides1700000000014 } from './migrations/1700000000014-overrides.ts';
import { SheetPictures1700000000034 } from './migrations/1700000000034-sheet-pictures.ts';
import { OverrideEntity } from './override.entity.ts';
import { SheetPictureEntity } from './sheetPicture.entity.ts';

export const routing: RoomTables = {
  rows: [kept(OverrideRecord, OverrideEntity)],
  entities: [SheetPictureEntity],
  migrations: [Routes1700000000001, Overrides1700000000014, SheetPictures1700000000034],
};
