import { Dimension, InstrumentStudy, Measure } from '@ample-crane/core';
import { kept, type RoomTables } from '../platform/database/tables.ts';
import { DimensionEntity } from './dimension.entity.ts';
import { InstrumentStudyEntity } from './instrumentStudy.entity.ts';
import { MeasureEntity } from './measure.entity.ts';
import { InstrumentStudies1700000000029 } from './migrations/1700000000029-instrument-studies.ts';
import { Dimensions1700000000028 } from './migrations/1700000000028-dimensions.ts';

export const quality: RoomTables = {
  rows: [kept(Dimension, DimensionEntity), kept(Measure, MeasureEntity), kept(InstrumentStudy, InstrumentStudyEntity)],
  entities: [],
  migrations: [Dimensions1700000000028, InstrumentStudies1700000000029],
};
