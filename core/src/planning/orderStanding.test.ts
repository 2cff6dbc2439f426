import { describe, expect, test } from '@jest/globals';
import { WorkCalendar, WorkingTime } from '../maths/index.ts';
import { batchOf, step } from '../test/parts.ts';
import { DAY_MS } from '../units/index.ts';
import { lacksOf, orderStanding, SpareParts } from './index.ts';
import { NO_FACTS, type Route } from '../routing/index.ts';
import { testFactory } from '../test/factory.ts';

// A neck gets its fingerboard, meets a body, and the instrument is shipped.
const GLUES = testFactory(new Map(), []);
const route: Route = {
  id: 'r@1',
  modelId: 'r',
  version: 1,
  operations: [
    step('body', 'body', ['fit']),
    step('board', 'fingerboard', ['glue']),
    step('neck', 'neck', ['glue']),
    step('glue', 'neck', ['shape'], { kind: 'join' }),
    step('shape', 'neck', ['fit']),
    step('fit', 'instrument', ['ship'], { kind: 'fit' }),
    step('ship', 'instrument', [], { kind: 'dispatch' }),
  ],
};
const NOW = Date.parse('2026-03-10T08:00Z');
const week = { timeZone: 'UTC', days: [1, 2, 3, 4, 5], startsAt: '07:00', endsAt: '16:00', holidays: [] };
const time = new WorkingTime(new WorkCalendar(week).windows(NOW - DAY_MS, NOW + 300 * DAY_MS));
const on = (id: string, component: 'body' | 'neck' | 'fingerboard' | 'instrument', operationId: string, quantity: number) => ({
  batch: batchOf({ id, component, operationId, quantity, status: 'queued', arrivedMs: NOW }),
  route,
});
const order = { quantity: 10, shipped: 0 };

describe('what an order lacks', () => {
  test('is all of it before anything is begun', () => {
    expect(lacksOf(order, route, [])).toEqual([
      { component: 'body', count: 10 },
      { component: 'neck', count: 10 },
      { component: 'fingerboard', count: 10 },
    ]);
  });
  test('is what neither lies on its way nor is shipped', () => {
    const batches = [on('B1', 'body', 'body', 4), on('B2', 'neck', 'neck', 7), on('B3', 'instrument', 'ship', 2)];
    expect(lacksOf({ quantity: 10, shipped: 1 }, route, batches)).toEqual([
      { component: 'body', count: 3 },
      // Two instruments have their fingerboards; seven necks have none yet.
      { component: 'fingerboard', count: 7 },
    ]);
  });
  test('is no fingerboard once necks have theirs', () => {
    expect(lacksOf(order, route, [on('B1', 'body', 'body', 10), on('B2', 'neck', 'shape', 10)])).toEqual([]);
  });
});

describe('spare parts', () => {
  test('make up for what orders lack, the first one first, once', () => {
    const spares = new SpareParts([on('B9', 'neck', 'shape', 3), on('B8', 'body', 'body', 1)], () => true);
    const lacks = lacksOf({ quantity: 2, shipped: 0 }, route, []);
    expect(spares.fill('m', lacks, NO_FACTS)).toEqual([{ component: 'body', count: 1 }]);
    expect(spares.fill('m', lacks, NO_FACTS)).toEqual([
      { component: 'body', count: 2 },
      { component: 'neck', count: 1 },
      { component: 'fingerboard', count: 1 },
    ]);
    expect(spares.fill('other', lacks, NO_FACTS)).toEqual(lacks);
  });
});

describe('the earliest day', () => {
  const standing = (batches: Parameters<typeof lacksOf>[2], asked = order) =>
    orderStanding(asked, route, batches, lacksOf(asked, route, batches), NOW, time, GLUES);
  test('is no day of parts that nobody has begun', () => {
    const begun = [on('B1', 'body', 'body', 10), on('B2', 'neck', 'shape', 10)];
    const half = [on('B1', 'body', 'body', 10), on('B2', 'neck', 'shape', 5)];
    expect(standing(begun).lacks).toEqual([]);
    expect(standing(half).lacks).toEqual([
      { component: 'neck', count: 5 },
      { component: 'fingerboard', count: 5 },
    ]);
    expect(standing(half).earliestMs).toBeGreaterThanOrEqual(standing([on('B2', 'neck', 'shape', 5)]).earliestMs);
    expect(standing([on('B3', 'instrument', 'ship', 9)]).waitsFor).toMatchObject({ lack: { count: 1 } });
  });
  test('waits for no leftovers once every instrument is fitted', () => {
    const fitted = on('B3', 'instrument', 'ship', 10);
    const { earliestMs, waitsFor } = standing([fitted, on('B1', 'body', 'body', 1)]);
    expect(earliestMs).toBe(standing([fitted]).earliestMs);
    expect(waitsFor).toEqual({ batch: fitted.batch });
  });
  test('waits for bodies still in work while some instruments are fitted', () => {
    const batches = [on('B3', 'instrument', 'ship', 6), on('B1', 'body', 'body', 4), on('B2', 'neck', 'shape', 4)];
    expect(standing(batches).waitsFor).toMatchObject({ batch: { id: 'B1' } });
  });
  test('keeps to the day a gate is expected to open', () => {
    const opensMs = NOW + 20 * DAY_MS;
    expect(standing([{ ...on('B3', 'instrument', 'ship', 10), opensMs }]).earliestMs).toBe(opensMs);
  });
});
