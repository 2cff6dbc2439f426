import { DAY_MS, earliestFromStart, firstOperation, forecastRoute, pathFrom, startedComponents } from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import { DataSource } from 'typeorm';
import { LogbookService } from '../logbook/logbook.service.ts';
import { Clock } from '../platform/clock/clock.ts';
import { InCount, InInstant, InText, Out, OutList, OutOrNull } from '../platform/http/fields.ts';
import type { Actor } from '../platform/identity/actor.ts';
import { badInput } from '../platform/problems/problems.ts';
import { nextNumber } from '../routing/batches.service.ts';
import { BatchEntity } from '../routing/routing.entity.ts';
import { routeOf, ShopService, workingTime, type Shop } from '../setup/shop.service.ts';
import { OrderEntity } from './order.entity.ts';

const REACH_DAYS = 250;

export class PlaceOrderDto {
  @InText() modelId: string;
  @InCount({ min: 1, max: 400 }) quantity: number;
  @InText({ max: 120 }) customer: string;
  @InInstant() dueMs: number;
}

export class OrderView {
  @Out() id: string;
  @Out() number: number;
  @Out() modelId: string;
  @Out() modelName: string;
  @Out() quantity: number;
  @Out() shipped: number;
  @Out() customer: string;
  @Out() placedMs: number;
  @Out() dueMs: number;
  @OutList(() => String) batchIds: string[];
  /** earliest the last of it can be shipped, waits and touch only; null once all are */
  @OutOrNull(Number) earliestMs: number | null;
  /** days between the earliest and the due date; above zero is late */
  @OutOrNull(Number) lateDays: number | null;
  @Out() status: string;
}

@Injectable()
export class OrdersService {
  constructor(
    private readonly database: DataSource,
    private readonly logbook: LogbookService,
    private readonly shops: ShopService,
    private readonly clock: Clock,
  ) {}

  async place(actor: Actor, dto: PlaceOrderDto): Promise<{ id: string }> {
    const shop = await this.shops.load();
    if (!shop.models.has(dto.modelId)) throw badInput('modelId', `There is no model ${dto.modelId}`);
    if (dto.dueMs < this.clock.nowMs() - DAY_MS) throw badInput('dueMs', 'The due date has passed');
    return this.logbook.perform(actor, { name: 'place order', request: dto, concerns: {} }, async (unit) => {
      const number = Math.max(1001, await nextNumber(unit, 'customer_order'));
      const id = `O${number}`;
      unit.record('order.placed', {}, { order: { ...dto, id, number } });
      return { id };
    });
  }

  /** The order book: what is not all shipped, the soonest due first. */
  async open(shop?: Shop): Promise<OrderView[]> {
    const known = shop ?? (await this.shops.load());
    const orders = await this.database
      .getRepository(OrderEntity)
      .createQueryBuilder('o')
      .where('o.shipped < o.quantity')
      .andWhere(`(o.shipped = 0 or exists (select 1 from batch b where b.order_id = o.id and b.status <> 'done'))`)
      .orderBy('o.due_at')
      .getMany();
    const batches = await this.database
      .getRepository(BatchEntity)
      .createQueryBuilder('b')
      .where(`b.status <> 'done' and b.order_id is not null`)
      .getMany();
    const nowMs = this.clock.nowMs();
    const time = workingTime(known, { fromMs: nowMs - DAY_MS, toMs: nowMs + REACH_DAYS * DAY_MS });
    return orders.map((order) => {
      const own = batches.filter((b) => b.orderId === order.id);
      const model = known.models.get(order.modelId);
      if (!model) throw new Error(`No model ${order.modelId}`);
      const route = routeOf(known, model.routeId);
      // Leftovers at the bench hold nobody up once instruments of the order are on their way.
      const fitted = own.filter((b) => b.component === 'instrument');
      const leading = fitted.length > 0 ? fitted : own;
      const earliestMs =
        leading.length > 0
          ? Math.max(...leading.map((b) => forecastRoute(route, b, nowMs, time).at(-1)?.leaveMs ?? nowMs))
          : Math.max(
              ...startedComponents(route).map((c) => earliestFromStart(route, firstOperation(route, c).id, order.quantity, nowMs, time)),
            );
      const lateDays = (earliestMs - order.dueMs) / DAY_MS;
      return {
        ...order,
        modelName: model.name,
        batchIds: own.map((b) => b.id),
        earliestMs,
        lateDays,
        status: statusOf(order, own, lateDays, known),
      };
    });
  }
}

function statusOf(order: OrderEntity, batches: readonly BatchEntity[], lateDays: number, shop: Shop): string {
  if (batches.length === 0) return 'Not started';
  const furthest = batches.reduce((a, b) => {
    const left = (x: BatchEntity) => pathFrom(routeOf(shop, x.routeId), x.operationId).length;
    return left(b) < left(a) ? b : a;
  });
  const at = shop.stations.get(furthest.stationCode)?.name ?? furthest.stationCode;
  const where = order.shipped > 0 ? `${order.shipped} of ${order.quantity} shipped, the rest at ${at}` : `At ${at}`;
  const days = Math.ceil(lateDays);
  return lateDays > 0 ? `${where}; late by ${days === 1 ? '1 day' : `${days} days`} at least` : where;
}
