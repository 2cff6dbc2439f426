import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { openFactory, type Caller, type TestFactory } from '../test/factory.ts';

let factory: TestFactory;
let lead: Caller;
beforeAll(async () => {
  factory = await openFactory();
  lead = await factory.as('lead');
});
afterAll(() => factory.close());

const person = (name: string, off: number) => ({
  name,
  parts: [0, 1, 2].map((part) => ({ again: [56 + part / 10 + off, 56.01 + part / 10 + off] })),
});
const study = (over: object = {}) => ({
  instrument: 'caliper',
  what: 'Pocket width',
  unit: 'mm',
  low: 55.5,
  high: 56.5,
  people: [person('Ann', 0), person('Ben', 0.001)],
  ...over,
});
const studies = async () => (await lead.get('/instrument-studies')).body;

test('a study of an instrument is kept with what it is worth; a later one takes its place', async () => {
  expect((await lead.post('/instrument-studies', study())).status).toBe(200);
  expect(await studies()).toMatchObject([
    {
      id: 'caliper/Pocket width',
      people: ['Ann', 'Ben'],
      parts: 3,
      repeats: 2,
      verdict: 'fit',
      byRange: { ofTotalPct: expect.any(Number) },
    },
  ]);
  factory.clock.pass(60_000);
  expect((await lead.post('/instrument-studies', study({ high: 55.6 }))).status).toBe(200);
  const [now, ...more] = await studies();
  expect(more).toEqual([]);
  expect(now).toMatchObject({ verdict: 'not fit', sentence: expect.stringContaining('it is not fit for that') });
});

test('two who keep the first study of the same at once leave one of the two, whole', async () => {
  const both = [study({ instrument: 'depth gauge' }), study({ instrument: 'depth gauge', people: [person('Cai', 0), person('Dov', 0)] })];
  const answers = await Promise.all(both.map((body) => lead.post('/instrument-studies', body)));
  expect(answers.map((a) => a.status)).toEqual([200, 200]);
  const kept = (await studies()).filter((s: { instrument: string }) => s.instrument === 'depth gauge');
  expect(kept).toHaveLength(1);
  expect([
    ['Ann', 'Ben'],
    ['Cai', 'Dov'],
  ]).toContainEqual(kept[0].people);
});

test('what is no whole study is refused', async () => {
  const refused = async (over: object) => (await lead.post('/instrument-studies', study(over))).status;
  expect(await refused({ people: [person('Ann', 0)] })).toBe(400);
  expect(await refused({ people: [person('Ann', 0), { name: 'Ben', parts: [{ again: [1, 2] }] }] })).toBe(400);
  expect(await refused({ people: [person('Ann', 0), person('Ann', 0)] })).toBe(400);
  expect(await refused({ low: 57 })).toBe(400);
  expect(await refused({ people: [person('Ann', 0), { name: 'Ben', parts: [{ again: ['x'] }] }] })).toBe(400);
});
