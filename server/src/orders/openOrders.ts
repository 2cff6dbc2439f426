import type { EntityManager } from 'typeorm';
import { OrderEntity } from './order.entity.ts';

/** Orders that are not all shipped, nor given up with what was: the soonest due first. */
export const openOrders = (manager: EntityManager): Promise<OrderEntity[]> =>
  manager
    .createQueryBuilder(OrderEntity, 'o')
    .where('o.shipped < o.quantity')
    .andWhere(`(o.shipped = 0 or exists (select 1 from batch b where b.order_id = o.id and b.status <> 'done'))`)
    .orderBy('o.due_at')
    .getMany();
