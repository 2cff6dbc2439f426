import { Lot, ReadingSession, Reading, StockBoard, Blank } from '@ample-crane/core';
import { kept, type RoomTables } from '../platform/database/tables.ts';
import { Wood1700000000002 } from './migrations/1700000000002-wood.ts';
import {
  BlankEntity,
  BoardEntity,
  CuttingPlanEntity,
  LotEntity,
  PictureEntity,
  ReadingEntity,
  ReadingSessionEntity,
} from './timber.entity.ts';

export const timber: RoomTables = {
  rows: [
    kept(Lot, LotEntity),
    kept(ReadingSession, ReadingSessionEntity),
    kept(Reading, ReadingEntity),
    kept(StockBoard, BoardEntity),
    kept(Blank, BlankEntity),
  ],
  entities: [CuttingPlanEntity, PictureEntity],
  migrations: [Wood1700000000002],
};
