import { Order } from '@ample-crane/core';
import { kept, type RoomTables } from '../platform/database/tables.ts';
import { OrderEntity } from './order.entity.ts';

export const orders: RoomTables = {
  rows: [kept(Order, OrderEntity)],
  entities: [],
};
