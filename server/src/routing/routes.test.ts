import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { advanceTo, card, DAY, openFactory, startedBatch, type Caller, type TestFactory } from '../test/factory.ts';

let factory: TestFactory;
let manager: Caller;
let lead: Caller;

beforeAll(async () => {
  factory = await openFactory();
  manager = await factory.as('manager');
  lead = await factory.as('lead');
});
afterAll(() => factory.close());

type Step = Record<string, unknown> & { id: string; next: string[]; gate: object[] };
const graphOf = async (id: string): Promise<{ operations: Step[]; options?: object[] }> => (await manager.get(`/routes/${id}`)).body.graph;
const versions = async (modelId: string) =>
  (await manager.get('/routes')).body.filter((v: { modelId: string }) => v.modelId === modelId) as {
    id: string;
    version: number;
    state: string;
    inForce: boolean;
    revision: number;
    inWork: number;
  }[];
const draftOf = async (modelId: string, fromRouteId = `${modelId}-1`): Promise<string> =>
  (await lead.post('/routes', { modelId, fromRouteId })).body.id;

const CARVED = { kind: 'construction', in: ['set-neck carved'] };

describe('a draft', () => {
  test('begins from a version, one at a time, and is kept sound or not', async () => {
    const id = await draftOf('towpath');
    expect(id).toBe('towpath-2');
    expect((await lead.post('/routes', { modelId: 'towpath' })).body.detail).toMatch(/has a draft already: version 2/);
    const graph = await graphOf(id);
    expect(graph).toEqual(await graphOf('towpath-1'));
    const broken = { ...graph, operations: graph.operations.filter((o) => o.id !== 'b-machine') };
    const saved = await lead.put(`/routes/${id}`, { ...broken, revision: 1 });
    expect(saved.body).toMatchObject({
      revision: 2,
      problems: [{ operationId: 'b-carry', message: expect.stringMatching(/does not exist/) }],
    });
    expect((await manager.post(`/routes/${id}/release`, { revision: 2, reason: 'Tried it out' })).body.findings[0].sentence).toMatch(
      /leads to "b-machine", which does not exist/,
    );
    expect((await versions('towpath')).map((v) => [v.version, v.state, v.inForce])).toEqual([
      [2, 'draft', false],
      [1, 'released', true],
    ]);
  });
  test('edited by two at once: the second is told', async () => {
    const id = 'towpath-2';
    const graph = await graphOf(id);
    const answers = await Promise.all([1, 2].map(() => lead.put(`/routes/${id}`, { ...graph, revision: 2 })));
    expect(answers.map((a) => a.status).sort()).toEqual([200, 409]);
  });
  test('is set aside, and its number not used again', async () => {
    expect((await lead.post('/routes/towpath-2/discard', { revision: 3 })).status).toBe(200);
    expect(await draftOf('towpath')).toBe('towpath-3');
  });
  test('names what the factory does not have', async () => {
    const graph = await graphOf('towpath-3');
    const operations = graph.operations.map((o) =>
      o.id === 'b-fret' ? { ...o, skill: 'levitation' } : o.id === 'b-glue' ? { ...o, place: { kind: 'carousel' } } : o,
    );
    const { body } = await lead.put('/routes/towpath-3', { operations, revision: 1 });
    expect(body.problems.map((p: { message: string }) => p.message)).toEqual([
      '"Glue wings to the core" needs places in a carousel, and there is none for this model',
      '"Radius and fret" needs levitation, which nobody holds',
    ]);
  });
  test.each<[string, (o: Step) => object, RegExp]>([
    ['an unknown field', (o) => ({ ...o, colour: 'red' }), /colour/],
    ['an unknown kind of rule', (o) => ({ ...o, gate: [{ kind: 'horoscope', sign: 'goat' }] }), /gate/],
    ['an unknown field in a rule', (o) => ({ ...o, gate: [{ kind: 'parts', more: 1 }] }), /more/],
    ['a rule without its figures', (o) => ({ ...o, gate: [{ kind: 'elapsed', what: 'Set' }] }), /minimumMinutes/],
    ['a negative time', (o) => ({ ...o, setupMinutes: -4 }), /setupMinutes/],
    ['a condition of no kind', (o) => ({ ...o, when: { kind: 'mood' } }), /when/],
    ['all of all', (o) => ({ ...o, when: { kind: 'all', of: [{ kind: 'all', of: [CARVED] }] } }), /when/],
    ['a list that is none', (o) => ({ ...o, next: 'ship' }), /next/],
  ])('with %s is refused by the field', async (_, change, field) => {
    const { operations } = await graphOf('towpath-1');
    const [first, ...rest] = operations;
    const { status, body } = await lead.put('/routes/towpath-3', { operations: [first && change(first), ...rest], revision: 2 });
    expect(status).toBe(400);
    expect(JSON.stringify(body.fields)).toMatch(field);
  });
  test('keeps rules of several parts, and says when they can never be met', async () => {
    const { operations } = await graphOf('towpath-1');
    const save = async (when: object, revision: number) => {
      const changed = operations.map((o) => (o.id === 'b-fret' ? { ...o, when } : o));
      return (await lead.put('/routes/towpath-3', { operations: changed, revision })).body;
    };
    const walnut = { kind: 'species', component: 'body', in: ['black walnut'] };
    const often = {
      kind: 'any',
      of: [
        { kind: 'not', of: CARVED },
        { kind: 'all', of: [walnut, CARVED] },
      ],
    };
    expect((await save(often, 2)).problems).toEqual([]);
    expect((await graphOf('towpath-3')).operations.find((o) => o.id === 'b-fret')?.when).toEqual(often);
    expect((await save({ kind: 'all', of: [CARVED, { kind: 'any', of: [walnut] }] }, 3)).problems).toEqual([
      { operationId: 'b-fret', message: 'The rule of "Radius and fret" can never be met: the step would never be done' },
    ]);
  });
  test('of any demo model goes in as it came out', async () => {
    // The demo's lead is writing one already.
    expect((await lead.post('/routes/weirstone-2/discard', { revision: 1 })).status).toBe(200);
    for (const { id, modelId } of (await manager.get('/routes')).body.filter((v: { inForce: boolean }) => v.inForce)) {
      if (modelId === 'towpath') continue;
      const draft = await draftOf(modelId);
      const graph = await graphOf(id);
      const saved = await lead.put(`/routes/${draft}`, { ...graph, revision: 1 });
      expect([saved.status, saved.body.problems]).toEqual([200, []]);
      expect(await graphOf(draft)).toEqual(graph);
      await lead.post(`/routes/${draft}/discard`, { revision: 2 });
    }
  });
});

