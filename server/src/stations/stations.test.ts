import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { advanceTo, BENCHES, card, DAY, openFactory, releasedLot, type Caller, type TestFactory } from '../test/factory.ts';

let factory: TestFactory;
let manager: Caller;
let lotId = '';

beforeAll(async () => {
  factory = await openFactory();
  manager = await factory.as('manager');
  lotId = await releasedLot(factory, manager, { volumeM3: 2 });
});
afterAll(() => factory.close());

const work = async (code: string) => (await manager.get(`/stations/${code}/work`)).body;
const queue = async (code: string): Promise<[string, string][]> =>
  (await work(code)).queue.map((t: { batch: { id: string }; reason: string }) => [t.batch.id, t.reason]);

/** Bodies for an order that is due in so many days; for stock where none is given. */
async function begun(dueDays?: number): Promise<string> {
  const orderId =
    dueDays === undefined
      ? null
      : (
          await manager.post('/orders', {
            modelId: 'weirstone',
            quantity: 2,
            customer: 'Stock',
            dueMs: factory.clock.nowMs() + dueDays * DAY,
          })
        ).body.id;
  return (await manager.post('/batches', { modelId: 'weirstone', component: 'body', quantity: 2, lotId, orderId })).body.id;
}

describe('a station', () => {
  test('takes what is latest first, whatever came first, and says why', async () => {
    const [stock, soon, late] = [await begun(), await begun(80), await begun(20)];
    const turns = await queue('RM1');
    expect(turns.map(([id]) => id)).toEqual([late, soon, stock]);
    expect(turns.map(([, reason]) => reason)).toEqual([
      expect.stringMatching(/^Late by \d+ days even if taken now$/),
      expect.stringMatching(/^\d+ days to spare$/),
      'For no order; first come, first taken',
    ]);
    expect(await work('RM1')).toMatchObject({ name: 'Cross-cut and rip', stage: 'roughMill', kind: 'work', places: BENCHES, running: [] });
  });
  test('shows who is at work on what, apart from what waits', async () => {
    const [[id] = ['']] = await queue('RM1');
    const { batch, workers } = await card(manager, id);
    await manager.post(`/batches/${id}/start`, { version: batch.version, personId: workers[0].id });
    const now = await work('RM1');
    expect(now.running).toMatchObject([{ id, status: 'running', worker: workers[0].name }]);
    expect(now.queue.map((t: { batch: { id: string } }) => t.batch.id)).not.toContain(id);
  });
  test('offers what waits elsewhere and could be done here in another way', async () => {
    const neckLot = await releasedLot(factory, manager, { use: 'neck', thicknessMm: 27 });
    const necks = (await manager.post('/batches', { modelId: 'weirstone', component: 'neck', quantity: 2, lotId: neckLot, orderId: null }))
      .body.id;
    await advanceTo(factory, manager, necks, 'n-machine');
    const { operations } = (await manager.get('/routes/weirstone-1')).body.graph;
    const { ways } = operations.find((o: { id: string }) => o.id === 'n-machine');
    const there = await work(ways[0].stationCode);
    expect(there.elsewhere.map((t: { batch: { id: string } }) => t.batch.id)).toContain(necks);
  });
  test('that does not exist is told; one without work is empty, not an error', async () => {
    expect((await manager.get('/stations/ZZ9/work')).body.detail).toMatch(/no station ZZ9/);
    expect(await work('DP1')).toMatchObject({ queue: [], running: [], elsewhere: [] });
  });
  test('is found by its code, as when its sign is scanned', async () => {
    const [person] = (await manager.get('/setup')).body.people;
    const namesake = (await manager.get(`/find?text=${encodeURIComponent(person.name.slice(0, 5))}`)).body;
    expect(namesake).toContainEqual(expect.objectContaining({ kind: 'person', id: person.id }));
    const found = (await manager.get('/find?text=FN5')).body;
    expect(found).toContainEqual(expect.objectContaining({ kind: 'station', id: 'FN5' }));
  });
});

describe('a card on paper', () => {
  test('is a PDF of one page that names its batch, for whoever may look', async () => {
    const id = await begun();
    const viewer = await factory.as('viewer');
    const { status, headers } = await viewer.get(`/batches/${id}/card.pdf`);
    expect([status, headers['content-type']]).toEqual([200, 'application/pdf']);
    expect(headers['content-disposition']).toContain(id);
  });
});
