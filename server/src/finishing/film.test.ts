import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { advanceTo, card, openFactory, releasedLot, type Caller, type TestFactory } from '../test/factory.ts';

// What lies on a piece is what was sprayed on it and has not been sanded off again.

const FLASH = 2 * 3_600_000;
let factory: TestFactory;
let manager: Caller;
beforeAll(async () => {
  factory = await openFactory();
  manager = await factory.as('manager');
});
afterAll(() => factory.close());

/** @returns what was answered */
async function act(id: string, command: string, body: object = {}) {
  const { batch, workers } = await card(manager, id);
  const who = command === 'start' ? { personId: workers[0].id } : {};
  return manager.post(`/batches/${id}/${command}`, { version: batch.version, ...who, ...body });
}
async function coat(id: string): Promise<void> {
  const answer = await act(id, 'coats', { wetUm: 100 });
  if (answer.status !== 200) throw new Error(answer.text);
  await factory.wait(FLASH);
}
const all = (over: object) => ({ good: 0, rework: 0, scrap: 0, outcomes: [], ...over });

test('no coat is sprayed in a booth nobody has heard of; a refinished piece carries its new film alone, and is not done without a coat', async () => {
  const lotId = await releasedLot(factory, manager, { species: 'red alder', thicknessMm: 45 });
  const id = (await manager.post('/batches', { modelId: 'millrace', component: 'body', quantity: 1, lotId, orderId: null })).body.id;
  await advanceTo(factory, manager, id, 'b-spray');
  await act(id, 'start');
  const { coatPlan } = await card(manager, id);
  factory.clock.pass(FLASH);
  const unheard = await act(id, 'coats', { wetUm: 100 });
  expect([unheard.status, unheard.body.findings.map((f: { sentence: string }) => f.sentence)]).toEqual([
    422,
    [expect.stringMatching(/^The booth was last measured [12] h.* ago$/)],
  ]);
  await factory.wait(0);
  for (let i = 0; i < coatPlan.coats; i++) await coat(id);
  const before = (await card(manager, id)).build.dryUm;
  const fault = { pieceId: `${id}-01`, outcome: 'rework', defect: 'sand-through', originOperationId: 'b-spray', note: '' };
  expect((await act(id, 'finish', all({ rework: 1, outcomes: [fault] }))).status).toBe(200);

  expect((await card(manager, id)).batch).toMatchObject({ redo: true, operationId: 'b-spray', status: 'queued' });
  await act(id, 'start');
  const bare = await act(id, 'finish', all({ good: 1 }));
  expect([bare.status, bare.body.findings.map((f: { sentence: string }) => f.sentence)]).toEqual([
    422,
    ['No coat logged on what came back'],
  ]);
  expect((await act(id, 'scuff', { grit: 120, toBare: true })).status).toBe(200);
  expect((await card(manager, id)).build).toBeNull();
  expect((await card(manager, id)).log[0].sentence).toBe('Film sanded off to the wood with 120');
  await coat(id);
  const { build, coats } = await card(manager, id);
  expect(coats).toHaveLength(1);
  expect(build.dryUm).toBeCloseTo(before / coatPlan.coats, 1);
  expect((await act(id, 'finish', all({ good: 1 }))).status).toBe(200);
});
