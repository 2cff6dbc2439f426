import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { LOT, openFactory, type Caller, type TestFactory } from '../test/factory.ts';

let factory: TestFactory;
let manager: Caller;

const SCHEDULE = {
  id: '',
  name: 'Tops, gently',
  steps: [
    { fromPct: 18, tempC: 28, relativeHumidity: 0.55 },
    { fromPct: 11, tempC: 32, relativeHumidity: 0.35 },
  ],
  targetPct: 8,
  conditioning: null,
};

const kilns = async () => (await manager.get('/setup')).body.kilns;
const save = (schedules: object[]) => manager.put('/settings/kilns', { schedules });

beforeAll(async () => {
  factory = await openFactory();
  manager = await factory.as('manager');
});
afterAll(() => factory.close());

describe('kiln schedules', () => {
  test('a new one is kept under an id of its own, whatever it is called later', async () => {
    const before = await kilns();
    expect((await save([...before, SCHEDULE])).status).toBe(200);
    const made = (await kilns()).at(-1);
    expect(made).toEqual({ ...SCHEDULE, id: 'tops-gently' });
    await save([...before, { ...made, name: 'Tops' }]);
    expect((await kilns()).at(-1)).toMatchObject({ id: 'tops-gently', name: 'Tops' });
    await save([...before, { ...made, name: 'Tops' }, SCHEDULE]);
    expect((await kilns()).at(-1)).toMatchObject({ id: 'tops-gently-2', name: 'Tops, gently' });
    await save(before);
    expect(await kilns()).toEqual(before);
  });
  test.each([
    ['no step', { steps: [] }, /needs a step/],
    ['steps that climb', { steps: [...SCHEDULE.steps].reverse() }, /Step 1 begins at 11 %, which is not above its end, 18 %/],
    ['air that never dries so far', { targetPct: 5 }, /Step 2 tends to .* never reaches 5 %/],
    ['conditioning that dries on', { conditioning: { tempC: 35, relativeHumidity: 0.2, hours: 24 } }, /Conditioning air .* dries on/],
  ])('%s is refused, and says why', async (_, over, why) => {
    const before = await kilns();
    const answer = await save([...before, { ...SCHEDULE, ...over }]);
    expect(answer.status).toBe(400);
    expect(answer.body.fields[0].message).toMatch(why);
    expect(await kilns()).toEqual(before);
  });
  test.each([
    ['an oven', { steps: [{ fromPct: 18, tempC: 160, relativeHumidity: 0.5 }] }],
    ['humidity in percent', { steps: [{ fromPct: 18, tempC: 30, relativeHumidity: 50 }] }],
    ['conditioning for ever', { conditioning: { tempC: 35, relativeHumidity: 0.6, hours: 9999 } }],
    ['a field nobody knows', { colour: 'red' }],
    ['no name', { name: '' }],
  ])('%s is refused by its field', async (_, over) => {
    expect((await save([{ ...SCHEDULE, ...over }])).status).toBe(400);
  });
  test('two of one name are refused', async () => {
    const answer = await save([SCHEDULE, { ...SCHEDULE, name: 'TOPS, gently ' }]);
    expect(answer.body.fields[0]).toMatchObject({ field: 'schedules.1.name' });
  });
  test('one that a lot dries by cannot go; once the lot has moved it can', async () => {
    const { id } = (await manager.post('/lots', LOT)).body;
    await manager.post(`/lots/${id}/move`, { version: 1, zoneId: 'cabinet', place: null, scheduleId: 'cabinet' });
    const before = await kilns();
    const without = before.filter((k: { id: string }) => k.id !== 'cabinet');
    const refused = await save(without);
    expect(refused.status).toBe(400);
    expect(refused.body.fields[0].message).toContain(id);
    await manager.post(`/lots/${id}/move`, { version: 2, zoneId: 'wood', place: null, scheduleId: null });
    expect((await save(without)).status).toBe(200);
    await save(before);
  });
  test('are the manager’s to change', async () => {
    for (const login of ['viewer', 'operator', 'lead']) {
      const other = await factory.as(login);
      expect((await other.put('/settings/kilns', { schedules: [] })).status).toBe(403);
    }
  });
});
