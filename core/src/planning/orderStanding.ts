import type { Batch } from '../batches/index.ts';
import type { WorkingTime } from '../maths/index.ts';
import type { Order } from '../orders/index.ts';
import { firstOperation, pathFrom, startedComponents, type Component, type Route, type RouteFacts } from '../routing/index.ts';
import { earliestFromStart, forecastRoute, type Glues } from './forecast.ts';

/** A batch of an order, on the route it is on. */
export interface OnOrder {
  batch: Batch;
  route: Route;
  /** when the gate before it is expected to open, where that is known */
  opensMs?: number | undefined;
}

/** Parts of an order that nobody has begun. */
export interface Lack {
  component: Component;
  count: number;
}

/** What an order still needs, and when it can be had at the earliest. */
export interface OrderStanding {
  lacks: Lack[];
  /** when the last of it can be shipped, by work and waits alone; parts not begun are begun now */
  earliestMs: number;
  /** what names that day: the batch that is furthest back, or the part that is not begun */
  waitsFor: { batch: Batch } | { lack: Lack } | null;
}

/**
 * What of an order's parts nobody has begun: for each component that its route starts, the instruments still to be shipped
 * less what is on that component's way. The one reckoning of what an order still needs.
 *
 * @param batches of the order, in work
 */
export function lacksOf(order: Pick<Order, 'quantity' | 'shipped'>, route: Route, batches: readonly OnOrder[]): Lack[] {
  const left = order.quantity - order.shipped;
  return startedComponents(route).flatMap((component) => {
    const onItsWay = batches.filter(({ batch, route: own }) => isOnTheWayOf(component, batch, own));
    const count = left - onItsWay.reduce((sum, { batch }) => sum + batch.quantity, 0);
    return count > 0 ? [{ component, count }] : [];
  });
}

/**
 * Parts in work that no open order has: what is left over at a bench, and what was begun for nobody. The order that is due
 * first has them first.
 */
export class SpareParts {
  private readonly parts: { batch: Batch; component: Component; left: number }[];

  /**
   * @param batches in work, of no open order
   * @param serves whether what a batch holds of a component can be used where such facts are wanted
   */
  constructor(
    batches: readonly OnOrder[],
    private readonly serves: (batch: Batch, component: Component, wanted: RouteFacts) => boolean,
  ) {
    this.parts = batches.flatMap(({ batch, route }) =>
      startedComponents(route)
        .filter((component) => isOnTheWayOf(component, batch, route))
        .map((component) => ({ batch, component, left: batch.quantity })),
    );
  }

  /** What an order lacks when it has taken what there is; nobody else gets that. */
  fill(modelId: string, lacks: readonly Lack[], wanted: RouteFacts): Lack[] {
    return lacks.flatMap(({ component, count }) => {
      let missing = count;
      for (const part of this.parts) {
        if (part.batch.modelId !== modelId || part.component !== component || !this.serves(part.batch, component, wanted)) continue;
        const taken = Math.min(missing, part.left);
        part.left -= taken;
        missing -= taken;
      }
      return missing > 0 ? [{ component, count: missing }] : [];
    });
  }
}

/** Whether a batch is what a started component becomes: a neck is not its fingerboard before the two are glued. */
function isOnTheWayOf(component: Component, { operationId }: Batch, route: Route): boolean {
  if (!startedComponents(route).includes(component)) return false;
  return pathFrom(route, firstOperation(route, component).id).some((operation) => operation.id === operationId);
}

/**
 * @param route in force, as the order's choices make it
 * @param batches of the order, in work
 * @param lacks what of it is not begun, and no spare part makes up for
 * @param time must reach far enough ahead
 */
export function orderStanding(
  order: Pick<Order, 'quantity' | 'shipped'>,
  route: Route,
  batches: readonly OnOrder[],
  lacks: readonly Lack[],
  nowMs: number,
  time: WorkingTime,
  glues: Glues,
): OrderStanding {
  const left = order.quantity - order.shipped;
  const fitted = batches.filter(({ batch }) => batch.component === 'instrument');
  // Parts left over at the bench hold nobody up once every instrument is fitted.
  const needed = fitted.reduce((sum, { batch }) => sum + batch.quantity, 0) >= left ? fitted : batches;
  const ready = [
    ...needed.map(({ batch, route: own, opensMs }) => ({
      waitsFor: { batch },
      atMs: forecastRoute(own, batch, nowMs, time, glues, opensMs ?? nowMs).at(-1)?.leaveMs ?? nowMs,
    })),
    ...lacks.map((lack) => ({
      waitsFor: { lack },
      atMs: earliestFromStart(route, firstOperation(route, lack.component).id, lack.count, nowMs, time, glues),
    })),
  ];
  const last = ready.reduce<(typeof ready)[number] | undefined>((a, b) => (a && a.atMs >= b.atMs ? a : b), undefined);
  return { lacks: [...lacks], earliestMs: last?.atMs ?? nowMs, waitsFor: last?.waitsFor ?? null };
}
