import { seededRandom } from '../maths/index.ts';
import type { ShopState, LogbookEntry } from '../logbook/index.ts';
import { DAY_MS, HOUR_MS, MINUTE_MS } from '../units/index.ts';
import { EventQueue } from './eventQueue.ts';
import { Floor, type FloorEvent } from './floor.ts';
import { Recorder } from './recorder.ts';
import type { Scenario, ScenarioModel } from './scenario.ts';
import { WoodSupply } from './woodSupply.ts';

type SimulationEvent = FloorEvent | { kind: 'lot arrives'; inShed: boolean } | { kind: 'lot is read'; lotId: string } | { kind: 'morning' };

/** Orders that wait for their batches to be started. */
const ORDERS_AHEAD = 12;
const READ_EVERY_DAYS = 9;
/** The lot, counted from the first, that was put in the unheated shed and will never get there. */
const SHED_LOT = 80;

/**
 * Runs a factory forward from nothing to now: a seeded discrete-event simulation of lots, stations, people, shifts,
 * defects and drying. Every movement is judged by the same functions that judge real commands.
 *
 * @returns the logbook it wrote and the state that follows from it
 */
export function simulate(scenario: Scenario): { entries: LogbookEntry[]; state: ShopState } {
  const random = seededRandom(scenario.seed);
  const recorder = new Recorder(scenario.routes);
  const events = new EventQueue<SimulationEvent>();
  const wood = new WoodSupply(scenario, recorder, random.fork('wood'));
  const floor = new Floor(scenario, recorder, events, random.fork('floor'));
  const sales = new Sales(scenario, recorder, random.fork('sales'));
  const { time, nowMs } = scenario;

  let lots = 0;
  for (let at = scenario.woodFromMs; at < nowMs; at += scenario.lotEveryDays * DAY_MS)
    events.add(time.nextWorking(at) + (90 + (lots % 5) * 7) * MINUTE_MS, {
      kind: 'lot arrives',
      inShed: lots++ === SHED_LOT,
    });
  for (const shift of time.windows) if (shift.fromMs >= scenario.floorFromMs) events.add(shift.fromMs, { kind: 'morning' });

  let setsDue = 0;
  for (let next = events.next(); next && next.atMs <= nowMs; next = events.next()) {
    const { atMs, event } = next;
    switch (event.kind) {
      case 'lot arrives': {
        const lotId = wood.receive(atMs, event.inShed);
        events.add(time.nextWorking(atMs + HOUR_MS), { kind: 'lot is read', lotId });
        break;
      }
      case 'lot is read':
        if (wood.read(event.lotId, atMs)) events.add(time.nextWorking(atMs + READ_EVERY_DAYS * DAY_MS), event);
        break;
      case 'morning': {
        sales.takeOrders(atMs);
        for (setsDue += scenario.setsPerDay; setsDue >= 1; setsDue--) startSet(recorder, wood, floor, sales, atMs);
        break;
      }
      default:
        floor.handle(event, atMs);
    }
    floor.startWork(atMs);
  }
  return { entries: recorder.entries, state: recorder.state };
}

/** The order book: what has been asked for and not yet been started. */
class Sales {
  private readonly open: { orderId: string; model: ScenarioModel }[] = [];
  private number = 1000;

  constructor(
    private readonly scenario: Scenario,
    private readonly recorder: Recorder,
    private readonly random: ReturnType<typeof seededRandom>,
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

function startSet(recorder: Recorder, wood: WoodSupply, floor: Floor, sales: Sales, atMs: number): void {
  const parts = (model: ScenarioModel) => {
    // Unpaired stock at the bench is used up before more is made.
    const quantityOf = (component: 'body' | 'neck') => Math.max(3, model.batchSize - floor.leftovers(model.id, component));
    return [
      { component: 'body' as const, need: model.wood.body, quantity: quantityOf('body') },
      ...(model.wood.neck ? [{ component: 'neck' as const, need: model.wood.neck, quantity: quantityOf('neck') }] : []),
    ];
  };
  const order = sales.take((model) => parts(model).every((p) => wood.lotFor(p.need, p.quantity)));
  if (!order) return;
  const due = recorder.state.get('order', order.orderId).dueMs;
  for (const { component, need, quantity } of parts(order.model)) {
    const lot = wood.lotFor(need, quantity);
    if (!lot) continue;
    const number = floor.nextBatchNumber();
    recorder.record(
      'batch.started',
      atMs,
      null,
      { batchId: `B${number}`, lotId: lot.id },
      {
        number,
        modelId: order.model.id,
        component,
        routeId: order.model.routeId,
        orderId: order.orderId,
        lotId: lot.id,
        quantity,
        dueMs: due,
        carrier: `Rack ${(number % 60) + 1}`,
        volumeM3: lot.volumeM3,
      },
    );
    floor.arrived(`B${number}`, atMs);
  }
}
