import { describe, expect, test } from '@jest/globals';
import { runsShort, WorkCalendar, WorkingTime } from '../maths/index.ts';
import { batchOf, step, wait } from '../test/parts.ts';
import { DAY_MS, HOUR_MS } from '../units/index.ts';
import { keptKinds, makeNext, type Asking, type OnOrder } from './index.ts';
import type { Batch } from '../batches/index.ts';
import type { Route } from '../routing/index.ts';
import { testFactory } from '../test/factory.ts';

// Necks are finished ahead and called; tops draw two sets of braces each, which are kept in boxes.
const GLUES = testFactory(new Map(), []);
const route: Route = {
  id: 'g@1',
  modelId: 'g',
  version: 1,
  operations: [
    step('cut', 'body', ['brace']),
    step('brace', 'body', ['fit'], { draws: [{ modelId: 'braces', perPiece: 2 }] }),
    step('carve', 'neck', ['oil']),
    wait('oil', 'neck', ['shelf'], 48),
    step('shelf', 'neck', ['bolt'], { kind: 'buffer', setupMinutes: 0, minutesPerPiece: 0 }),
    step('bolt', 'neck', ['fit']),
    step('fit', 'instrument', ['ship'], { kind: 'fit' }),
    step('ship', 'instrument', [], { kind: 'dispatch' }),
  ],
};
const braces: Route = {
  id: 'braces@1',
  modelId: 'braces',
  version: 1,
  operations: [
    wait('split', 'small part', ['box'], 24),
    step('box', 'small part', [], { kind: 'buffer', setupMinutes: 0, minutesPerPiece: 0 }),
  ],
};
const NOW = Date.parse('2026-03-10T08:00Z');
const round = { timeZone: 'UTC', days: [1, 2, 3, 4, 5, 6, 7], startsAt: '00:00', endsAt: '00:00', holidays: [] };
const time = new WorkingTime(new WorkCalendar(round).windows(NOW - DAY_MS, NOW + 300 * DAY_MS));
const KINDS = [...keptKinds(route, 8), ...keptKinds(braces, 20)];
const on = (own: Route, batch: Partial<Batch>): OnOrder => ({
  route: own,
  batch: batchOf({ modelId: own.modelId, routeId: own.id, arrivedMs: NOW, orderId: null, ...batch }),
});
const box = (quantity: number) => on(braces, { component: 'small part', operationId: 'box', status: 'stocked', quantity });
const tops = (quantity: number, over: Partial<Batch> = {}) => on(route, { operationId: 'cut', quantity, orderId: 'O1', ...over });
const order = (dueMs: number, bodies: number, necks: number): Asking => ({
  modelId: 'g',
  dueMs,
  route,
  wants: [
    { component: 'body', count: bodies },
    { component: 'neck', count: necks },
  ],
});
const next = (floor: readonly OnOrder[], orders: readonly Asking[] = []) =>
  Object.fromEntries(makeNext(KINDS, floor, orders, NOW, time, GLUES).map((made) => [made.modelId, made]));

test('what is kept on purpose is what waits in a buffer', () => {
  expect(KINDS.map((k) => [k.modelId, k.component, k.buffer.id])).toEqual([
    ['g', 'neck', 'shelf'],
    ['braces', 'small part', 'box'],
  ]);
});

