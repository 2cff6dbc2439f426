import { KitStock } from '@ample-crane/core';
import { kept, type RoomTables } from '../platform/database/tables.ts';
import { KitStockEntity } from './kitStock.entity.ts';
import { Kits1700000000025 } from './migrations/1700000000025-kits.ts';

export const assembly: RoomTables = {
  rows: [kept(KitStock, KitStockEntity)],
  entities: [],
  migrations: [Kits1700000000025],
};
