import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { card, filledIn, openFactory, startedBatch, type Caller, type TestFactory } from '../test/factory.ts';

// One point, white.
const PNG = 'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAQAAAC1HAwCAAAAC0lEQVR42mP8/x8AAwMCAO+ip1sAAAAASUVORK5CYII=';

let factory: TestFactory;
let manager: Caller;
let operator: Caller;
beforeAll(async () => {
  factory = await openFactory();
  manager = await factory.as('manager');
  operator = await factory.as('operator');
});
afterAll(() => factory.close());

describe('pictures of step sheets', () => {
  const add = (by: Caller, over: object = {}) => by.file('/sheet-pictures', { name: 'edge.png', data: PNG, ...over });

  test('are kept once, under what they show, and told to be kept by whoever sees them', async () => {
    const [one, again] = [await add(manager), await add(manager, { name: 'the same.png' })];
    expect([one.status, again.body]).toEqual([200, one.body]);
    const shown = await operator.get(`/sheet-pictures/${one.body.id}`);
    expect([shown.status, shown.headers['content-type'], shown.headers['cache-control']]).toEqual([
      200,
      'image/png',
      'private, max-age=31536000, immutable',
    ]);
    expect((await manager.get('/sheet-pictures/nothing')).status).toBe(404);
  });
  test('a page that calls itself a picture is refused', async () => {
    const answer = await add(manager, { data: Buffer.from('<svg onload="x()"/>').toString('base64') });
    expect([answer.status, answer.body.detail]).toEqual([400, expect.stringContaining('Only PNG, JPEG and WebP')]);
  });
});

describe('a step sheet', () => {
  const finish = async (id: string, over: object) => {
    const { batch, inPass } = await card(operator, id);
    return operator.post(`/batches/${id}/finish`, {
      version: batch.version,
      good: inPass.length,
      rework: 0,
      scrap: 0,
      outcomes: [],
      ...over,
    });
  };
  const SHEET = {
    instructions: ['Long edge first'],
    ticks: [{ key: 'edges', text: 'Edges looked at' }],
    notes: [{ id: 'feed', name: 'Feed', figure: { unit: 'm/min', low: 3, high: 6 } }],
  };
  interface Step {
    id: string;
    kind: string;
  }
  /** A new version of a model's route, with its steps changed. */
  const draftWith = async (modelId: string, change: (step: Step) => object) => {
    const [inForce] = (await manager.get('/routes')).body.filter(
      (v: { modelId: string; inForce: boolean }) => v.modelId === modelId && v.inForce,
    );
    const { id } = (await manager.post('/routes', { modelId, fromRouteId: inForce.id })).body;
    const { operations, options = [] } = (await manager.get(`/routes/${id}`)).body.graph;
    const { status, body } = await manager.put(`/routes/${id}`, { operations: operations.map(change), options, revision: 1 });
    expect(status).toBe(200);
    return { id: id as string, problems: body.problems as { message: string }[] };
  };

  test('comes with a version of the route; a batch begun before keeps its own; nothing is finished without it', async () => {
    const before = await startedBatch(factory, manager);
    // The demo's lead is writing one already.
    expect((await manager.post('/routes/weirstone-2/discard', { revision: 1 })).status).toBe(200);
    const saved = await draftWith('weirstone', (o) => (o.id === 'b-cut' ? { ...o, sheet: SHEET } : o));
    expect(saved.problems).toEqual([]);
    const released = await manager.post(`/routes/${saved.id}/release`, { revision: 2, reason: 'Cutting has a sheet' });
    expect(released.status).toBe(200);
    const id = await startedBatch(factory, manager);
    expect((await card(operator, before)).sheet).toBeNull();
    expect((await card(operator, id)).sheet).toMatchObject({ ...SHEET, pictures: [], lookFor: [] });

    const { batch, workers } = await card(operator, id);
    const begun = await manager.post(`/batches/${id}/start`, { version: batch.version, personId: workers[0].id });
    expect([begun.status, begun.body.detail]).toEqual([200, undefined]);
    factory.clock.pass(3_600_000);
    const bare = await finish(id, {});
    expect([bare.status, bare.body.detail]).toEqual([422, expect.stringContaining('Not ticked yet: Edges looked at. Not noted yet: Feed')]);
    const fast = { sheet: { ticks: ['edges'], notes: [{ id: 'feed', figure: 9 }] } };
    expect((await finish(id, fast)).body.detail).toContain('Feed: 9 m/min was noted, 3–6 m/min is asked for');
    // To accept it is not an operator's.
    expect((await finish(id, { ...fast, acceptReason: 'It cut well enough' })).status).toBe(403);
    expect((await finish(id, { sheet: { ticks: ['edges', 'oil'], notes: [] } })).status).toBe(400);
    expect((await finish(id, filledIn(await card(operator, id)) ?? {})).status).toBe(200);
    const { log } = await card(operator, id);
    expect(log.map((l: { sentence: string }) => l.sentence).join()).toContain('feed 3 m/min; ticked: Edges looked at');
  });
  test('asks nobody where nobody finishes', async () => {
    const { problems } = await draftWith('skiff', (o) => (o.kind === 'dwell' ? { ...o, sheet: SHEET } : o));
    expect(problems.map((p) => p.message).join()).toContain('nothing can be ticked or noted there');
  });
});
