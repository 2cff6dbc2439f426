import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { openFactory, releasedLot, type Caller, type TestFactory } from '../test/factory.ts';

let factory: TestFactory;
let manager: Caller;

beforeAll(async () => {
  factory = await openFactory();
  manager = await factory.as('manager');
});
afterAll(() => factory.close());

const setup = async () => (await manager.get('/setup')).body;

describe('what a factory owns is set up on screen', () => {
  test('rooms, stations and carriers, each once', async () => {
    const zone = { id: 'attic', name: 'Attic' };
    expect((await manager.post('/zones', zone)).status).toBe(200);
    expect((await manager.post('/zones', zone)).body.fields[0].field).toBe('id');
    const station = { code: 'AT1', name: 'Attic bench', stage: 'bodies', zoneId: 'attic', kind: 'work', places: 1 };
    expect((await manager.post('/stations', { ...station, zoneId: 'cellar' })).body.fields[0].message).toBe('There is no zone cellar');
    expect((await manager.post('/stations', station)).status).toBe(200);
    expect((await setup()).stations.at(-1)).toMatchObject({ code: 'AT1', name: 'Attic bench' });
    const carrier = { id: 'C1', name: 'Carousel 1', kind: 'carousel', places: 6, zoneId: 'attic', outline: null };
    expect((await manager.post('/carriers', carrier)).status).toBe(200);
    expect((await manager.post('/carriers', { ...carrier, id: 'C2' })).body.fields[0].field).toBe('name');
    const change = (body: object) => manager.put('/carriers/C1', { version: 1, name: 'Carousel 1', places: 4, active: true, ...body });
    expect((await change({ version: 7 })).status).toBe(409);
    expect((await change({})).status).toBe(200);
    expect((await manager.get('/carriers')).body.find((c: { id: string }) => c.id === 'C1')).toMatchObject({ places: 4, taken: 0 });
  });
  test('a carrier keeps the places that are taken', async () => {
    const lotId = await releasedLot(factory, manager);
    const placements = [{ carrierId: 'R60', pieces: 5 }];
    await manager.post('/batches', { modelId: 'weirstone', component: 'body', quantity: 5, lotId, orderId: null, placements });
    const change = (body: object) => manager.put('/carriers/R60', { version: 1, name: 'Rack 60', places: 12, active: true, ...body });
    expect((await change({ places: 4 })).body.fields[0].message).toBe('5 of its places are taken now');
    expect((await change({ active: false })).body.fields[0].message).toMatch(/5 pieces sit on it/);
  });
  test('fixtures, samples and kits: drafted, released, withdrawn with a note', async () => {
    const sample = { kind: 'sample', what: 'Sea green', modelId: 'millrace', revision: '1' };
    expect((await manager.post('/prerequisites', { ...sample, kind: 'program' })).body.fields[0].field).toBe('kind');
    const { body } = await manager.post('/prerequisites', sample);
    expect((await manager.post('/prerequisites', sample)).body.detail).toMatch(/on record already/);
    const path = `/prerequisites/${encodeURIComponent(body.id)}`;
    expect((await manager.put(path, { version: 1, revision: '2', state: 'released', note: 'Signed on the panel' })).status).toBe(200);
    expect((await setup()).prerequisites.find((p: { what: string }) => p.what === 'Sea green')).toMatchObject({
      state: 'released',
      revision: '2',
      version: 2,
    });
  });
});

