import { DAY_MS, PlaceOrder, type Random } from '@ample-crane/core';
import type { Mover } from './mover.ts';
import type { Scenario, ScenarioModel } from './scenario.ts';

/** Orders that wait for their batches to be started. */
const ORDERS_AHEAD = 12;

/** The order book: what has been asked for and not yet been started. */
export class Sales {
  private readonly open: { orderId: string; model: ScenarioModel }[] = [];

  constructor(
    private readonly scenario: Scenario,
    private readonly mover: Mover,
    private readonly random: Random,
  ) {}

  takeOrders(atMs: number): void {
    while (this.open.length < ORDERS_AHEAD) {
      const model = this.random.weighted(this.scenario.models, (m) => m.weight);
      const dueMs = atMs + (this.scenario.promiseDays + this.random.integer(-5, 12)) * DAY_MS;
      const customer = this.random.pick(this.scenario.customers);
      const choices = Object.fromEntries(model.options.map((o) => [o.id, this.random.pick(o.values).id]));
      const request = { modelId: model.id, quantity: model.batchSize, customer, dueMs, choices };
      const { entries } = this.mover.give(PlaceOrder, request, atMs, null);
      const placed = entries[0]?.payload as { order: { id: string } } | undefined;
      if (!placed) return;
      const { order } = placed;
      this.open.push({ orderId: order.id, model });
    }
  }

  /** Takes the first order that can be started. */
  take(canStart: (model: ScenarioModel) => boolean): { orderId: string; model: ScenarioModel } | undefined {
    const index = this.open.findIndex((o) => canStart(o.model));
    return index < 0 ? undefined : this.open.splice(index, 1)[0];
  }
}
