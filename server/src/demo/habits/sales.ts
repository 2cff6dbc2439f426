import { DAY_MS, PlaceOrder, type PlaceOrderRequest, type OptionValue, type Random, type RouteOption } from '@ample-crane/core';
import type { Mover } from './mover.ts';
import type { Scenario, ScenarioModel } from './scenario.ts';

/** Orders that wait for their batches to be started. */
const ORDERS_AHEAD = 12;
const WOODS_OFFERED_DAYS = 30;
const OTHER_WOOD = 0.4;

/** An order, and what was chosen on it. */
export interface Taken {
  orderId: string;
  model: ScenarioModel;
  choices: Readonly<Record<string, string>>;
}

/** The order book: what has been asked for and not yet been started. */
export class Sales {
  private readonly open: Taken[] = [];
  private readonly woods: Random;

  constructor(
    private readonly scenario: Scenario,
    private readonly mover: Mover,
    private readonly random: Random,
  ) {
    this.woods = random.fork('woods');
  }

  takeOrders(atMs: number): void {
    while (this.open.length < ORDERS_AHEAD) {
      const model = this.random.weighted(this.scenario.models, (m) => m.weight);
      const dueMs = atMs + (this.scenario.promiseDays + this.random.integer(-5, 12)) * DAY_MS;
      const customer = this.random.pick(this.scenario.customers);
      const choices = Object.fromEntries(model.options.map((o) => [o.id, this.chosen(o, atMs).id]));
      const request = { modelId: model.id, quantity: model.batchSize, customer, dueMs, choices };
      if (!this.place(model, request, atMs)) return;
    }
  }

  /** Somebody wants what has not been offered for long, in every model that offers it. */
  askForTheNew(atMs: number): void {
    for (const model of this.scenario.models) {
      const option = model.options.find((o) => o.values.some((v) => v.wood !== undefined));
      const value = option?.values.find((v) => v.wood !== undefined);
      if (!option || !value || this.open.some((o) => o.choices[option.id] === value.id)) continue;
      const choices = { ...Object.fromEntries(model.options.map((o) => [o.id, o.values[0]?.id ?? ''])), [option.id]: value.id };
      const dueMs = atMs + this.scenario.promiseDays * DAY_MS;
      this.place(
        model,
        { modelId: model.id, quantity: model.batchSize, customer: this.scenario.customers[1] ?? 'Stock', dueMs, choices },
        atMs,
      );
    }
  }

  /** Somebody wants a set of a model before all others. @returns whether it could be promised */
  rush(modelId: string, atMs: number): boolean {
    const model = this.scenario.models.find((m) => m.id === modelId);
    if (!model) return false;
    const choices = Object.fromEntries(model.options.map((o) => [o.id, o.values[0]?.id ?? '']));
    const request = {
      modelId,
      quantity: model.batchSize,
      customer: this.scenario.customers.at(-1) ?? 'Stock',
      dueMs: atMs + this.scenario.promiseDays * DAY_MS,
      choices,
    };
    const isPlaced = this.place(model, request, atMs);
    if (isPlaced) this.open.unshift(...this.open.splice(-1));
    return isPlaced;
  }

  private place(model: ScenarioModel, request: PlaceOrderRequest, atMs: number): boolean {
    const { entries } = this.mover.give(PlaceOrder, request, atMs, null);
    const placed = entries[0]?.payload as { order: { id: string } } | undefined;
    if (placed) this.open.push({ orderId: placed.order.id, model, choices: request.choices ?? {} });
    return placed !== undefined;
  }

  /** Another wood can be chosen since it was offered a few weeks ago. */
  private chosen({ values }: RouteOption, atMs: number): OptionValue {
    const [usual] = values;
    const other = values.find((v) => v.wood !== undefined);
    if (!usual || !other) return this.random.pick(values);
    const isOffered = atMs >= this.scenario.nowMs - WOODS_OFFERED_DAYS * DAY_MS;
    return isOffered && this.woods.chance(OTHER_WOOD) ? other : usual;
  }

  /** Takes the first order that can be started. */
  take(canStart: (order: Taken) => boolean): Taken | undefined {
    const index = this.open.findIndex(canStart);
    return index < 0 ? undefined : this.open.splice(index, 1)[0];
  }
}