describe('a version', () => {
  test('comes into force at its date, with a reason; work in progress stays, or is moved on purpose', async () => {
    const early = await startedBatch(factory, manager, 'body', 2);
    const id = await draftOf('weirstone');
    const { operations, options } = await graphOf(id);
    // The rest after roughing goes; sanding is done once more.
    const slim = operations
      .filter((o) => o.id !== 'b-rest')
      .map((o) => (o.id === 'b-machine' ? { ...o, next: ['b-bind'] } : o))
      .map((o) => (o.id === 'b-sand' ? { ...o, next: ['b-scuff'], minutesPerPiece: 50 } : o));
    const scuff = { ...operations.find((o) => o.id === 'b-sand'), id: 'b-scuff', name: 'Scuff by hand', handOver: false, next: ['fit'] };
    expect((await lead.put(`/routes/${id}`, { operations: [...slim, scuff], options, revision: 1 })).body.problems).toEqual([]);
    const inDays = (n: number) => factory.clock.nowMs() + n * DAY;
    const release = (body: object) => manager.post(`/routes/${id}/release`, { revision: 2, reason: 'Rest proved needless', ...body });
    expect((await release({ reason: 'no' })).status).toBe(400);
    expect((await release({ effectiveMs: inDays(-1) })).body.detail).toMatch(/now or later/);
    expect((await lead.post(`/routes/${id}/release`, { revision: 2, reason: 'Rest proved needless' })).status).toBe(403);
    expect((await release({ effectiveMs: inDays(2) })).status).toBe(200);
    const before = await startedBatch(factory, manager, 'body', 2);
    expect((await card(manager, before)).batch.routeId).toBe('weirstone-1');
    factory.clock.pass(3 * DAY);
    const after = await startedBatch(factory, manager, 'body', 2);
    expect((await card(manager, after)).batch.routeId).toBe(id);
    expect((await lead.put(`/routes/${id}`, { operations, revision: 2 })).body.detail).toMatch(/only a draft can be changed/);

    const preview = async () => (await manager.get(`/routes/${id}/work`)).body as Record<string, unknown>[];
    const mine = async () => (await preview()).find((p) => p['batchId'] === early);
    expect(await mine()).toMatchObject({
      possible: true,
      toOperationId: 'b-cut',
      stepsAheadThen: (await mine())?.['stepsAhead'],
      sentence: 'without rest after roughing, with scuff by hand, sand body done otherwise',
    });
    await advanceTo(factory, manager, early, 'b-rest');
    expect(await mine()).toMatchObject({ possible: false, sentence: expect.stringMatching(/^Rested .* of 2 d$/) });
    factory.clock.pass(3 * DAY);
    const ready = await mine();
    expect(ready).toMatchObject({ possible: true, toOperationId: 'b-bind' });
    const { batch } = await card(manager, early);
    const moved = await lead.post(`/batches/${early}/reroute`, {
      version: batch.version,
      routeId: id,
      operationId: 'b-bind',
      reason: 'It has rested long enough',
    });
    expect(moved.status).toBe(200);
    const now = await card(manager, early);
    expect(now.batch).toMatchObject({ routeId: id, operationId: 'b-bind', status: 'queued' });
    expect(now.log[0].sentence).toMatch(/^Moved to version \d of its route at Bind body: It has rested long enough$/);
    expect(await mine()).toBeUndefined();
  });
});

