import {
  type Asking,
  choicesInWords,
  counted,
  DAY_MS,
  extraPriceOf,
  groupBy,
  lacksOf,
  Order,
  orderStanding,
  pathFrom,
  pieces,
  SpareParts,
  PlaceOrder,
  STAGE_NAMES,
  type Lack,
  type Model,
  type OnOrder,
  type OrderStanding,
  type Route,
  type RouteFacts,
  withDefaults,
} from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import { DataSource, Not } from 'typeorm';
import { CommandsService } from '../logbook/commands.service.ts';
import { Clock } from '../platform/clock/clock.ts';
import { badInput, notFound } from '../platform/problems/problems.ts';
import { Snapshots, type Shelf } from '../platform/snapshots/snapshots.service.ts';
import type { Actor } from '../platform/identity/actor.ts';
import { BatchEntity, InstrumentEntity } from '../batches/batch.entity.ts';
import { BatchLists } from '../batches/batches.lists.ts';
import type { BatchView } from '../batches/batch.view.ts';
import { FactoryService, type FactoryNow } from '../factory/factory.service.ts';
import { openOrders } from './openOrders.ts';
import { OrderEntity } from './order.entity.ts';
import type { AskOrderDto, OrderOutlookView, OrderPastView, OrderView, PlaceOrderDto } from './orders.dto.ts';

/** So far ahead the factory's working time is known when dates are reckoned. */
export const REACH_DAYS = 250;

/** An open order with what of it nobody has begun. */
export interface OrderLacks {
  order: OrderEntity;
  model: Model;
  /** the version new work for it would be started on */
  routeId: string;
  /** what it has chosen, and the wood that makes it */
  facts: RouteFacts;
  lacks: Lack[];
}

/** An open order with its batches, on the route that its choices make. */
interface OpenOrder extends OrderLacks {
  route: Route;
  own: OnOrder[];
  /** what would lack if no part lay spare */
  wants: Lack[];
}

/** The open orders, and every batch in work on its own route. */
interface Book {
  open: OpenOrder[];
  floor: OnOrder[];
}

@Injectable()
export class OrdersService {
  private readonly book: Shelf<Book>;
  private readonly told: Shelf<OrderView[]>;

  constructor(
    private readonly database: DataSource,
    private readonly commands: CommandsService,
    private readonly factories: FactoryService,
    private readonly batches: BatchLists,
    private readonly clock: Clock,
    snapshots: Snapshots,
  ) {
    this.book = snapshots.shelf('the floor');
    this.told = snapshots.shelf('the floor');
  }

  place(actor: Actor, dto: PlaceOrderDto): Promise<{ id: string }> {
    return this.commands.give(actor, PlaceOrder, dto, { seen: [] }, (_, rows) => ({ id: rows.all(Order)[0]?.id ?? '' }));
  }

  /** What an order would go through, and when it could be shipped at the earliest if all of it were begun now. */
  async outlook({ modelId, quantity, choices: text }: AskOrderDto): Promise<OrderOutlookView> {
    const factory = await this.factories.load();
    const nowMs = this.clock.nowMs();
    const model = factory.model(modelId);
    const inForce = model && factory.routeInForce(model.id, nowMs);
    if (!model || !inForce) throw badInput('modelId', 'Nothing is built by that name');
    const choices = withDefaults(inForce.options ?? [], chosen(text));
    const route = factory.routeOf({ routeId: inForce.id, facts: factory.factsOf(model, inForce.id, choices) });
    const time = factory.workingTime({ fromMs: nowMs - DAY_MS, toMs: nowMs + REACH_DAYS * DAY_MS });
    const order = { quantity, shipped: 0 };
    const { earliestMs } = orderStanding(order, route, [], lacksOf(order, route, []), nowMs, time, factory);
    return { routeId: inForce.id, choices, extraPrice: extraPriceOf(inForce.options ?? [], choices), earliestMs };
  }

  /** The order book: what is not all shipped, the soonest due first. */
  open(): Promise<OrderView[]> {
    return this.told.of('open', () => this.tell());
  }

