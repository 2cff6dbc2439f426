import type { Random } from '../maths/index.ts';
import { DAY_MS } from '../units/index.ts';
import type { Recorder } from './recorder.ts';
import type { Scenario, ScenarioModel } from './scenario.ts';

/** Orders that wait for their batches to be started. */
const ORDERS_AHEAD = 12;

/** The order book: what has been asked for and not yet been started. */
export class Sales {
  private readonly open: { orderId: string; model: ScenarioModel }[] = [];
  private number = 1000;

  constructor(
    private readonly scenario: Scenario,
    private readonly recorder: Recorder,
    private readonly random: Random,
  ) {}

  takeOrders(atMs: number): void {
    while (this.open.length < ORDERS_AHEAD) {
      const model = this.random.weighted(this.scenario.models, (m) => m.weight);
      const id = `O${++this.number}`;
      const dueMs = atMs + (this.scenario.promiseDays + this.random.integer(-5, 12)) * DAY_MS;
      this.recorder.record(
        'order.placed',
        atMs,
        null,
        {},
        {
          order: {
            id,
            number: this.number,
            modelId: model.id,
            quantity: model.batchSize,
            customer: this.random.pick(this.scenario.customers),
            dueMs,
            choices: Object.fromEntries(model.options.map((o) => [o.id, this.random.pick(o.values).id])),
          },
        },
      );
      this.open.push({ orderId: id, model });
    }
  }

  /** Takes the first order that can be started. */
  take(canStart: (model: ScenarioModel) => boolean): { orderId: string; model: ScenarioModel } | undefined {
    const index = this.open.findIndex((o) => canStart(o.model));
    return index < 0 ? undefined : this.open.splice(index, 1)[0];
  }
}
