import type { Batch } from '../batches/index.ts';
import type { Factory } from '../factory/index.ts';
import type { Order } from '../orders/index.ts';
import { programsIn, waysOf, withDefaults, type Operation } from '../routing/index.ts';
import { programFor, type Program } from './program.ts';

/** A program that open orders wait for: asked for and not released, or not even on record. */
export interface ProgramWanted {
  modelId: string;
  what: string;
  /** null where nobody has asked for it */
  programId: string | null;
  stage: Operation['stage'];
  stepName: string;
  /** the orders that wait, the earliest due first */
  orderIds: readonly string[];
  firstDueMs: number;
  /** other ways that the step can be done meanwhile */
  otherWays: readonly { name: string; stationCode: string }[];
}

/** What has been begun for an order, as far as it goes on the way. */
type Begun = Pick<Batch, 'component' | 'quantity' | 'passes' | 'operationId' | 'status'>;

export interface OrderOnItsWay extends Pick<Order, 'id' | 'modelId' | 'choices' | 'dueMs' | 'quantity' | 'shipped'> {
  batches: readonly Begun[];
}

/** Whether a batch has nothing of a step before it any more: it was there, or its parts are in instruments. */
const isBeyond = (batch: Begun, step: Operation): boolean =>
  batch.component === step.component
    ? batch.passes[step.id] !== undefined && !(batch.operationId === step.id && batch.status === 'queued')
    : batch.component === 'instrument';

/** How many of an order have a step still before them. */
export const stillBefore = (
  { quantity, shipped, batches }: Pick<OrderOnItsWay, 'quantity' | 'shipped' | 'batches'>,
  step: Operation,
): number => quantity - shipped - batches.filter((b) => isBeyond(b, step)).reduce((sum, b) => sum + b.quantity, 0);

/** The programs that open orders need, on the route in force, and that cannot be run. The earliest due comes first. */
export function programsWanted(
  orders: readonly OrderOnItsWay[],
  programs: readonly Program[],
  factory: Factory,
  nowMs: number,
): ProgramWanted[] {
  const wanted = new Map<string, ProgramWanted>();
  for (const order of [...orders].sort((a, b) => a.dueMs - b.dueMs || (a.id < b.id ? -1 : 1))) {
    const [model, route] = [factory.model(order.modelId), factory.routeInForce(order.modelId, nowMs)];
    if (!model || !route) continue;
    const facts = factory.factsOf(model, route.id, order.choices);
    const choices = withDefaults(route.options ?? [], order.choices);
    for (const step of factory.routeOf({ routeId: route.id, facts }).operations)
      for (const { what } of programsIn(step.needs)) {
        const program = programFor(programs, { modelId: order.modelId, what, choices, trial: false });
        if (program?.toRun || stillBefore(order, step) <= 0) continue;
        const key = program?.id ?? JSON.stringify([order.modelId, what]);
        const known = wanted.get(key);
        if (known) {
          if (!known.orderIds.includes(order.id)) wanted.set(key, { ...known, orderIds: [...known.orderIds, order.id] });
          continue;
        }
        wanted.set(key, {
          modelId: order.modelId,
          what,
          programId: program?.id ?? null,
          stage: step.stage,
          stepName: step.name,
          orderIds: [order.id],
          firstDueMs: order.dueMs,
          otherWays: waysOf(step)
            .slice(1)
            .map(({ name, stationCode }) => ({ name, stationCode })),
        });
      }
  }
  return [...wanted.values()];
}
