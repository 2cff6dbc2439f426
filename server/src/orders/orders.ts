import {
  choicesInWords,
  DAY_MS,
  earliestFromStart,
  firstOperation,
  forecastRoute,
  groupBy,
  pathFrom,
  STAGE_NAMES,
  startedComponents,
  PlaceOrder,
  Order,
} from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import dayjs from 'dayjs';
import timezone from 'dayjs/plugin/timezone.js';
import utc from 'dayjs/plugin/utc.js';
import { DataSource, In, Not } from 'typeorm';
import { CommandsService } from '../logbook/commands.service.ts';
import { Clock } from '../platform/clock/clock.ts';
import { InChoices, InCount, InInstant, InText, Out, OutChoices, OutList, OutOrNull } from '../platform/http/fields.ts';
import type { Actor } from '../platform/identity/actor.ts';
import { BatchEntity } from '../batches/batch.entity.ts';
import { FactoryService, type FactoryNow } from '../factory/factory.service.ts';
import { openOrders } from './openOrders.ts';
import type { OrderEntity } from './order.entity.ts';

dayjs.extend(utc);
dayjs.extend(timezone);

const REACH_DAYS = 250;

export class PlaceOrderDto {
  @InText() modelId: string;
  @InCount({ min: 1, max: 400 }) quantity: number;
  @InText({ max: 120 }) customer: string;
  @InInstant() dueMs: number;
  /** what is chosen of the route's options; the usual value where nothing is said */
  @InChoices({ optional: true }) choices?: Record<string, string>;
}

export class OrderView {
  @Out() id: string;
  @Out() number: number;
  @Out() modelId: string;
  @Out() modelName: string;
  @Out() quantity: number;
  @Out() shipped: number;
  @Out() customer: string;
  /** what was chosen, in words */
  @OutList(() => String) options: string[];
  /** the version new work for it would be started on */
  @Out() routeId: string;
  @OutChoices() choices: Record<string, string>;
  @Out() placedMs: number;
  @Out() dueMs: number;
  @OutList(() => String) batchIds: string[];
  /** earliest the last of it can be shipped, waits and touch only; null once all are */
  @OutOrNull(Number) earliestMs: number | null;
  /** days between the earliest and the due date; above zero is late */
  @OutOrNull(Number) lateDays: number | null;
  @Out() status: string;
  /** where it is, as a customer could be told */
  @Out() tell: string;
}

@Injectable()
export class OrdersService {
  constructor(
    private readonly database: DataSource,
    private readonly commands: CommandsService,
    private readonly factories: FactoryService,
    private readonly clock: Clock,
  ) {}

  place(actor: Actor, dto: PlaceOrderDto): Promise<{ id: string }> {
    return this.commands.give(actor, PlaceOrder, dto, { seen: [] }, (_, rows) => ({ id: rows.all(Order)[0]?.id ?? '' }));
  }

  /** The order book: what is not all shipped, the soonest due first. */
  async open(known?: FactoryNow): Promise<OrderView[]> {
    const factory = known ?? (await this.factories.load());
    const orders = await openOrders(this.database.manager);
    const ids = orders.map((o) => o.id);
    const batches = await this.database.getRepository(BatchEntity).findBy({ status: Not('done'), orderId: In(ids) });
    const ofOrder = groupBy(batches, (b) => b.orderId);
    const nowMs = this.clock.nowMs();
    const time = factory.workingTime({ fromMs: nowMs - DAY_MS, toMs: nowMs + REACH_DAYS * DAY_MS });
    return orders.map((order) => {
      const own = ofOrder.get(order.id) ?? [];
      const model = factory.model(order.modelId);
      if (!model) throw new Error(`No model ${order.modelId}`);
      const inForce = factory.routeInForce(model.id, nowMs);
      if (!inForce) throw new Error(`${model.name} has orders but no route in force`);
      const facts = factory.factsOf(model, order.choices);
      const route = factory.routeOf({ routeId: inForce.id, facts });
      // Leftovers at the bench hold nobody up once instruments of the order are on their way.
      const fitted = own.filter((b) => b.component === 'instrument');
      const leading = fitted.length > 0 ? fitted : own;
      const earliestMs =
        leading.length > 0
          ? Math.max(...leading.map((b) => forecastRoute(factory.routeOf(b), b, nowMs, time).at(-1)?.leaveMs ?? nowMs))
          : Math.max(
              ...startedComponents(route).map((c) => earliestFromStart(route, firstOperation(route, c).id, order.quantity, nowMs, time)),
            );
      const lateDays = (earliestMs - order.dueMs) / DAY_MS;
      return {
        ...order,
        modelName: model.name,
        options: choicesInWords(route.options ?? [], order.choices),
        routeId: inForce.id,
        batchIds: own.map((b) => b.id),
        earliestMs,
        lateDays,
        status: statusOf(order, own, lateDays, factory),
        tell: tellCustomer(order, model.name, leading, earliestMs, factory),
      };
    });
  }
}

/** An order's choices, checked against what the route offers. */
function statusOf(order: OrderEntity, batches: readonly BatchEntity[], lateDays: number, factory: FactoryNow): string {
  if (batches.length === 0) return 'Not started';
  const furthest = batches.reduce((a, b) => {
    const left = (x: BatchEntity) => pathFrom(factory.routeOf(x), x.operationId).length;
    return left(b) < left(a) ? b : a;
  });
  const at = factory.stationName(furthest.stationCode);
  const where = order.shipped > 0 ? `${order.shipped} of ${order.quantity} shipped, the rest at ${at}` : `At ${at}`;
  const days = Math.ceil(lateDays);
  return lateDays > 0 ? `${where}; late by ${days === 1 ? '1 day' : `${days} days`} at least` : where;
}

/** One sentence for whoever ordered it: how far it is, when it is ready at the earliest, and how that meets the date. */
function tellCustomer(
  order: OrderEntity,
  modelName: string,
  leading: readonly BatchEntity[],
  earliestMs: number,
  factory: FactoryNow,
): string {
  const day = (ms: number) => dayjs(ms).tz(factory.setUp.settings.workWeek.timeZone).format('D MMMM');
  const what = order.quantity === 1 ? `Your ${modelName}` : `Your ${order.quantity} ${modelName}`;
  const is = order.quantity === 1 ? 'is' : 'are';
  const ready = `ready on ${day(earliestMs)} at the earliest`;
  const days = Math.ceil((earliestMs - order.dueMs) / DAY_MS);
  const against = days <= 0 ? `in time for ${day(order.dueMs)}` : `${days === 1 ? '1 day' : `${days} days`} after the date we named`;
  const [first] = leading;
  if (!first) return `${what} ${is} not begun yet; begun today, ${ready}, ${against}.`;
  const stages = [...new Set(leading.map((b) => STAGE_NAMES[b.stage].toLowerCase()))];
  const where = stages.length === 1 ? `in ${stages[0] ?? ''}` : `between ${stages[0] ?? ''} and ${stages.at(-1) ?? ''}`;
  const sent =
    order.shipped > 0 ? `${order.shipped} of ${order.quantity} ${modelName} sent; the rest ${is} ${where}` : `${what} ${is} ${where}`;
  return `${sent}, ${ready}, ${against}.`;
}
