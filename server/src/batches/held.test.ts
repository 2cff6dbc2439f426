import {
  FinishWork,
  HeldCard,
  factoryOf,
  livePieces,
  Piece,
  StartWork,
  type FactoryTold,
  type Held,
  type HouseFactory,
} from '@ample-crane/core';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { openFactory, startedBatch, type Caller, type TestFactory } from '../test/factory.ts';

let factory: TestFactory;
let manager: Caller;
beforeAll(async () => {
  factory = await openFactory('setup');
  manager = await factory.as('manager');
});
afterAll(() => factory.close());

const told = async () => factoryOf((await manager.get('/factory')).body as FactoryTold<HouseFactory['setUp']['settings']>);
const heldOf = async (id: string) => (await manager.get(`/batches/${id}/held`)).body as Held;

describe('what a page holds of a batch', () => {
  test('is enough to judge as the server does, and to know the batch afterwards', async () => {
    const id = await startedBatch(factory, manager);
    const held = await heldOf(id);
    const card = new HeldCard(held, await told());
    const by = { personId: 'manager', role: 'manager' } as const;
    const { workers } = (await manager.get(`/batches/${id}`)).body as { workers: { id: string }[] };
    const personId = workers[0]?.id ?? '';
    const start = { batchId: id, personId };
    expect(card.give(StartWork, { batchId: id, personId: 'viewer' }, { atMs: factory.clock.nowMs(), by }).kind).toBe('refuse');
    const atMs = factory.clock.nowMs();
    const { version } = card.batch;
    expect(card.give(StartWork, start, { atMs, by }).kind).toBe('accept');
    const started = await manager.post(`/batches/${id}/start`, { version, personId, atMs });
    expect(started.status).toBe(200);
    expect((await heldOf(id)).rows['batch']).toEqual([JSON.parse(JSON.stringify(card.batch))]);
    factory.clock.pass(3_600_000);
    const good = livePieces(card.all(Piece)).length;
    const counts = { good, rework: 0, scrap: 0, outcomes: [] };
    const finishMs = factory.clock.nowMs();
    expect(card.give(FinishWork, { batchId: id, ...counts }, { atMs: finishMs, by }).kind).toBe('accept');
    expect((await manager.post(`/batches/${id}/finish`, { version: started.body.version, atMs: finishMs, ...counts })).status).toBe(200);
    expect((await heldOf(id)).rows['batch']).toEqual([JSON.parse(JSON.stringify(card.batch))]);
  });
  test('of a batch there is not is told as such', async () => {
    expect((await manager.get('/batches/B0/held')).status).toBe(404);
  });
  test('the factory is told without what nobody’s work is on, and without accounts', async () => {
    const text = JSON.stringify((await manager.get('/factory')).body);
    expect(text).not.toMatch(/passwordHash|"login"|argon2|feedToken/);
    const { versions, routes } = (await manager.get('/factory')).body as {
      versions: { id: string; state: string }[];
      routes: { id: string }[];
    };
    expect(routes.map((r) => r.id).sort()).toEqual(
      versions
        .filter((v) => v.state === 'released')
        .map((v) => v.id)
        .sort(),
    );
  });
});
