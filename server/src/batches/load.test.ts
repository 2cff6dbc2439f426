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
