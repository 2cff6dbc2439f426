import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { card, doStep, openFactory, startedBatch, type Caller, type TestFactory } from '../test/factory.ts';

const MINUTE = 60_000;

let factory: TestFactory;
let manager: Caller;
beforeAll(async () => {
  factory = await openFactory();
  manager = await factory.as('manager');
});
afterAll(() => factory.close());

const version = async (id: string) => (await card(manager, id)).batch.version as number;
const jobs = () =>
  factory.database.query<{ to_at: Date | null; shares: { batchId: string; toMs: number | null }[] }[]>('select * from job');

/** Batches begun as one load. */
async function load(...quantities: number[]): Promise<string[]> {
  const ids: string[] = [];
  for (const quantity of quantities) ids.push(await startedBatch(factory, manager, 'body', quantity));
  const [first = '', ...rest] = ids;
  const { workers, together } = await card(manager, first);
  expect(together.map((b: { id: string }) => b.id)).toEqual(expect.arrayContaining(rest));
  const answer = await manager.post(`/batches/${first}/start`, {
    version: await version(first),
    personId: workers[0].id,
    withBatchIds: rest,
  });
  expect(answer.status).toBe(200);
  return ids;
}
const finish = async (id: string, good: number) =>
  manager.post(`/batches/${id}/finish`, { version: await version(id), good, rework: 0, scrap: 0, outcomes: [] });

test('batches of one load are one job; two tablets that count two of them at once lose neither', async () => {
  const quantities = [4, 3, 2, 1];
  const ids = await load(...quantities);
  factory.clock.pass(40 * MINUTE);
  const answers = await Promise.all(ids.map((id, i) => finish(id, quantities[i] ?? 0)));
  expect(answers.map((a) => a.status)).toEqual(ids.map(() => 200));
  const all = await jobs();
  expect(all).toHaveLength(1);
  expect(all[0]?.shares.map((s) => s.toMs !== null)).toEqual([true, true, true, true]);
  expect(all[0]?.to_at).not.toBeNull();
  const touch = await Promise.all(ids.map(async (id) => (await card(manager, id)).visits[0].touchMs as number));
  expect(touch.reduce((sum, ms) => sum + ms, 0)).toBeCloseTo(40 * MINUTE, 3);
  touch.forEach((ms, i) => expect(ms).toBeCloseTo((40 * MINUTE * (quantities[i] ?? 0)) / 10, 3));
});

test('what is elsewhere, or gone meanwhile, is not taken into a load; nothing is begun then', async () => {
  const [here, other] = [await startedBatch(factory, manager, 'body', 2), await startedBatch(factory, manager, 'body', 2)];
  await doStep(factory, manager, other);
  const { workers } = await card(manager, here);
  const start = async (withBatchIds: unknown) =>
    manager.post(`/batches/${here}/start`, { version: await version(here), personId: workers[0].id, withBatchIds });
  const elsewhere = await start([other]);
  expect([elsewhere.status, JSON.stringify(elsewhere.body)]).toEqual([
    400,
    expect.stringContaining(`Batch ${other} is at another station`),
  ]);
  expect((await start(['B99999'])).status).toBe(404);
  expect((await start([here])).status).toBe(400);
  expect((await start('all of them')).status).toBe(400);
  expect((await card(manager, here)).batch.status).toBe('queued');
});

test('a station takes as many jobs as it has places, and says who is there; two who begin at once take two places or one is told', async () => {
  const { stations } = (await manager.get('/setup')).body;
  const { name, version: of } = stations.find((s: { code: string }) => s.code === 'RM1');
  expect((await manager.put('/stations/RM1', { version: of, name, places: 2 })).status).toBe(200);
  const ids: string[] = [];
  for (let i = 0; i < 4; i++) ids.push(await startedBatch(factory, manager, 'body', 1));
  const { workers } = await card(manager, ids[0] ?? '');
  const start = async (id = '', who = 0) =>
    manager.post(`/batches/${id}/start`, { version: await version(id), personId: workers[who % workers.length].id });
  const [first, second, third, fourth] = ids;
  expect((await Promise.all([start(first), start(second, 1)])).map((a) => a.status)).toEqual([200, 200]);
  const open = await factory.database.query<{ bench: number }[]>(`select bench from job where open_at = 'RM1' order by bench`);
  expect(open.map((j) => j.bench)).toEqual([1, 2]);
  const full = await start(third);
  expect(full.status).toBe(422);
  expect(full.body.detail).toMatch(/^All 2 places are taken at Cross-cut and rip: B\d+ \(.+\), B\d+ \(/);
  await manager.post(`/batches/${first ?? ''}/pause`, { version: await version(first ?? ''), cause: 'break' });
  const race = await Promise.all([start(third), start(fourth, 1)]);
  expect(race.map((a) => a.status).sort()).toEqual([200, 422]);
  const resumed = await manager.post(`/batches/${first ?? ''}/resume`, { version: await version(first ?? ''), personId: workers[0].id });
  expect(resumed.status).toBe(422);
});
