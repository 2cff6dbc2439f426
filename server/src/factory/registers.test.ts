import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { SPECIES } from '@ample-crane/core';
import { ownerDataSource } from '../database.ts';
import { LOT, openFactory, startedBatch, type Caller, type TestFactory } from '../test/factory.ts';

import { undoThrough } from '../test/migrations.ts';

let factory: TestFactory;
let manager: Caller;

beforeAll(async () => {
  factory = await openFactory();
  manager = await factory.as('manager');
});
afterAll(() => factory.close());

const setup = async () => (await manager.get('/setup')).body;
const METER = { a: 1.1, b: 0.5, densityOffsetPct: 1.5 };
const BLACKWOOD = {
  name: 'blackwood',
  radial: null,
  tangential: null,
  densityGPerCm3: 0.64,
  ratePerDay: 0.02,
  restricted: false,
  restrictedBecause: '',
  meter: null,
  sources: { movement: '', density: 'weighed here', rate: 'our own lots', meter: '' },
};

describe('the register of species', () => {
  const save = async (species: object[]) => manager.put('/settings/species', { species });
  test('begins with what is published, and is told to whoever judges by themselves', async () => {
    expect((await setup()).species).toEqual(SPECIES);
    expect((await manager.get('/factory')).body.settings.species).toEqual(SPECIES);
  });
  test('keeps a wood that a model is made of, or that there is a lot of, under its name', async () => {
    const without = (name: string) => save(SPECIES.filter((s) => s.name !== name));
    expect((await without('mahogany')).body.fields[0].message).toMatch(/ is of mahogany: it stays in the register under that name$/);
    const renamed = await save(SPECIES.map((s) => (s.name === 'red alder' ? { ...s, name: 'alder' } : s)));
    expect(renamed.body.fields[0].message).toBe('Millrace is of red alder: it stays in the register under that name');
    const { id } = (await manager.post('/lots', { ...LOT, species: 'western redcedar', restricted: false })).body;
    expect((await without('western redcedar')).body.fields[0].message).toMatch(new RegExp(`^Lot ${id} is of western redcedar`));
    expect((await setup()).species).toEqual(SPECIES);
    expect((await without('eastern white pine')).status).toBe(200);
    await save([...SPECIES]);
  });
  test.each([
    ['two of a name', { name: 'Mahogany ' }, 'species.17', 'There are two species called Mahogany'],
    [
      'a figure from nowhere',
      { sources: { ...BLACKWOOD.sources, density: ' ' } },
      'species.17',
      'Say where the density of blackwood is from',
    ],
    ['a plank that grows by a tenth a point', { radial: 0.1 }, 'species.17.radial', /.+/],
    ['wood heavier than any', { densityGPerCm3: 7 }, 'species.17.densityGPerCm3', /.+/],
  ])('%s is refused, and what was there stays', async (_, over, field, message) => {
    const answer = await save([...SPECIES, { ...BLACKWOOD, ...over }]);
    expect(answer.status).toBe(400);
    expect(answer.body.fields[0].field).toBe(field);
    expect(answer.body.fields[0].message).toMatch(message);
    expect((await setup()).species).toEqual(SPECIES);
  });
  test('takes a wood of the factory’s own, whose rate forecasts a lot until it has told its own', async () => {
    expect((await save([...SPECIES, BLACKWOOD])).status).toBe(200);
    const lot = await manager.post('/lots', { ...LOT, species: 'blackwood', restricted: false });
    const { id } = lot.body;
    const card = async () => (await manager.get(`/lots/${id}`)).body;
    await manager.post(`/lots/${id}/readings`, { version: 1, text: '14.1 14.0', woodTempC: 20, meter: 'pin' });
    const priorRate = async (): Promise<number> => (await card()).lot.ready.ratePerDay;
    const slow = await priorRate();
    expect((await save([...SPECIES, { ...BLACKWOOD, ratePerDay: 0.08 }])).status).toBe(200);
    expect((await priorRate()) / slow).toBeCloseTo(4, 6);
  });
});

describe('the register of cautions', () => {
  const save = async (cautions: object[]) => manager.put('/settings/cautions', { cautions });
  test('is told to every screen in the factory’s words, and keeps what a step shows', async () => {
    const { cautions } = await setup();
    const saw = { key: 'bandsaw', text: 'Blade guide down to the work.' };
    expect((await save([...cautions, saw])).status).toBe(200);
    expect((await manager.get('/session')).body.cautions).toContainEqual(saw);
    const without = await save(cautions.filter((c: { key: string }) => c.key !== 'dust'));
    expect(without.body.fields[0].message).toMatch(/^".+" of .+ shows "dust": take it off that step first$/);
    expect((await save([saw, ...cautions, saw])).body.fields[0].message).toBe('"bandsaw" stands there twice');
    expect((await save(cautions)).status).toBe(200);
  });
});

