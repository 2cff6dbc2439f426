import { Blank, CutYield, KeptWood, Lot, Reading, ReadingSession, StockBoard, SupplierRecord, WoodUse } from '@ample-crane/core';
import { kept, type RoomTables } from '../platform/database/tables.ts';
import { Wood1700000000002 } from './migrations/1700000000002-wood.ts';
import { CuttingPlans1700000000018 } from './migrations/1700000000018-cutting-plans.ts';
import { KeptWood1700000000023 } from './migrations/1700000000023-kept-wood.ts';
import { JoinedBlanks1700000000027 } from './migrations/1700000000027-joined-blanks.ts';
import { ReadingsPutRight1700000000020 } from './migrations/1700000000020-readings-put-right.ts';
import { Tallies1700000000016 } from './migrations/1700000000016-tallies.ts';
import { CutYieldEntity, SupplierRecordEntity, WoodUseEntity } from './tallies.entity.ts';
import { LotLists1700000000012 } from './migrations/1700000000012-lot-lists.ts';
import {
  BlankEntity,
  BoardEntity,
  KeptWoodEntity,
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
    kept(KeptWood, KeptWoodEntity),
    kept(WoodUse, WoodUseEntity),
    kept(SupplierRecord, SupplierRecordEntity),
    kept(CutYield, CutYieldEntity),
  ],
  entities: [CuttingPlanEntity, PictureEntity],
  migrations: [
    Wood1700000000002,
    LotLists1700000000012,
    Tallies1700000000016,
    CuttingPlans1700000000018,
    ReadingsPutRight1700000000020,
    KeptWood1700000000023,
    JoinedBlanks1700000000027,
  ],
};
