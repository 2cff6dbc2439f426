import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { advanceTo, card, DAY, openFactory, releasedLot, type Caller, type TestFactory } from '../test/factory.ts';

let factory: TestFactory;
let manager: Caller;

beforeAll(async () => {
  factory = await openFactory();
  manager = await factory.as('manager');
});
afterAll(() => factory.close());

const place = (over: object = {}) =>
  manager.post('/orders', {
    modelId: 'weirstone',
    quantity: 2,
    customer: 'Lantern Street Music',
    dueMs: factory.clock.nowMs() + 90 * DAY,
    ...over,
  });
const order = async (id: string) => (await manager.get('/orders')).body.find((o: { id: string }) => o.id === id);

describe('an order', () => {
  test('is told the earliest date its route allows, touch and waits alone', async () => {
    const { id } = (await place()).body;
    const placed = await order(id);
    expect(placed).toMatchObject({ status: 'Not started', shipped: 0, batchIds: [], modelName: 'Weirstone' });
    const days = (placed.earliestMs - factory.clock.nowMs()) / DAY;
    // Two clamps of a day, two rests, a cure of 14 days and a rest under strings of 7 at the least.
    expect(days).toBeGreaterThan(24);
    expect(days).toBeLessThan(60);
    expect(placed.lateDays).toBeLessThan(0);
  });
  test('that somebody thinks of is told the same, and nothing is placed by it', async () => {
    const before = (await manager.get('/orders')).body.length;
    const outlook = (over = '') => manager.get(`/orders/outlook?modelId=weirstone&quantity=2${over}`);
    const { status, body } = await outlook();
    expect(status).toBe(200);
    const placed = await order((await place()).body.id);
    expect(body).toMatchObject({ routeId: placed.routeId, choices: placed.choices });
    expect(Math.abs(body.earliestMs - placed.earliestMs)).toBeLessThan(DAY);
    expect((await manager.get('/orders')).body).toHaveLength(before + 1);
    expect((await manager.get('/orders/outlook?modelId=harp&quantity=2')).body.fields[0].field).toBe('modelId');
    expect((await manager.get('/orders/outlook?modelId=weirstone&quantity=0')).status).toBe(400);
    for (const nonsense of ['no', '[1]', '{"a":1}'])
      expect((await outlook(`&choices=${encodeURIComponent(nonsense)}`)).body.fields[0].field).toBe('choices');
  });
  test('that is due before it can be done is late from the start, and says by how much', async () => {
    const { id } = (await place({ dueMs: factory.clock.nowMs() + 10 * DAY })).body;
    const placed = await order(id);
    // In the factory's days: the one it is due on is not late.
    const date = (ms: number) => new Date(ms).toLocaleDateString('sv-SE', { timeZone: 'Europe/Dublin' });
    expect(placed.lateDays).toBe((Date.parse(date(placed.earliestMs)) - Date.parse(date(placed.dueMs))) / DAY);
    expect(placed.lateDays).toBeGreaterThan(14);
    const morning = (await manager.get('/morning')).body;
    expect(morning.lateOrders.map((o: { id: string }) => o.id)).toContain(id);
  });
  test('says where its furthest batch is', async () => {
    const { id } = (await place()).body;
    const lotId = await releasedLot(factory, manager);
    const started = await manager.post('/batches', {
      modelId: 'weirstone',
      component: 'body',
      quantity: 2,
      lotId,
      orderId: id,
    });
    expect(await order(id)).toMatchObject({
      batchIds: [started.body.id],
      status: 'At Cross-cut and rip; 2 necks are not begun',
      lacks: [{ component: 'neck', count: 2 }],
    });
    await advanceTo(factory, manager, started.body.id, 'b-machine');
    const { batch } = await card(manager, started.body.id);
    expect((await order(id)).status).toMatch(new RegExp(`^At ${batch.stationName}`));
  });
  test('is told to its customer in one sentence, early, late and on the way', async () => {
    const tell = async (over: object) => (await order((await place(over)).body.id)).tell as string;
    expect(await tell({})).toMatch(
      /^Your 2 Weirstone are not begun yet; begun today, ready on \d+ \w+ at the earliest, in time for \d+ \w+\.$/,
    );
    expect(await tell({ quantity: 1, dueMs: factory.clock.nowMs() + 10 * DAY })).toMatch(
      /^Your Weirstone is not begun yet; .* at the earliest, \d+ days after the date we named\.$/,
    );
    const { id } = (await place()).body;
    const lotId = await releasedLot(factory, manager);
    const begun = await manager.post('/batches', { modelId: 'weirstone', component: 'body', quantity: 2, lotId, orderId: id });
    expect((await order(id)).tell).toMatch(
      /^Your 2 Weirstone are in rough mill, and 2 necks are not begun; begun today, they are ready on/,
    );
    await advanceTo(factory, manager, begun.body.id, 'b-machine');
    expect((await order(id)).tell).toMatch(/^Your 2 Weirstone are in machining, and 2 necks are not begun; begun today, they are ready on/);
  });
  test('carries the route that its options make', async () => {
    const { id } = (await place({ modelId: 'lockkeeper', choices: { inlay: 'picture' } })).body;
    expect(await order(id)).toMatchObject({ routeId: 'lockkeeper-1', choices: { inlay: 'picture' } });
    expect((await order(id)).options).toContain('Inlay: picture, by the inlay house');
  });
  test('can be looked up when it is over, and found by who asked', async () => {
    const { id } = (await place({ customer: 'Old Quay Strings' })).body;
    // As it is left when all of it has been sent.
    await factory.database.query('update customer_order set shipped = quantity where id = $1', [id]);
    expect(await order(id)).toBeUndefined();
    const past = (await manager.get(`/orders/${id}`)).body;
    expect(past).toMatchObject({
      id,
      customer: 'Old Quay Strings',
      quantity: 2,
      shipped: 2,
      lastShippedMs: null,
      lateDays: null,
      serials: [],
    });
    expect(past.options).toContain('Ageing: not aged');
    const found = (await manager.get('/find?text=Old Quay')).body;
    expect(found).toContainEqual({ kind: 'order', id, sentence: '2 × Weirstone for Old Quay Strings' });
    expect((await manager.get('/orders/O9')).status).toBe(404);
  });
  test('numbers follow each other', async () => {
    const [a, b] = [(await place()).body.id, (await place()).body.id];
    expect(Number(b.slice(1))).toBe(Number(a.slice(1)) + 1);
  });
});

describe('what is refused', () => {
  test.each([
    ['a model there is not', { modelId: 'nosuch' }, 'modelId'],
    ['none', { quantity: 0 }, 'quantity'],
    ['half of one', { quantity: 1.5 }, 'quantity'],
    ['more than any factory makes', { quantity: 4000 }, 'quantity'],
    ['nobody', { customer: '' }, 'customer'],
    ['words for a date', { dueMs: 'soon' }, 'dueMs'],
  ])('%s', async (_, over, field) => {
    const answer = await place(over);
    expect(answer.status).toBe(400);
    expect(answer.body.fields.map((f: { field: string }) => f.field)).toContain(field);
  });
  test('a viewer may read the book and not write in it', async () => {
    const viewer = await factory.as('viewer');
    expect((await viewer.get('/orders')).status).toBe(200);
    const tried = await viewer.post('/orders', {
      modelId: 'weirstone',
      quantity: 1,
      customer: 'x',
      dueMs: factory.clock.nowMs() + DAY,
    });
    expect(tried.status).toBe(403);
    expect(tried.body.detail).toMatch(/you are viewer/);
  });
});
