import { Measure } from '@ample-crane/core';
import { kept, type RoomTables } from '../platform/database/tables.ts';
import { MeasureEntity } from './measure.entity.ts';

export const quality: RoomTables = {
  rows: [kept(Measure, MeasureEntity)],
  entities: [],
};