describe('small parts', () => {
  test('suffice while the boxes hold what the floor will draw', () => {
    expect(next([box(20), tops(10)])['braces']).toMatchObject({
      inStock: 20,
      coming: 0,
      asked: 20,
      short: 0,
      shortMs: null,
      beginByMs: null,
    });
  });

  test('are short from the step that finds none, and are to be begun so much earlier as they take', () => {
    const made = next([box(20), tops(10), tops(4, { id: 'B2' })])['braces'];
    expect(made).toMatchObject({ asked: 28, short: 8 });
    // Four tops are cut in half an hour and stand at the step first; ten more take an hour and find twelve sets.
    expect(made?.shortMs).toBe(NOW + HOUR_MS);
    expect(made?.beginByMs).toBe(NOW + HOUR_MS - DAY_MS);
  });

  test('that are drawn already are not asked for again', () => {
    const braced = ['running', 'paused', 'finished'].map((status) => tops(4, { operationId: 'brace', status: status as Batch['status'] }));
    expect(next([box(2), ...braced])['braces']).toMatchObject({ asked: 0, short: 0 });
    expect(next([box(2), tops(4, { operationId: 'brace', status: 'queued' })])['braces']).toMatchObject({
      asked: 8,
      short: 6,
      shortMs: NOW,
    });
    expect(next([box(2), tops(4, { operationId: 'brace', status: 'queued', redo: true })])['braces']).toMatchObject({ asked: 0 });
  });

  test('are asked for by what nobody has begun, when it must be for its order', () => {
    const due = NOW + 40 * DAY_MS;
    const made = next([box(3)], [order(due, 4, 0)])['braces'];
    expect(made).toMatchObject({ asked: 8, short: 5 });
    expect(made?.shortMs).toBeLessThan(due);
    expect(made?.shortMs).toBeGreaterThan(due - DAY_MS);
  });

  test('that are on their way count from when they are in their box', () => {
    const coming = on(braces, { component: 'small part', operationId: 'split', quantity: 10, status: 'queued' });
    const made = next([coming, tops(4, { operationId: 'brace' })])['braces'];
    expect(made).toMatchObject({ inStock: 0, coming: 10, asked: 8, short: 0 });
  });
});

describe('parts that are called', () => {
  test('only what nobody has is stock', () => {
    const neck = (over: Partial<Batch>) => on(route, { component: 'neck', operationId: 'shelf', status: 'stocked', quantity: 8, ...over });
    expect(next([neck({}), neck({ id: 'B2', orderId: 'O1' })])['g']).toMatchObject({ inStock: 8, asked: 0, short: 0 });
  });

  test('are short for the order that is due first, and begun in time for it', () => {
    const neck = on(route, { component: 'neck', operationId: 'shelf', status: 'stocked', quantity: 3 });
    const [soon, later] = [NOW + 20 * DAY_MS, NOW + 50 * DAY_MS];
    const made = next([neck], [order(later, 0, 6), order(soon, 0, 4)])['g'];
    expect(made).toMatchObject({ inStock: 3, asked: 10, short: 7 });
    expect(made?.shortMs).toBeLessThan(soon);
    // Carved in an hour, oiled for two days.
    expect((made?.shortMs ?? 0) - (made?.beginByMs ?? 0)).toBeGreaterThanOrEqual(2 * DAY_MS);
  });

  test('an order that is late asks for them now', () => {
    expect(next([], [order(NOW - DAY_MS, 0, 2)])['g']).toMatchObject({ short: 2, shortMs: NOW });
  });
});

test('the soonest to be begun stands first, and what suffices last', () => {
  const made = makeNext(KINDS, [tops(4, { operationId: 'brace' })], [order(NOW + 60 * DAY_MS, 0, 4)], NOW, time, GLUES);
  expect(made.map((m) => m.modelId)).toEqual(['braces', 'g']);
  expect(makeNext(KINDS, [box(20)], [order(NOW + 60 * DAY_MS, 0, 4)], NOW, time, GLUES).map((m) => m.modelId)).toEqual(['g', 'braces']);
});

test('what comes at an instant can be taken at it; later than asked for is not looked at', () => {
  const at = (amount: number, atMs: number) => ({ amount, atMs });
  expect(runsShort([at(2, 5)], [at(2, 5)])).toEqual({ shortMs: null, lacking: 0 });
  expect(runsShort([at(2, 6)], [at(2, 5)])).toEqual({ shortMs: 5, lacking: 0 });
  expect(runsShort([at(2, 1)], [at(1, 2), at(4, 9)], 8)).toEqual({ shortMs: null, lacking: 0 });
  expect(runsShort([], [at(1, 2), at(4, 9)])).toEqual({ shortMs: 2, lacking: 5 });
});
