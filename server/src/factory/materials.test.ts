import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { openFactory, type Caller, type TestFactory } from '../test/factory.ts';

let factory: TestFactory;
let manager: Caller;

beforeAll(async () => {
  factory = await openFactory();
  manager = await factory.as('manager');
});
afterAll(() => factory.close());

const OIL = {
  name: 'Hard oil, matt',
  kind: 'oil',
  volumeSolids: 0.4,
  buildLowUm: 10,
  buildHighUm: 30,
  cureDays: 3,
  cure: { referenceTempC: 21, q10: 2, minimumTempC: 12 },
};

type Listed = { id: string; tag: string } & typeof OIL;
const materials = async (): Promise<Listed[]> => (await manager.get('/setup')).body.materials;
const named = async (name: string) => (await materials()).find((m) => m.name === name);

test('a coating is put on record, and told to whoever judges by themselves', async () => {
  const before = await materials();
  const { status, body } = await manager.post('/materials', OIL);
  expect([status, body.id]).toEqual([200, 'hard-oil-matt']);
  expect(await materials()).toHaveLength(before.length + 1);
  expect(await named(OIL.name)).toMatchObject(OIL);
  const told = (await manager.get('/factory')).body.materials as { id: string }[];
  expect(told.find((m) => m.id === 'hard-oil-matt')).toMatchObject(OIL);
});
test.each([
  ['one of the same name', { name: ' hard oil, MATT' }, 'name', /already/],
  ['a window upside down', { name: 'Wax', buildHighUm: 9 }, 'buildHighUm', 'The thickest build lies above the thinnest'],
  ['more solids than film', { name: 'Wax', volumeSolids: 1.2 }, 'volumeSolids', /.+/],
  ['a cure that never ends', { name: 'Wax', cureDays: 4000 }, 'cureDays', /.+/],
  ['a law of nothing', { name: 'Wax', cure: { ...OIL.cure, q10: 0 } }, 'cure.q10', /.+/],
])('%s is refused, and nothing is kept of it', async (_, over, field, message) => {
  const before = await materials();
  const answer = await manager.post('/materials', { ...OIL, ...over });
  expect([answer.status, answer.body.fields[0].field]).toEqual([400, field]);
  expect(answer.body.fields[0].message).toMatch(message);
  expect(await materials()).toEqual(before);
});
test('what its sheet says anew holds from now on; who looked at the old one is told', async () => {
  const { tag = '' } = (await named(OIL.name)) ?? {};
  const put = (over: object, seen = tag) => manager.put('/materials/hard-oil-matt', { ...OIL, ...over, seen });
  expect((await put({ cureDays: 5 })).status).toBe(200);
  expect(await named(OIL.name)).toMatchObject({ cureDays: 5 });
  expect((await put({ cureDays: 2 })).status).toBe(409);
  expect(await named(OIL.name)).toMatchObject({ cureDays: 5 });
  expect((await manager.put('/materials/none', { ...OIL, seen: tag })).status).toBe(404);
});
