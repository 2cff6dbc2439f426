import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { advanceTo, card, openFactory, releasedLot, startedBatch, type Answer, type Caller, type TestFactory } from '../test/factory.ts';

let factory: TestFactory;
let manager: Caller;
beforeAll(async () => {
  factory = await openFactory();
  manager = await factory.as('manager');
}, 120_000);
afterAll(() => factory.close());

const MINUTE = 60_000;
const give = async (caller: Caller, id: string, act: string, body: object = {}): Promise<Answer> => {
  const { version } = (await card(manager, id)).batch;
  return caller.post(`/batches/${id}/${act}`, { personId: 'manager', version, ...body });
};
const post = async (id: string, act: string, body: object = {}): Promise<Answer> =>
  manager.post(`/batches/${id}/${act}`, { version: (await card(manager, id)).batch.version, ...body });
const rack = async (id: string, rigId = 'CR1') => (await card(manager, id)).rigs.rigs.find((r: { rigId: string }) => r.rigId === rigId);
const sentences = ({ body }: Answer) => (body.findings ?? []).map((f: { sentence: string }) => f.sentence);
/** A batch that waits to be clamped. */
async function glued(pieces: number): Promise<string> {
  const id = await startedBatch(factory, manager, 'body', pieces);
  await advanceTo(factory, manager, id, 'b-clamp');
  return id;
}
interface Wall {
  id: string;
  free: number;
  loads: { place: number | null; isOver: boolean; freeMs: number | null; batches: { batchId: string }[] }[];
  waiting: { batchId: string; state: string; fits: number }[];
  outToday: number;
}
const wall = async (rigId: string, stage = 'roughMill'): Promise<Wall> =>
  (await manager.get(`/rigs?stage=${stage}`)).body.rigs.find((r: Wall) => r.id === rigId);

describe('a rack with a timer for each place', () => {
  test('is filled, is free when the glue has had its time, and the batch goes on by itself', async () => {
    const id = await glued(3);
    expect(await card(manager, id)).toMatchObject({ rigs: { stepName: 'Blank in clamps', outside: 3 } });
    expect((await wall('CR1')).waiting).toMatchObject([{ batchId: id, state: 'waits', fits: 3 }]);
    expect((await post(id, 'move')).status).toBe(422);
    expect((await give(manager, id, 'put-in', { rigId: 'CR1' })).status).toBe(200);
    expect(await rack(id)).toMatchObject({ own: 3, ownOver: 0, free: 9 });
    expect(sentences(await give(manager, id, 'take-out', { rigId: 'CR1' }))[0]).toMatch(/^in Clamp rack 1 for 0 min of 45 min/);
    await factory.wait(30 * MINUTE);
    expect((await rack(id)).nextMs).toBeGreaterThan(factory.clock.nowMs());
    await factory.wait(90 * MINUTE);
    const now = await wall('CR1');
    expect(now.loads.map((l) => [l.place, l.isOver])).toEqual([
      [1, true],
      [2, true],
      [3, true],
    ]);
    expect((await manager.get('/rigs?stage=roughMill')).body.rhythm).toMatchObject({ freePieces: 3 });
    expect((await give(manager, id, 'take-out', { rigId: 'CR1' })).status).toBe(200);
    expect((await card(manager, id)).batch).toMatchObject({ operationId: 'b-hard', status: 'dwelling' });
    expect(await wall('CR1')).toMatchObject({ free: 12, loads: [], outToday: 3 });
  });
  test('gives its last places to one of two who press at once', async () => {
    const [one, two] = [await glued(8), await glued(8)];
    for (const rigId of ['CR1', 'CR2']) expect((await give(manager, one, 'put-in', { rigId })).status).toBe(rigId === 'CR1' ? 200 : 422);
    const [a, b] = [await glued(4), two];
    const both = await Promise.all([give(manager, a, 'put-in', { rigId: 'CR1' }), give(manager, b, 'put-in', { rigId: 'CR1' })]);
    expect(both.map((r) => r.status).sort()).toEqual([200, 422]);
    expect((await wall('CR1')).free).toBe(0);
    const places = (await wall('CR1')).loads.map((l) => l.place);
    expect(new Set(places).size).toBe(12);
    await factory.wait(120 * MINUTE);
    for (const id of [one, a, b]) if ((await rack(id))?.own > 0) await give(manager, id, 'take-out', { rigId: 'CR1' });
  });
  test('is opened early by a lead with a reason; by nobody who only looks on', async () => {
    const id = await glued(2);
    await give(manager, id, 'put-in', { rigId: 'CR2' });
    const [operator, lead, viewer] = [await factory.as('operator'), await factory.as('lead'), await factory.as('viewer')];
    const by = async (caller: Caller, personId: string, more: object) =>
      caller.post(`/batches/${id}/take-out`, { personId, version: (await card(manager, id)).batch.version, rigId: 'CR2', ...more });
    expect((await by(viewer, 'viewer', {})).status).toBe(403);
    expect((await by(operator, 'operator', { overrideReason: 'Wanted today' })).status).toBe(403);
    expect((await by(lead, 'lead', { overrideReason: 'no' })).status).toBe(400);
    expect((await by(lead, 'lead', { overrideReason: 'Slipped off its line' })).status).toBe(200);
    const told = await card(manager, id);
    expect(told.overrides).toMatchObject([{ reason: 'Slipped off its line' }]);
    expect(told.batch.operationId).toBe('b-hard');
  });
  test.each([
    [{ rigId: 'nowhere' }, 400],
    [{ rigId: 'T1' }, 400],
    [{ rigId: 'CR1', places: [99] }, 400],
    [{ rigId: 'CR1', pieceIds: ['B1-99'] }, 400],
    [{ rigId: 'CR1', places: ['first'] }, 400],
    [{}, 400],
    [{ rigId: 'CR1', strange: true }, 400],
  ])('refuses %j', async (body, status) => {
    const id = await glued(1);
    expect((await give(manager, id, 'put-in', body)).status).toBe(status);
    expect(await rack(id)).toMatchObject({ own: 0 });
  });
  test('a stale page changes nothing', async () => {
    const id = await glued(1);
    const { version } = (await card(manager, id)).batch;
    await post(id, 'hold', { reason: 'Look at its joint' });
    expect((await manager.post(`/batches/${id}/put-in`, { personId: 'manager', version, rigId: 'CR1' })).status).toBe(409);
  });
});

