import { beforeEach, describe, expect, test } from '@jest/globals';
import { Batch } from '../batches/index.ts';
import { seededRandom } from '../maths/index.ts';
import { forecastRoute } from '../planning/index.ts';
import { TestHouse } from '../test/house.ts';
import { DAY_MS, HOUR_MS, MINUTE_MS } from '../units/index.ts';
import { FloorNow, lognormal, NO_SURPRISES, outlook, type Chances, type LiveBatch } from './index.ts';

let house: TestHouse;
beforeEach(() => {
  house = new TestHouse();
});

const now = (over: Partial<LiveBatch> = {}, chances: Chances = NO_SURPRISES) =>
  new FloorNow(
    house.factory,
    house.rows.all(Batch).map((batch) => ({ batch, workedMs: 0, personId: null, again: null, opensMs: null, ...over })),
    house.nowMs,
    chances,
  );
const shipped = (floor = now()) => outlook(floor, { runs: 1, days: 60, seed: 1 }).orders;

describe('from the floor as it stands', () => {
  test('a set that has its own way ships when the forecast of its slowest side says, with no queue before it', () => {
    house.start('body', 6);
    house.start('neck', 6);
    const [order] = shipped();
    const [body] = house.rows.all(Batch);
    const time = house.factory.workingTime({ fromMs: house.nowMs - DAY_MS, toMs: house.nowMs + 90 * DAY_MS });
    if (!body) throw new Error('no body');
    const forecast = forecastRoute(house.factory.routeOf(body), body, house.nowMs, time, house.factory).at(-1)?.leaveMs ?? 0;
    expect(order).toMatchObject({ orderId: 'O1', shipped: 6, p50Ms: order?.p85Ms });
    // The forecast knows nothing of coats that flash off one after the other, nor of who moves what came free at night.
    expect(order?.p50Ms).toBeGreaterThanOrEqual(forecast);
    expect((order?.p50Ms ?? 0) - forecast).toBeLessThan(4 * DAY_MS);
  });
  test('bodies without their necks are never shipped', () => {
    house.start('body', 6);
    expect(shipped()).toEqual([{ orderId: 'O1', p50Ms: null, p85Ms: null, shipped: 0 }]);
  });
  test('work that goes on has as much left as has not been done', () => {
    const id = house.start('body', 6);
    house.start('neck', 6);
    house.rows.change(Batch, id, { status: 'running' });
    const ends: number[] = [];
    for (const workedMs of [0, 30 * MINUTE_MS, 10 * HOUR_MS]) {
      const run = now({ workedMs, personId: 'ann' }).run(seededRandom(1), {
        ended: (unit, _, workMs) => void (unit.component === 'body' && ends.push(workMs)),
      });
      run.run(house.nowMs + 12 * HOUR_MS);
    }
    // 10 minutes to set up and 5 a piece; there is always a little left.
    expect(ends.slice(0, 3).map((ms) => ms / MINUTE_MS)).toEqual([40, 10, 2]);
  });
  test('what is held takes no part, and is told', () => {
    const id = house.start('body', 6);
    house.rows.change(Batch, id, { status: 'held' });
    const floor = now();
    expect(floor.held.map((b) => b.id)).toEqual([id]);
    expect(outlook(floor, { runs: 1, days: 30, seed: 1 }).events).toBeLessThan(100);
  });
  test('a gate that opens later lets go later', () => {
    const id = house.start('body', 6);
    house.start('neck', 6);
    house.rows.change(Batch, id, { status: 'dwelling', operationId: 'rest', arrivedMs: house.nowMs });
    const soon = shipped(now({ opensMs: house.nowMs + HOUR_MS }))[0]?.p50Ms ?? 0;
    const late = shipped(now({ opensMs: house.nowMs + 20 * DAY_MS }))[0]?.p50Ms ?? 0;
    expect(late - soon).toBeGreaterThan(15 * DAY_MS);
  });
});

describe('many runs', () => {
  const chances = { touch: lognormal(1, 0.4), rework: 0.05, scrap: 0 };
  beforeEach(() => {
    for (let i = 0; i < 4; i++) {
      house.start('body', 6);
      house.start('neck', 6);
    }
  });
  test('are the same for the same seed, and told with how sure they are', () => {
    const once = outlook(now({}, chances), { runs: 40, days: 90, seed: 5 });
    expect(outlook(now({}, chances), { runs: 40, days: 90, seed: 5 })).toEqual(once);
    const [order] = once.orders;
    expect(order?.p85Ms).toBeGreaterThanOrEqual(order?.p50Ms ?? Infinity);
    expect(order?.shipped).toBe(24);
    expect(once.stations.find((s) => s.code === 'S-cut')?.begun).toBeGreaterThanOrEqual(4);
  });
  test('count an order as done when all of it has shipped, and what is not done in the days asked for as later', () => {
    const of = (days: number) => outlook(now({}, chances), { runs: 40, days, seed: 5 }).orders[0];
    const long = of(90);
    const inMiddle = of(((long?.p50Ms ?? 0) - house.nowMs) / DAY_MS);
    expect(inMiddle).toMatchObject({ p50Ms: long?.p50Ms, p85Ms: null });
    expect(inMiddle?.shipped).toBeLessThan(24);
    expect(of(3)).toMatchObject({ p50Ms: null, p85Ms: null });
  });
  test('of an order that is held in part, or lacks its necks, never end', () => {
    const [body] = house.rows.all(Batch);
    house.rows.change(Batch, body?.id ?? '', { status: 'held' });
    const [order] = outlook(now(), { runs: 2, days: 200, seed: 5 }).orders;
    expect(order).toMatchObject({ p50Ms: null, p85Ms: null, shipped: 18 });
  });
  test('count what is scrapped as done with', () => {
    const scrapped = outlook(now({}, { ...chances, scrap: 0.05 }), { runs: 20, days: 200, seed: 5 }).orders[0];
    expect(scrapped?.shipped).toBeLessThan(24);
    expect(scrapped?.shipped).toBeGreaterThan(10);
  });
  test('leave the floor they began with as it was', () => {
    const floor = now({}, chances);
    const first = outlook(floor, { runs: 5, days: 90, seed: 1 });
    expect(outlook(floor, { runs: 5, days: 90, seed: 1 })).toEqual(first);
  });
});
