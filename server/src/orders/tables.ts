import { Order } from '@ample-crane/core';
import { kept, type RoomTables } from '../platform/database/tables.ts';
import { OrderBook1700000000013 } from './migrations/1700000000013-order-book.ts';
import { OrderEntity } from './order.entity.ts';

export const orders: RoomTables = {
  rows: [kept(Order, OrderEntity)],
  entities: [],
  migrations: [OrderBook1700000000013],
};