describe('the register of what paused work waits for', () => {
  test('is what a pause may name; the logbook keeps what was said', async () => {
    const { pauseCauses } = await setup();
    const causes = [...pauseCauses, { key: 'dust', text: 'the extraction is full' }];
    expect((await manager.put('/settings/pause-causes', { pauseCauses: causes })).status).toBe(200);
    const id = await startedBatch(factory, manager, 'body', 2);
    const { batch, workers } = (await manager.get(`/batches/${id}`)).body;
    await manager.post(`/batches/${id}/start`, { version: batch.version, personId: workers[0].id });
    const pause = async (cause: string) =>
      manager.post(`/batches/${id}/pause`, { version: (await manager.get(`/batches/${id}`)).body.batch.version, cause });
    expect((await pause('weather')).body.fields[0].message).toMatch(/"weather" is not in the register/);
    expect((await pause('dust')).status).toBe(200);
    const latest = async () => (await manager.get(`/batches/${id}`)).body.log[0].sentence;
    expect(await latest()).toBe('Paused: the extraction is full');
    await manager.put('/settings/pause-causes', { pauseCauses });
    expect(await latest()).toBe('Paused: dust');
  });
});

describe('the consignees', () => {
  test('are each there once', async () => {
    const save = async (...names: string[]) =>
      manager.put('/settings/consignees', { consignees: names.map((name) => ({ name, note: 'By the gate' })) });
    expect((await save('Old Quay', 'old quay')).body.fields[0].message).toBe('"old quay" stands there twice');
    expect((await save('Old Quay')).status).toBe(200);
    expect((await setup()).consignees).toEqual([{ name: 'Old Quay', note: 'By the gate' }]);
  });
});

describe('the register of defects', () => {
  const save = async (defects: object[]) => manager.put('/settings/defects', { defects });
  test('is what a finish may name: one taken out is refused, one put in is known', async () => {
    const { defects } = await setup();
    await save([...defects.filter((d: { name: string }) => d.name !== 'crack'), { name: 'scorch', stages: ['bodies'] }]);
    const told = (await manager.get('/factory')).body.settings.defects.map((d: { name: string }) => d.name);
    expect(told).toContain('scorch');
    expect(told).not.toContain('crack');
    const id = await startedBatch(factory, manager, 'body', 2);
    const { batch, defectKinds } = (await manager.get(`/batches/${id}`)).body;
    expect(defectKinds.usual).toEqual(['knot or pitch', 'glue line open']);
    const fault = { pieceId: `${id}-01`, originOperationId: batch.operationId, note: '' };
    const scrap = (defect: string) => manager.post(`/batches/${id}/scrap`, { version: batch.version, pieces: [{ ...fault, defect }] });
    expect((await scrap('crack')).body.fields).toMatchObject([{ field: 'pieces', message: /"crack" is not in the register/ }]);
    expect((await scrap('scorch')).status).toBe(200);
    await save(defects);
  });
  test.each([
    ['none at all', [], /Name at least one/],
    [
      'one twice',
      [
        { name: 'run', stages: [] },
        { name: 'Run', stages: [] },
      ],
      /"Run" stands there twice/,
    ],
    ['one of a stage there is not', [{ name: 'run', stages: ['attic'] }], /.+/],
  ])('%s is refused', async (_, defects, message) => {
    const answer = await save(defects);
    expect(answer.status).toBe(400);
    expect(answer.body.fields[0].message).toMatch(message);
  });
});

test('a factory’s corrections of its meters join the register, and go back', async () => {
  const older = await openFactory('nothing');
  const owner = await ownerDataSource().initialize();
  try {
    await undoThrough(owner, 'Registers1700000000007');
    const meters = { 'sugar maple': METER, ironwood: METER };
    await owner.query(`insert into setting values ('meterSpecies', $1)`, [meters]);
    await owner.runMigrations();
    const [{ value }] = await owner.query<[{ value: (typeof BLACKWOOD)[] }]>(`select value from setting where key = 'species'`);
    // The woods that were known then; those that came later are for the factory to add.
    const known = SPECIES.slice(0, 11);
    const byHandbook = (s: (typeof SPECIES)[number]) => ({ ...s, meter: METER, sources: { ...s.sources, meter: 'The meter’s handbook' } });
    expect(value.slice(0, known.length)).toEqual(known.map((s) => (s.name === 'sugar maple' ? byHandbook(s) : s)));
    expect(value.at(-1)).toEqual({
      ...{ name: 'ironwood', radial: null, tangential: null, densityGPerCm3: null, ratePerDay: null },
      ...{ restricted: false, restrictedBecause: '', meter: METER },
      sources: { movement: '', density: '', rate: '', meter: 'The meter’s handbook' },
    });
    await undoThrough(owner, 'Registers1700000000007');
    expect(await owner.query(`select value from setting where key in ('species', 'meterSpecies')`)).toEqual([{ value: meters }]);
    await owner.runMigrations();
  } finally {
    await owner.destroy();
    await older.close();
  }
});
