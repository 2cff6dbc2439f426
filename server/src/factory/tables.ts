import type { RoomTables } from '../platform/database/tables.ts';
import { CarrierEntity, MaterialEntity, ModelEntity, PrerequisiteEntity, RouteEntity, StationEntity } from './factory.entity.ts';

export const factory: RoomTables = {
  rows: [],
  entities: [StationEntity, MaterialEntity, ModelEntity, RouteEntity, CarrierEntity, PrerequisiteEntity],
};
