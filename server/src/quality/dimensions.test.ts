import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { card, openFactory, releasedLot, type Caller, type TestFactory } from '../test/factory.ts';

// What is measured again and again has a chart; when a rule of it fires its batch is held, and somebody says what was found.

const WIDTH = { id: 'width', name: 'Slot width', unit: 'mm', low: 9.9, target: 10, high: 10.1, instrument: 'caliper', holds: true };
const ID = 'skiff/b-cut/width';
let factory: TestFactory;
let manager: Caller;
let operator: Caller;
beforeAll(async () => {
  factory = await openFactory();
  manager = await factory.as('manager');
  operator = await factory.as('operator');
  const { id } = (await must(manager.post('/routes', { modelId: 'skiff', fromRouteId: 'skiff-1' }))).body;
  const { version, graph } = (await manager.get(`/routes/${id}`)).body;
  const operations = graph.operations.map((o: { id: string }) =>
    o.id === 'b-cut' ? { ...o, characteristics: [{ ...WIDTH, sample: { measured: 1, of: 4 } }] } : o,
  );
  const saved = await must(manager.put(`/routes/${id}`, { ...graph, operations, revision: version.revision }));
  const release = { revision: saved.body.revision, effectiveMs: factory.clock.nowMs(), reason: 'Slots are measured' };
  await must(manager.post(`/routes/${id}/release`, release));
  factory.clock.pass(1000);
});
afterAll(() => factory.close());

async function must<Answered extends { status: number; text: string }>(asking: Promise<Answered>): Promise<Answered> {
  const answer = await asking;
  if (answer.status !== 200 && answer.status !== 201) throw new Error(answer.text);
  return answer;
}
async function bodies(quantity: number): Promise<string> {
  const lotId = await releasedLot(factory, manager, { species: 'basswood', thicknessMm: 8 });
  return (await must(manager.post('/batches', { modelId: 'skiff', component: 'body', quantity, lotId, orderId: null }))).body.id;
}
async function measure(id: string, values: readonly number[], from = 0) {
  const { batch, inPass } = await card(manager, id);
  factory.clock.pass(60_000);
  const measures = values.map((value, i) => ({ pieceId: inPass[from + i], characteristicId: 'width', value }));
  return operator.post(`/batches/${id}/measures`, { version: batch.version, measures });
}
const chart = async (query = '') => (await must(manager.get(`/dimensions/chart?id=${encodeURIComponent(ID)}${query}`))).body;
const now = async () => (await must(manager.get('/dimensions'))).body.find((d: { id: string }) => d.id === ID);

test('two who measure the first pieces of all at once are both on the chart', async () => {
  const ids = [await bodies(2), await bodies(2)];
  const answers = await Promise.all(ids.map((id) => measure(id, [10, 10.01])));
  expect(answers.map((a) => a.status)).toEqual([200, 200]);
  expect(await now()).toMatchObject({ count: 4, lacking: 16, state: 'too few', name: 'Slot width', instrument: 'caliper' });
});

test('a sample of the pieces is enough to finish', async () => {
  const id = await bodies(8);
  const { batch, workers, unmeasured } = await card(manager, id);
  expect(unmeasured).toMatchObject([{ name: 'Slot width', taken: 0, wanted: 2 }]);
  await must(manager.post(`/batches/${id}/start`, { version: batch.version, personId: workers[0].id }));
  const finish = async () =>
    manager.post(`/batches/${id}/finish`, { version: (await card(manager, id)).batch.version, good: 8, rework: 0, scrap: 0, outcomes: [] });
  await must(measure(id, [9.99]));
  factory.clock.pass(60_000);
  expect((await finish()).body.findings).toMatchObject([{ sentence: 'Not measured yet: Slot width: 1 of 2' }]);
  await must(measure(id, [10.01], 1));
  factory.clock.pass(60_000);
  expect((await finish()).status).toBe(200);
});

test('a rule that fires holds the batch, is told on Morning, and is settled by a lead', async () => {
  await must(measure(await bodies(14), [10, 10.01, 9.99, 10, 10.01, 9.99, 10, 10.01, 9.99, 10, 10.01, 9.99, 10, 10.01]));
  expect(await now()).toMatchObject({ state: 'in control', lacking: 0, signal: null });
  const id = await bodies(3);
  const answer = await must(measure(id, [10, 10.08]));
  expect(answer.body).toMatchObject({ id });
  expect((await card(manager, id)).batch).toMatchObject({
    status: 'held',
    // What is held is not free to go, whatever its gate would say.
    verdict: 'stop',
    holdReason: 'Slot width: one value above the upper limit; a lead decides',
  });
  const told = await now();
  expect(told.signal).toMatchObject({ sentence: 'one value above the upper limit', batchId: id, value: 10.08 });
  const morning = (await manager.get('/morning')).body;
  expect(morning.decisions.map((d: { sentence: string }) => d.sentence)).toContain(
    'Slot width of Skiff is out of control: one value above the upper limit',
  );

  const drawn = await chart('&size=60');
  expect(drawn.chart.points).toHaveLength(22);
  expect(drawn.chart.signals).toMatchObject([{ sentence: 'one value above the upper limit', at: [21] }]);
  expect(drawn.chart.points[21]).toMatchObject({ value: 10.08, batchId: id });
  const means = await chart('&kind=range');
  expect(means.chart.kind).toBe('range');
  expect(means.chart.points.every((p: { pieceIds: string[] }) => p.pieceIds.length === means.chart.size)).toBe(true);

  const settle = { dimensionId: ID, note: 'Chip under the fixture', anew: false };
  expect((await operator.post('/dimensions/settle', settle)).status).toBe(403);
  expect((await manager.post('/dimensions/settle', { ...settle, note: ' ' })).status).toBe(400);
  expect((await manager.post('/dimensions/settle', { ...settle, dimensionId: 'skiff/b-cut/depth' })).status).toBe(404);
  factory.clock.pass(1000);
  const both = await Promise.all([manager.post('/dimensions/settle', settle), manager.post('/dimensions/settle', settle)]);
  expect(both.map((a) => a.status).sort()).toEqual([200, 422]);
  expect(await now()).toMatchObject({ signal: null, state: 'in control', found: { note: 'Chip under the fixture' } });
});

test('what is typed again puts the value right on the chart', async () => {
  const id = await bodies(1);
  await must(measure(id, [100]));
  expect((await now()).signal).not.toBeNull();
  const before = (await now()).count;
  await must(manager.post(`/batches/${id}/release`, { version: (await card(manager, id)).batch.version }));
  await must(measure(id, [10]));
  expect(await now()).toMatchObject({ signal: null, count: before, lastValue: 10 });
  const { chart: drawn } = await chart('&size=60');
  expect(drawn.points.at(-1)).toMatchObject({ value: 10, batchId: id });
});

test('what cannot be asked for is refused', async () => {
  expect((await manager.get('/dimensions/chart?id=nothing')).status).toBe(404);
  expect((await manager.get('/dimensions/chart')).status).toBe(400);
  expect((await manager.get(`/dimensions/chart?id=${ID}&size=5000`)).status).toBe(400);
  expect((await manager.get(`/dimensions/chart?id=${ID}&kind=pie`)).status).toBe(400);
});
