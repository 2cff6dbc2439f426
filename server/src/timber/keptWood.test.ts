import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { undoThrough } from '../test/migrations.ts';
import { ownerDataSource } from '../database.ts';
import { DAY, openFactory, releasedLot, type Caller, type TestFactory } from '../test/factory.ts';

// A neck may be chosen of another wood: priced, kept for whoever chose it, and cut by nobody else.

let factory: TestFactory;
let manager: Caller;
let operator: Caller;
beforeAll(async () => {
  factory = await openFactory();
  [manager, operator] = [await factory.as('manager'), await factory.as('operator')];
  await chooseNecks();
});
afterAll(() => factory.close());

/** The next version of the Headwater's route, on whose orders the neck's wood can be chosen. */
async function chooseNecks(): Promise<void> {
  const { id } = (await manager.post('/routes', { modelId: 'headwater', fromRouteId: 'headwater-1' })).body;
  const { version, graph } = (await manager.get(`/routes/${id}`)).body;
  const values = [
    { id: 'mahogany', name: 'mahogany' },
    { id: 'wenge', name: 'wenge', wood: { neck: 'wenge' }, extraPrice: 180 },
  ];
  const options = [...(graph.options ?? []), { id: 'neckwood', name: 'Neck', values }];
  const saved = await manager.put(`/routes/${id}`, { ...graph, options, revision: version.revision });
  if (saved.status !== 200) throw new Error(saved.text);
  const released = await manager.post(`/routes/${id}/release`, {
    revision: saved.body.revision,
    effectiveMs: factory.clock.nowMs(),
    reason: 'Necks of wenge',
  });
  if (released.status !== 200) throw new Error(released.text);
  factory.clock.pass(1000);
}

const place = async (choices: Record<string, string>, quantity = 2) => {
  const order = { modelId: 'headwater', quantity, customer: 'Old Quay', dueMs: factory.clock.nowMs() + 90 * DAY, choices };
  return (await manager.post('/orders', order)).body.id as string;
};
const wenge = () => releasedLot(factory, manager, { species: 'wenge', use: 'neck', thicknessMm: 27, volumeM3: 0.02 });
const neckOf = async (orderId: string) =>
  (await manager.get(`/stock/orders/${orderId}`)).body.parts.find((p: { component: string }) => p.component === 'neck');
const keep = async (lotId: string, orderId: string, volumeM3: number, as = manager) =>
  as.post(`/lots/${lotId}/keep`, { version: (await manager.get(`/lots/${lotId}`)).body.lot.version, orderId, volumeM3 });
const start = (orderId: string | null, lotId: string, quantity = 2) =>
  manager.post('/batches', { modelId: 'headwater', component: 'neck', quantity, lotId, orderId });

describe('wood that an order has chosen', () => {
  test('is priced, asked for in stock and cut for nothing else', async () => {
    const orderId = await place({ neckwood: 'wenge' });
    const order = (await manager.get('/orders')).body.find((o: { id: string }) => o.id === orderId);
    expect(order).toMatchObject({ extraPrice: 180, options: expect.arrayContaining(['Neck: wenge']) });
    expect(await neckOf(orderId)).toMatchObject({ species: 'wenge', chosen: true, neededM3: 0.016, keptM3: 0 });
    const cover = (await manager.get('/stock')).body.cover.find((c: { species: string }) => c.species === 'wenge');
    expect(cover.ordersAtRisk).toContain(orderId);
    const mahogany = await releasedLot(factory, manager, { use: 'neck', thicknessMm: 27 });
    expect((await start(orderId, mahogany)).body.detail).toMatch(/is mahogany for neck; Headwater needs wenge for neck/);
  });

  test('is kept by a lead, shown on its lot, taken by its order and by no other', async () => {
    const [first, second] = [await place({ neckwood: 'wenge' }), await place({ neckwood: 'wenge' })];
    const lotId = await wenge();
    expect((await keep(lotId, first, 0.016, operator)).status).toBe(403);
    expect((await keep(lotId, first, 0.016)).status).toBe(200);
    expect((await keep(lotId, second, 0.016)).body.fields[0]).toMatchObject({ field: 'volumeM3' });
    const usual = await place({});
    expect((await keep(lotId, usual, 0.001)).body.detail).toBe(`${usual} asks for no wenge for neck`);
    expect((await manager.get(`/lots/${lotId}`)).body.kept).toEqual([{ orderId: first, customer: 'Old Quay', volumeM3: 0.016 }]);
    expect(await neckOf(first)).toMatchObject({ keptM3: 0.016 });
    expect((await start(second, lotId)).body.detail).toMatch(new RegExp(`0.016\\u00a0m³ of it is kept for ${first}`));
    expect((await start(first, lotId)).status).toBe(200);
    expect((await manager.get(`/lots/${lotId}`)).body.kept).toEqual([]);
  });

  test('makes necks that no other order is given', async () => {
    const chosen = await place({ neckwood: 'wenge' }, 1);
    const spare = (await start(null, await releasedLot(factory, manager, { use: 'neck', thicknessMm: 27 }), 3)).body.id;
    expect(spare).toBeDefined();
    expect((await neckOf(chosen)).neededM3).toBeGreaterThan(0);
    const usual = await place({}, 1);
    expect((await neckOf(usual)).neededM3).toBe(0);
  });
});

test('what is kept goes with its migration, and comes back with it', async () => {
  const lotId = await wenge();
  expect((await keep(lotId, await place({ neckwood: 'wenge' }), 0.01)).status).toBe(200);
  const owner = await ownerDataSource().initialize();
  try {
    await undoThrough(owner, 'KeptWood1700000000023');
    const [left] = await owner.query<{ there: string | null }[]>(`select to_regclass('kept_wood') as there`);
    expect(left?.there).toBeNull();
    await owner.runMigrations();
    expect(await owner.query('select * from kept_wood')).toEqual([]);
  } finally {
    await owner.destroy();
  }
});
