import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { card, openFactory, releasedLot, type Caller, type TestFactory } from '../test/factory.ts';

// A kit that is counted: each piece that is begun takes a set, and what lacks one waits by itself.

const WHAT = 'Locating pins';
let factory: TestFactory;
let manager: Caller;
beforeAll(async () => {
  factory = await openFactory();
  manager = await factory.as('manager');
  const kit = { kind: 'kit', what: WHAT, modelId: 'skiff', revision: '1' };
  await must(manager.post('/prerequisites', kit));
  const record = encodeURIComponent(`skiff/kit/${WHAT}`);
  await must(manager.put(`/prerequisites/${record}`, { version: 1, revision: '1', state: 'released', note: '' }));
  const { id } = (await must(manager.post('/routes', { modelId: 'skiff', fromRouteId: 'skiff-1' }))).body;
  const { version, graph } = (await manager.get(`/routes/${id}`)).body;
  const operations = graph.operations.map((o: { id: string }) => (o.id === 'b-cut' ? { ...o, needs: [{ kind: 'kit', what: WHAT }] } : o));
  const saved = await must(manager.put(`/routes/${id}`, { ...graph, operations, revision: version.revision }));
  const release = { revision: saved.body.revision, effectiveMs: factory.clock.nowMs(), reason: 'Pins are counted' };
  await must(manager.post(`/routes/${id}/release`, release));
  factory.clock.pass(1000);
});
afterAll(() => factory.close());

async function must<Answered extends { status: number; text: string }>(asking: Promise<Answered>): Promise<Answered> {
  const answer = await asking;
  if (answer.status !== 200 && answer.status !== 201) throw new Error(answer.text);
  return answer;
}
const ready = async () => (await manager.get('/kits')).body.find((k: { what: string }) => k.what === WHAT)?.sets ?? null;
const count = async (sets: number | null, over: object = {}) =>
  manager.post('/kits/count', { what: WHAT, modelId: 'skiff', sets, before: await ready(), note: '', ...over });
async function bodies(quantity: number): Promise<string> {
  const lotId = await releasedLot(factory, manager, { species: 'basswood', thicknessMm: 8 });
  const started = await must(manager.post('/batches', { modelId: 'skiff', component: 'body', quantity, lotId, orderId: null }));
  return started.body.id;
}
const start = async (id: string, over: object = {}) => {
  const { batch, workers } = await card(manager, id);
  return manager.post(`/batches/${id}/start`, { version: batch.version, personId: workers[0].id, ...over });
};

test('a kit is counted only as it was seen, and only one on record', async () => {
  expect((await count(9)).status).toBe(200);
  expect(await ready()).toBe(9);
  const stale = await count(4, { before: null });
  expect([stale.status, stale.body.detail]).toEqual([422, expect.stringContaining('9 are here now; count again')]);
  expect((await count(4, { what: 'Gremlins' })).status).toBe(400);
  expect((await count(null)).status).toBe(200);
  expect(await ready()).toBeNull();
});

test('two who count the same kit first at the same time: one is written, the other is told', async () => {
  const answers = await Promise.all([count(9, { before: null }), count(4, { before: null })]);
  expect(answers.map((a) => a.status).sort()).toEqual([200, 422]);
  expect([9, 4]).toContain(await ready());
  expect((await count(null)).status).toBe(200);
});

test('only what lacks a set waits', async () => {
  await count(2);
  const id = await bodies(5);
  expect((await card(manager, id)).kitShortage).toEqual({ sentence: `${WHAT}: 2 of 5 sets are here`, enoughFor: 2 });
  const all = await start(id);
  expect(all.body.findings[0]).toMatchObject({ rule: 'parts', sentence: `${WHAT}: 2 of 5 sets are here` });
  expect((await start(id, { quantity: 2 })).status).toBe(200);
  const { batch } = await card(manager, id);
  expect([batch.status, batch.quantity, await ready()]).toEqual(['running', 2, 0]);
  const rest = (await manager.get('/batches?modelId=skiff')).body.rows.find((b: { parentId: string | null }) => b.parentId === id).id;
  expect((await card(manager, rest)).kitShortage).toEqual({ sentence: `${WHAT}: no set is here`, enoughFor: 0 });
  await count(3);
  expect((await start(rest)).status).toBe(200);
  expect(await ready()).toBe(0);
});

test('two who begin at once never take the same sets; what is taken back comes back', async () => {
  await count(4);
  const ids = [await bodies(3), await bodies(3)];
  const answers = await Promise.all(ids.map((id) => start(id)));
  expect(answers.map((a) => a.status).sort()).toEqual([200, 422]);
  expect(await ready()).toBe(1);
  const begun = ids[answers.findIndex((a) => a.status === 200)] ?? '';
  const { batch, undo } = await card(manager, begun);
  await must(manager.post(`/batches/${begun}/undo`, { version: batch.version, entryId: undo.entryId, reason: 'Wrong card' }));
  expect(await ready()).toBe(4);
});