  private async tell(): Promise<OrderView[]> {
    const factory = await this.factories.load();
    const [open, inWork] = await Promise.all([this.withBatches(), this.batches.inWork()]);
    const opens = new Map(inWork.map((b) => [b.id, b.untilMs]));
    const nowMs = this.clock.nowMs();
    const time = factory.workingTime({ fromMs: nowMs - DAY_MS, toMs: nowMs + REACH_DAYS * DAY_MS });
    // One for all orders: making it is what costs.
    const days = new Intl.DateTimeFormat('en-GB', { timeZone: factory.setUp.settings.workWeek.timeZone, day: 'numeric', month: 'long' });
    const day = (ms: number) => days.format(ms);
    return open.map(({ order, model, route, routeId, own, lacks }) => {
      const waiting = own.map((on) => ({ ...on, opensMs: opens.get(on.batch.id) ?? undefined }));
      const standing = orderStanding(order, route, waiting, lacks, nowMs, time, factory);
      const lateDays = factory.daysLate(order.dueMs, standing.earliestMs);
      return {
        ...order,
        modelName: model.name,
        options: choicesInWords(route.options ?? [], order.choices),
        extraPrice: extraPriceOf(route.options ?? [], order.choices),
        routeId,
        batchIds: own.map(({ batch }) => batch.id),
        lacks: standing.lacks,
        earliestMs: standing.earliestMs,
        lateDays,
        status: statusOf(order, own, standing, factory),
        why: lateDays > 0 ? whyLate(standing, lateDays, inWork, factory) : null,
        tell: tellCustomer(order, model.name, own, standing, lateDays, day),
      };
    });
  }

  /** An order, open or over, with its batches and instruments. */
  async past(id: string): Promise<OrderPastView> {
    const { manager } = this.database;
    const order = await manager.findOneBy(OrderEntity, { id });
    if (!order) throw notFound('order', id);
    const factory = await this.factories.load();
    const [batches, instruments] = await Promise.all([
      manager.find(BatchEntity, { where: { orderId: id }, select: { id: true }, order: { number: 'ASC' } }),
      manager.find(InstrumentEntity, { where: { orderId: id }, select: { serial: true, shippedMs: true }, order: { serial: 'ASC' } }),
    ]);
    const sent = instruments.flatMap((i) => i.shippedMs ?? []);
    const lastShippedMs = sent.length === 0 ? null : Math.max(...sent);
    const options = factory.routeInForce(order.modelId, this.clock.nowMs())?.options ?? [];
    return {
      ...order,
      modelName: factory.modelName(order.modelId),
      options: choicesInWords(options, order.choices),
      lastShippedMs,
      lateDays: lastShippedMs === null ? null : factory.daysLate(order.dueMs, lastShippedMs),
      batchIds: batches.map((b) => b.id),
      serials: instruments.map((i) => i.serial),
    };
  }

  /** What of each open order nobody has begun, the soonest due first: what Cutting cuts for and Stock keeps wood for. */
  async lacks(): Promise<OrderLacks[]> {
    const open = await this.withBatches();
    return open.map(({ order, model, routeId, facts, lacks }) => ({ order, model, routeId, facts, lacks }));
  }

  /** What open orders ask for beyond their own batches, whether spare parts make up for it or not, and all that is in work. */
  async asking(): Promise<{ orders: Asking[]; floor: OnOrder[] }> {
    const { open, floor } = await this.book.of('open', () => this.readBook());
    return { orders: open.map(({ order, model, route, wants }) => ({ modelId: model.id, dueMs: order.dueMs, route, wants })), floor };
  }

  private async withBatches(): Promise<OpenOrder[]> {
    return (await this.book.of('open', () => this.readBook())).open;
  }

  private async readBook(): Promise<Book> {
    const factory = await this.factories.load();
    const orders = await openOrders(this.database.manager);
    const batches = await this.database.getRepository(BatchEntity).findBy({ status: Not('done') });
    const floor = batches.map((batch): OnOrder => ({ batch, route: factory.routeOf(batch) }));
    const ofOrder = groupBy(floor, ({ batch }) => batch.orderId);
    const ids = new Set(orders.map((o) => o.id));
    const spares = new SpareParts(
      floor.filter(({ batch }) => batch.orderId === null || !ids.has(batch.orderId)),
      (batch, component, wanted) => factory.servesAs(batch.routeId, component, batch.facts, wanted),
    );
    const nowMs = this.clock.nowMs();
    const open = orders.map((order): OpenOrder => {
      const model = factory.model(order.modelId);
      if (!model) throw new Error(`No model ${order.modelId}`);
      const inForce = factory.routeInForce(model.id, nowMs);
      if (!inForce) throw new Error(`${model.name} has orders but no route in force`);
      const facts = factory.factsOf(model, inForce.id, order.choices);
      const route = factory.routeOf({ routeId: inForce.id, facts });
      const own = ofOrder.get(order.id) ?? [];
      const wants = lacksOf(order, route, own);
      return { order, model, routeId: inForce.id, route, own, wants, facts, lacks: spares.fill(model.id, wants, facts) };
    });
    return { open, floor };
  }
}