test('a model begins without a route, and nothing is started on it until one is released', async () => {
  const model = {
    id: 'osprey',
    code: 'OS',
    name: 'Osprey',
    construction: 'bolt-on solid',
    batchSize: 4,
    scaleLengthMm: 640,
    clearanceLowMm: 0.05,
    clearanceTargetMm: 0.1,
    clearanceHighMm: 0.2,
    wood: [{ component: 'body', species: 'mahogany', use: 'body', volumeM3: 0.014, thicknessMm: 50 }],
  };
  expect((await manager.post('/models', { ...model, clearanceTargetMm: 0.4 })).body.fields[0].message).toBe(
    'The target lies within the band',
  );
  expect((await manager.post('/models', model)).status).toBe(200);
  expect((await manager.post('/models', { ...model, code: 'OT' })).body.fields[0].field).toBe('id');
  expect((await setup()).models.find((m: { id: string }) => m.id === 'osprey')).toMatchObject({
    routeVersion: null,
    steps: [],
    components: [],
  });
  const order = { modelId: 'osprey', quantity: 1, customer: 'Stock', dueMs: factory.clock.nowMs() + 9e9 };
  expect((await manager.post('/orders', order)).body.detail).toMatch(/has no route in force yet/);
  expect((await manager.post('/routes/osprey-1/release', { revision: 1, reason: 'First of its kind' })).body.detail).toMatch(/no step yet/);
  const step = { component: 'body', setupMinutes: 5, minutesPerPiece: 10, gate: [] };
  const operations = [
    { ...step, id: 'cut', name: 'Cut', kind: 'work', stage: 'roughMill', stationCode: 'RM1', skill: 'milling', next: ['fit'] },
    { ...step, id: 'fit', name: 'Serial', component: 'instrument', kind: 'fit', stage: 'fitting', stationCode: 'FT1', next: ['ship'] },
    { ...step, id: 'ship', name: 'Ship', component: 'instrument', kind: 'dispatch', stage: 'dispatch', stationCode: 'DP1', next: [] },
  ];
  expect((await manager.put('/routes/osprey-1', { operations, revision: 1 })).body.problems).toEqual([]);
  expect((await manager.post('/routes/osprey-1/release', { revision: 2, reason: 'First of its kind' })).status).toBe(200);
  expect((await manager.post('/orders', order)).status).toBe(200);
});

describe('what is decided of a model', () => {
  const millrace = async () => (await setup()).models.find((m: { id: string }) => m.id === 'millrace');
  const sheetOf = (model: Record<string, unknown>) => {
    const { name, construction, batchSize, scaleLengthMm, clearanceLowMm, clearanceTargetMm, clearanceHighMm, active, tag } = model;
    const wood = (model['wood'] as Record<string, unknown>[]).map(({ blank, weight, ...w }) => ({
      ...w,
      ...(blank ? { blank } : {}),
      ...(weight ? { weight } : {}),
    }));
    return { name, construction, batchSize, scaleLengthMm, clearanceLowMm, clearanceTargetMm, clearanceHighMm, active, wood, seen: tag };
  };
  test('can be changed after it was added: weights, clearance, wood, whether it is built', async () => {
    const before = sheetOf(await millrace());
    const [body, ...rest] = before.wood as { weight?: object }[];
    const weight = { lowG: 3300, highG: 3700, partVolumeCm3: 4100, otherMassG: 1700 };
    const wood = [{ ...body, weight }, ...rest];
    const put = (over: object) => manager.put('/models/millrace', { ...before, ...over });
    expect((await put({ clearanceTargetMm: 0.3 })).body.fields[0].field).toBe('clearanceTargetMm');
    expect((await put({ wood: [{ ...body, weight: { ...weight, highG: 3000 } }] })).body.fields[0].field).toBe('wood.0.weight.highG');
    expect((await put({ name: 'Weirstone' })).body.fields[0].field).toBe('name');
    expect((await put({ wood, clearanceTargetMm: 0.1, active: false })).status).toBe(200);
    const after = await millrace();
    expect(after).toMatchObject({ clearanceTargetMm: 0.1, active: false });
    expect(after.wood[0].weight).toEqual(weight);
    // Who had it before them as it was is told, not overruled.
    expect((await put({ active: true })).status).toBe(409);
    expect((await manager.put('/models/millrace', sheetOf({ ...after, active: true }))).status).toBe(200);
    expect((await manager.put('/models/harp', before)).status).toBe(404);
  });
  test('the factory has a name, rooms and money of its own', async () => {
    const { house, tags } = await setup();
    const put = (over: object) => manager.put('/settings/house', { ...house, seen: tags.house, ...over });
    expect((await put({ woodRoomZoneId: 'cellar' })).body.fields[0].message).toBe('There is no zone cellar');
    expect((await put({ currency: 'XYZ' })).body.fields[0].field).toBe('currency');
    expect((await put({ name: 'Otter Yard', currency: 'NOK' })).status).toBe(200);
    expect((await put({ name: 'Other' })).status).toBe(409);
    expect((await setup()).house).toEqual({ ...house, name: 'Otter Yard', currency: 'NOK' });
    expect((await manager.get('/welcome')).body.factory).toBe('Otter Yard');
  });
});