describe('a table that is closed over all', () => {
  test('takes what is there, is closed, and opens for all of it', async () => {
    const [one, two] = [await startedBatch(factory, manager, 'neck', 4), await startedBatch(factory, manager, 'neck', 4)];
    for (const id of [one, two]) await advanceTo(factory, manager, id, 'n-clamp');
    for (const id of [one, two]) expect((await give(manager, id, 'put-in', { rigId: 'T1' })).status).toBe(200);
    expect(await wall('T1', 'necks')).toMatchObject({ free: 2, loads: [{ place: null, freeMs: null }] });
    expect(sentences(await give(manager, one, 'take-out', { rigId: 'T1' }))).toEqual([
      'It was not closed: put them back, or close it first',
    ]);
    const closed = await give(manager, two, 'close-rig', { rigId: 'T1' });
    expect(closed.status).toBe(200);
    // Each batch's own log tells of it.
    for (const [id, other] of [
      [one, two],
      [two, one],
    ] as const) {
      const { log } = await card(manager, id);
      expect(log[0].sentence).toMatch(new RegExp(`^Neck table 1 closed over 8 pieces by .+, together with ${other}$`));
    }
    expect((await wall('T1', 'necks')).free).toBe(0);
    await factory.wait(120 * MINUTE);
    expect((await give(manager, one, 'take-out', { rigId: 'T1' })).status).toBe(200);
    expect((await card(manager, one)).batch.operationId).toBe('n-hard');
    expect((await post(two, 'move')).status).toBe(200);
  });
});

