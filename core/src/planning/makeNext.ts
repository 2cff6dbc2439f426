import type { Batch } from '../batches/index.ts';
import { runsShort, type Dated, type WorkingTime } from '../maths/index.ts';
import { firstOperation, operationOf, pathFrom, startedComponents, type Component, type Operation, type Route } from '../routing/index.ts';
import { earliestFromStart, forecastRoute, type Glues } from './forecast.ts';
import type { Lack, OnOrder } from './orderStanding.ts';

/** A kind of part that is made ahead and kept until somebody takes it. */
export interface KeptKind {
  modelId: string;
  component: Component;
  /** where it is kept */
  buffer: Operation;
  route: Route;
  batchSize: number;
}

/** An open order, and what of it would have to be begun if nothing lay in stock. */
export interface Asking {
  modelId: string;
  dueMs: number;
  route: Route;
  wants: readonly Lack[];
}

/** What of a kind is there and coming, against what will be taken. */
export interface MakeNext {
  modelId: string;
  component: Component;
  inStock: number;
  coming: number;
  /** by work under way and by orders */
  asked: number;
  /** how many are lacking in the end; 0 where what there is suffices */
  short: number;
  /** when the first of them is lacking */
  shortMs: number | null;
  /** by when more must be begun, were nothing in its way; null where nothing is short */
  beginByMs: number | null;
}

/** The kinds that a model's route keeps on purpose: parts that wait to be called, and small parts in their boxes. */
export function keptKinds(route: Route, batchSize: number): KeptKind[] {
  return startedComponents(route).flatMap((component) => {
    const buffer = pathFrom(route, firstOperation(route, component).id).find((o) => o.kind === 'buffer' && o.component === component);
    return buffer ? [{ modelId: route.modelId, component, buffer, route, batchSize }] : [];
  });
}

/**
 * What to make next for stock, the soonest to be begun first. What an order's own batches bring is no stock; only what
 * nobody has is.
 *
 * @param floor every batch in work, on its own route
 * @param orders whose parts nobody has begun, as if nothing lay spare
 * @param time must reach far enough ahead
 */
export function makeNext(
  kinds: readonly KeptKind[],
  floor: readonly OnOrder[],
  orders: readonly Asking[],
  nowMs: number,
  time: WorkingTime,
  glues: Glues,
): MakeNext[] {
  return kinds
    .map((kind) => {
      const own = floor.filter(
        ({ batch }) => batch.modelId === kind.modelId && batch.component === kind.component && batch.orderId === null,
      );
      const stocked = own.filter(({ batch }) => batch.status === 'stocked');
      const coming = own.flatMap(({ batch, route }) => {
        if (batch.status === 'stocked') return [];
        const step = forecastRoute(route, batch, nowMs, time, glues).find(({ operation }) => operation.id === kind.buffer.id);
        // What has left its buffer for no order is there to be taken.
        return [{ amount: batch.quantity, atMs: step?.arriveMs ?? nowMs }];
      });
      const inStock = stocked.reduce((sum, { batch }) => sum + batch.quantity, 0);
      const taken =
        kind.component === 'small part' ? drawnOf(kind, floor, orders, nowMs, time, glues) : calledOf(kind, orders, nowMs, time, glues);
      const { shortMs, lacking } = runsShort([{ amount: inStock, atMs: nowMs }, ...coming], taken);
      const leadMs =
        earliestFromStart(kind.route, firstOperation(kind.route, kind.component).id, kind.batchSize, nowMs, time, glues, kind.buffer.id) -
        nowMs;
      return {
        modelId: kind.modelId,
        component: kind.component,
        inStock,
        coming: total(coming),
        asked: total(taken),
        short: lacking,
        shortMs: lacking === 0 ? null : shortMs,
        beginByMs: lacking === 0 || shortMs === null ? null : shortMs - leadMs,
      };
    })
    .sort((a, b) => (a.beginByMs ?? Infinity) - (b.beginByMs ?? Infinity) || b.asked - a.asked);
}

const total = (of: readonly Dated[]) => of.reduce((sum, { amount }) => sum + amount, 0);

/** Parts that orders will call from their buffer, when what follows must begin for them to be in time. */
function calledOf(
  { modelId, component, buffer }: KeptKind,
  orders: readonly Asking[],
  nowMs: number,
  time: WorkingTime,
  glues: Glues,
): Dated[] {
  return orders
    .filter((order) => order.modelId === modelId && order.route.operations.some((o) => o.id === buffer.id))
    .flatMap(({ wants, route, dueMs }) =>
      wants
        .filter((want) => want.component === component)
        .map(({ count }) => ({ amount: count, atMs: latestAt(route, buffer.id, count, dueMs, nowMs, time, glues) })),
    );
}

/** Small parts that batches on the floor will draw at the steps ahead of them, and those that nobody has begun. */
function drawnOf(
  { modelId }: KeptKind,
  floor: readonly OnOrder[],
  orders: readonly Asking[],
  nowMs: number,
  time: WorkingTime,
  glues: Glues,
): Dated[] {
  const each = (operation: Operation) => (operation.draws ?? []).reduce((sum, d) => sum + (d.modelId === modelId ? d.perPiece : 0), 0);
  const underWay = floor
    .filter(({ route }) => route.operations.some((o) => each(o) > 0))
    .flatMap(({ batch, route }) =>
      forecastRoute(route, batch, nowMs, time, glues)
        // They are drawn when their step begins; what came back has them.
        .filter(({ operation }) => each(operation) > 0 && !hasBegun(batch, operation))
        .map(({ operation, arriveMs }) => ({ amount: each(operation) * batch.quantity, atMs: Math.max(nowMs, arriveMs) })),
    );
  const notBegun = orders.flatMap(({ route, wants, dueMs }) =>
    route.operations.flatMap((operation) => {
      if (each(operation) === 0) return [];
      const count = Math.max(0, ...wants.filter((want) => leadsTo(route, want.component, operation.id)).map((want) => want.count));
      return count === 0
        ? []
        : [{ amount: each(operation) * count, atMs: latestAt(route, operation.id, count, dueMs, nowMs, time, glues) }];
    }),
  );
  return [...underWay, ...notBegun];
}

const hasBegun = (batch: Batch, operation: Operation): boolean =>
  batch.operationId === operation.id && (batch.redo || !['queued', 'dwelling'].includes(batch.status));

const leadsTo = (route: Route, component: Component, operationId: string): boolean =>
  pathFrom(route, firstOperation(route, component).id).some((o) => o.id === operationId);

/** The latest a step may begin for an order to be in time; now, where that has passed. */
function latestAt(route: Route, operationId: string, count: number, dueMs: number, nowMs: number, time: WorkingTime, glues: Glues): number {
  const stillMs = earliestFromStart(route, operationOf(route, operationId).id, count, nowMs, time, glues) - nowMs;
  return Math.max(nowMs, dueMs - stillMs);
}