describe('what stands at a station', () => {
  test('is told in the order to take it, with the reason', async () => {
    const order = async (days: number) =>
      (await manager.post('/orders', { modelId: 'weirstone', quantity: 2, customer: 'Stock', dueMs: factory.clock.nowMs() + days * DAY }))
        .body.id;
    const relaxed = await startedBatch(factory, manager, 'body', 2);
    const lotId = (await card(manager, relaxed)).batch.lotId;
    const start = async (orderId: string) =>
      (await manager.post('/batches', { modelId: 'weirstone', component: 'body', quantity: 2, lotId, orderId })).body.id as string;
    const later = await start(await order(200));
    const sooner = await start(await order(20));
    const { body } = await manager.get('/stations/RM1/work');
    const mine = body.queue.filter((t: { batch: { id: string } }) => [relaxed, later, sooner].includes(t.batch.id));
    expect(mine.map((t: { batch: { id: string } }) => t.batch.id)).toEqual([sooner, later, relaxed]);
    expect(mine.map((t: { reason: string }) => t.reason)).toEqual([
      expect.stringMatching(/^Late by \d+ days? even if taken now$/),
      expect.stringMatching(/^\d+ days to spare$/),
      'For no order; first come, first taken',
    ]);
    await manager.post(`/batches/${sooner}/start`, { version: mine[0].batch.version, personId: 'bram' });
    const now = (await manager.get('/stations/RM1/work')).body;
    expect(now.running.map((b: { id: string }) => b.id)).toContain(sooner);
    expect((await manager.get('/stations/XX9/work')).status).toBe(404);
  });
  test('another way brings work from elsewhere', async () => {
    const necks = await startedBatch(factory, manager, 'neck', 2);
    await advanceTo(factory, manager, necks, 'n-machine');
    const { elsewhere } = (await manager.get('/stations/NK4/work')).body;
    expect(elsewhere.map((t: { batch: { id: string } }) => t.batch.id)).toContain(necks);
  });
});

describe('what is logged after the fact', () => {
  test('keeps the time it happened at; not before the last change, nor in the future', async () => {
    const id = await startedBatch(factory, manager, 'body', 2);
    const { batch, workers } = await card(manager, id);
    const startedAt = factory.clock.nowMs();
    factory.clock.pass(3 * DAY);
    const start = (atMs: number) => manager.post(`/batches/${id}/start`, { version: batch.version, personId: workers[0].id, atMs });
    expect((await start(startedAt - DAY)).body.fields[0]).toEqual({ field: 'atMs', message: `Batch ${id} has been changed since then` });
    expect((await start(factory.clock.nowMs() + DAY)).body.fields[0].message).toMatch(/future/);
    const begun = await start(startedAt + 60_000);
    expect(begun.body).toEqual({ id, version: batch.version + 1 });
    const finish = { version: begun.body.version, good: 2, rework: 0, scrap: 0, outcomes: [], atMs: startedAt + 3_600_000 };
    expect((await manager.post(`/batches/${id}/finish`, finish)).status).toBe(200);
    const [visit] = (await card(manager, id)).visits;
    expect(visit).toMatchObject({ startedMs: startedAt + 60_000, finishedMs: startedAt + 3_600_000, touchMs: 3_540_000 });
  });
});