describe('under Setup', () => {
  const setup = async () => (await manager.get('/setup')).body;
  test('glues are edited, told apart, and kept while a route waits for them', async () => {
    const { adhesives, tags } = await setup();
    const put = (list: object[], seen = tags.adhesives) => manager.put('/settings/adhesives', { adhesives: list, seen });
    expect((await put(adhesives.filter((a: { id: string }) => a.id !== 'pva'))).body.fields[0].message).toMatch(/waits for "pva"/);
    expect((await put([...adhesives, adhesives[0]])).status).toBe(400);
    const slower = adhesives.map((a: { id: string }) => (a.id === 'pva' ? { ...a, clampMinutes: 60 } : a));
    expect((await put(slower)).status).toBe(200);
    expect((await put(adhesives)).status).toBe(409);
    const id = await glued(1);
    await give(manager, id, 'put-in', { rigId: 'CR1' });
    await factory.wait(50 * MINUTE);
    expect(await rack(id)).toMatchObject({ own: 1, ownOver: 0 });
    // What is in clamps keeps the times it went in with.
    expect((await put(adhesives, (await setup()).tags.adhesives)).status).toBe(200);
    expect(await rack(id)).toMatchObject({ own: 1, ownOver: 0 });
    expect((await manager.put('/carriers/CR1', { version: 1, name: 'Clamp rack 1', places: 12, active: false })).status).toBe(400);
    await factory.wait(60 * MINUTE);
    expect((await give(manager, id, 'take-out', { rigId: 'CR1' })).status).toBe(200);
  });
  test('a rig is put to use at a station, and not at one that is not there', async () => {
    const rig = { stationCode: 'RM3', cycle: 'a timer for each place', handsMinutes: 2 };
    const carrier = { id: 'CR9', name: 'Carousel', kind: 'clamp rack', places: 6, zoneId: 'mill', outline: null };
    expect((await manager.post('/carriers', { ...carrier, rig: { ...rig, stationCode: 'NO' } })).status).toBe(400);
    expect((await manager.post('/carriers', { ...carrier, zoneId: 'bench', rig })).body.fields[0].field).toBe('zoneId');
    expect((await manager.post('/carriers', { ...carrier, rig })).status).toBe(200);
    expect(await wall('CR9')).toMatchObject({ free: 6, loads: [] });
    const id = await glued(2);
    expect(
      (
        await manager.post(`/batches/${id}/place`, {
          version: (await card(manager, id)).batch.version,
          placements: [{ carrierId: 'CR9', pieces: 2 }],
        })
      ).status,
    ).toBe(422);
    await give(manager, id, 'put-in', { rigId: 'CR9', places: [5, 6] });
    const change = (places: number) =>
      manager.put('/carriers/CR9', { version: 1, name: 'Carousel', places, active: true, handsMinutes: 4 });
    expect((await change(5)).body.fields[0].message).toBe('Place 6 of it is taken now');
    expect((await change(8)).status).toBe(200);
    expect((await manager.get('/carriers')).body.find((c: { id: string }) => c.id === 'CR9').rig).toMatchObject({ handsMinutes: 4 });
  });
});

describe('faces', () => {
  test('oily boards are wiped, take glue for twenty minutes, and a table is closed before their glue skins over', async () => {
    const lotId = await releasedLot(factory, manager, { species: 'mahogany', thicknessMm: 27, use: 'neck' });
    const neck = { modelId: 'headwater', component: 'neck', quantity: 2, lotId, orderId: null };
    const { id } = (await manager.post('/batches', neck)).body;
    await advanceTo(factory, manager, id, 'n-clamp');
    const told = async () => (await card(manager, id)).rigs;
    expect((await told()).wipe).toEqual({ withWhat: 'acetone', minutes: 20, due: 2, untilMs: null });
    const { rigId } = (await told()).rigs.find((r: { free: number }) => r.free > 1);
    const putIn = () => give(manager, id, 'put-in', { rigId });
    expect(sentences(await putIn())).toEqual(['2 pieces not wiped with acetone']);
    const viewer = await factory.as('viewer');
    expect((await give(viewer, id, 'wipe')).status).toBe(403);
    expect((await give(manager, id, 'wipe', { pieceIds: ['nobody'] })).status).toBe(400);
    expect((await give(manager, id, 'wipe')).status).toBe(200);
    expect((await told()).wipe).toMatchObject({ due: 0, untilMs: factory.clock.nowMs() + 20 * MINUTE });
    factory.clock.pass(21 * MINUTE);
    expect(sentences(await putIn())).toEqual(['2 pieces wiped with acetone 21 min ago, which holds 20 min']);
    await give(manager, id, 'wipe');
    expect((await putIn()).status).toBe(200);
    expect(await told()).toMatchObject({ wipe: null });
    const own = async () => (await told()).rigs.find((r: { rigId: string }) => r.rigId === rigId);
    expect((await own()).closeByMs).toBe(factory.clock.nowMs() + 10 * MINUTE);
    factory.clock.pass(11 * MINUTE);
    const close = (caller: Caller, body: object = {}) => give(caller, id, 'close-rig', { rigId, ...body });
    expect(sentences(await close(manager))).toEqual([
      expect.stringMatching(/^2 of 2 in .* with open glue, the first for 11 min; it stays open 10 min$/),
    ]);
    expect((await close(await factory.as('operator'), { overrideReason: 'It still strings' })).status).toBe(403);
    expect((await close(manager, { overrideReason: 'It still strings' })).status).toBe(200);
    expect((await card(manager, id)).log[0].sentence).toMatch(/with glue that had lain open too long: It still strings$/);
    expect((await own()).closeByMs).toBeNull();
  });
});