/** Where an order is, and what of it is not begun. */
function statusOf(order: OrderEntity, own: readonly OnOrder[], { lacks }: OrderStanding, factory: FactoryNow): string {
  if (own.length === 0) return order.shipped > 0 ? `${order.shipped} of ${order.quantity} shipped, the rest not begun` : 'Not started';
  const steps = ({ batch, route }: OnOrder) => pathFrom(route, batch.operationId).length;
  const { batch } = own.reduce((a, b) => (steps(b) < steps(a) ? b : a));
  const at = factory.stationName(batch.stationCode);
  const where = order.shipped > 0 ? `${order.shipped} of ${order.quantity} shipped, the rest at ${at}` : `At ${at}`;
  return lacks.length === 0 ? where : `${where}; ${lacksInWords(lacks)}`;
}

/** Why an order cannot be in time: the part that is not begun, or the batch that is furthest back and what it waits for. */
function whyLate({ waitsFor }: OrderStanding, lateDays: number, inWork: readonly BatchView[], factory: FactoryNow): string {
  const late = `Late by ${counted(lateDays, 'day')} at least`;
  if (waitsFor === null) return late;
  if ('lack' in waitsFor) return `${late}: ${lacksInWords([waitsFor.lack])}`;
  const { batch } = waitsFor;
  const view = inWork.find((b) => b.id === batch.id);
  const waits = batch.holdReason === null ? view?.findings.find((f) => f.verdict !== 'pass')?.sentence : `on hold: ${batch.holdReason}`;
  return `${late}: ${batch.id} is at ${factory.stationName(batch.stationCode)}${waits === undefined ? '' : ` (${waits})`}`;
}

/** "4 bodies and 2 necks are not begun" */
function lacksInWords(lacks: readonly Lack[]): string {
  const parts = lacks.map(({ component, count }) => pieces(count, component));
  const one = lacks.length === 1 && lacks[0]?.count === 1;
  return `${parts.join(' and ')} ${one ? 'is' : 'are'} not begun`;
}

/** One sentence for whoever ordered it: how far it is, when it is ready at the earliest, and how that meets the date. */
function tellCustomer(
  order: OrderEntity,
  modelName: string,
  own: readonly OnOrder[],
  { lacks, earliestMs }: OrderStanding,
  lateDays: number,
  day: (ms: number) => string,
): string {
  const what = order.quantity === 1 ? `Your ${modelName}` : `Your ${order.quantity} ${modelName}`;
  const is = order.quantity === 1 ? 'is' : 'are';
  const ready = `ready on ${day(earliestMs)} at the earliest`;
  const against = lateDays <= 0 ? `in time for ${day(order.dueMs)}` : `${counted(lateDays, 'day')} after the date we named`;
  const sent = order.shipped > 0 ? `${order.shipped} of ${order.quantity} ${modelName} sent; the rest ${is}` : `${what} ${is}`;
  if (own.length === 0) return `${sent} not begun yet; begun today, ${ready}, ${against}.`;
  const stages = [...new Set(own.map(({ batch }) => STAGE_NAMES[batch.stage].toLowerCase()))];
  const where = stages.length === 1 ? `in ${stages[0] ?? ''}` : `between ${stages[0] ?? ''} and ${stages.at(-1) ?? ''}`;
  const missing = lacks.length === 0 ? '' : `, and ${lacksInWords(lacks)}; begun today, they are`;
  return `${sent} ${where}${missing === '' ? ',' : missing} ${ready}, ${against}.`;
}

/** What was chosen, as an address holds it. */
function chosen(text: string | undefined): Record<string, string> {
  if (text === undefined) return {};
  try {
    const said: unknown = JSON.parse(text);
    if (typeof said === 'object' && said !== null && Object.values(said).every((value) => typeof value === 'string'))
      return said as Record<string, string>;
  } catch {
    // Told below, like what is no choice.
  }
  throw badInput('choices', 'Say what is chosen by option, as JSON');
}
