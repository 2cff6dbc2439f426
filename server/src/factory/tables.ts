import type { RoomTables } from '../platform/database/tables.ts';
import { Registers1700000000007 } from './migrations/1700000000007-registers.ts';
import { SpeciesSources1700000000021 } from './migrations/1700000000021-species-sources.ts';
import { Currency1700000000024 } from './migrations/1700000000024-currency.ts';
import { CarrierEntity, MaterialEntity, ModelEntity, PrerequisiteEntity, RouteEntity, StationEntity } from './factory.entity.ts';

export const factory: RoomTables = {
  rows: [],
  entities: [StationEntity, MaterialEntity, ModelEntity, RouteEntity, CarrierEntity, PrerequisiteEntity],
  migrations: [Registers1700000000007, SpeciesSources1700000000021, Currency1700000000024],
};
