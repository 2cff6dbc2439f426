import { afterAll, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import { DAY, LOT, openFactory, releasedLot, type Caller, type TestFactory } from '../test/factory.ts';
import { told } from '../test/told.ts';

let factory: TestFactory;
let manager: Caller;
let operator: Caller;
let lotId = '';
let orderId = '';

beforeAll(async () => {
  factory = await openFactory();
  manager = await factory.as('manager');
  operator = await factory.as('operator');
});
afterAll(() => factory.close());
beforeEach(async () => {
  lotId = await releasedLot(factory, manager, { grade: 'A' });
  orderId = (
    await manager.post('/orders', { modelId: 'weirstone', quantity: 4, customer: 'Quayside', dueMs: factory.clock.nowMs() + 90 * DAY })
  ).body.id;
});

const card = async () => (await manager.get(`/lots/${lotId}`)).body;
const BOARD = { lengthMm: 2300, widthMm: 210, widthEndMm: 205, thicknessMm: 55, faults: [] };
const measure = async (boards: object[] = [BOARD, BOARD], over: object = {}) =>
  operator.post(`/lots/${lotId}/boards`, { version: (await card()).lot.version, boards, ...over });
const settings = { kerfMm: 4, edgingMm: 5, endTrimMm: 30, planingMm: 3, resawKerfMm: 2 };
const want = (over: object = {}) => ({
  id: 'body',
  modelId: 'weirstone',
  component: 'body',
  orderId,
  lengthMm: 1050,
  widthMm: 178,
  thicknessMm: 50,
  leavesEach: 0,
  count: 3,
  value: 9,
  ...over,
});
const at = (xMm: number, yMm = 5) => ({ blankId: 'body', xMm, yMm, lengthMm: 1050, widthMm: 178, pieces: 1 });
const plan = (placed: object[] = [at(30), at(1084)], over: object = {}) => ({
  lotIds: [lotId],
  settings,
  wanted: [want()],
  boards: [{ boardId: `${lotId}-1`, placed }],
  ...over,
});
const drafted = async () => (await operator.post('/cutting/plans', plan())).body.id as string;
const blanksOf = async () =>
  (await card()).blanks as { id: string; version: number; pieceId: string | null; orderId: string | null; state: string }[];

describe('measuring', () => {
  test('numbers the boards of a lot, now and later', async () => {
    expect((await measure()).status).toBe(200);
    expect((await measure([{ ...BOARD, grade: 'B', massG: 18_000 }])).status).toBe(200);
    const { boards } = await card();
    expect(boards.map((b: { id: string; grade: string }) => [b.id, b.grade])).toEqual([
      [`${lotId}-1`, 'A'],
      [`${lotId}-2`, 'A'],
      [`${lotId}-3`, 'B'],
    ]);
  });
  test.each([
    ['no length', [{ ...BOARD, lengthMm: 0 }], 'boards'],
    ['a fault off the board', [{ ...BOARD, faults: [{ xMm: 2400, yMm: 5, lengthMm: 20, widthMm: 20 }] }], 'boards.0.faults'],
    ['more wood than the lot holds', Array.from({ length: 40 }, () => BOARD), 'boards'],
  ])('%s is refused', async (_, boards, field) => {
    const answer = await measure(boards);
    expect(answer.status).toBe(400);
    expect(answer.body.fields[0].field).toContain(field);
    expect((await card()).boards).toEqual([]);
  });
  test('on a stale page is refused', async () => {
    const { version } = (await card()).lot;
    expect((await measure([BOARD], { version })).status).toBe(200);
    expect((await measure([BOARD], { version })).status).toBe(409);
  });
});

describe('a plan', () => {
  beforeEach(() => measure());
  test('is kept, changed, and cut into blanks that know their board', async () => {
    const id = await drafted();
    const kept = (await manager.get(`/cutting/plans/${id}`)).body;
    expect(kept).toMatchObject({ state: 'draft', boards: 1, blanks: 2, version: 1, lotIds: [lotId] });
    expect((await operator.post(`/cutting/plans/${id}`, { ...plan([at(30)]), version: 1 })).status).toBe(200);
    expect((await operator.post(`/cutting/plans/${id}`, { ...plan(), version: 1 })).status).toBe(409);
    expect((await operator.post(`/cutting/plans/${id}`, { ...plan(), version: 2 })).status).toBe(200);
    const before = (await card()).lot.leftM3;
    expect((await operator.post(`/cutting/plans/${id}/cut`, { version: 3 })).status).toBe(200);
    const { lot, boards, blanks } = await card();
    expect(before - lot.leftM3).toBeCloseTo((2300 * 207.5 * 55) / 1e9, 5);
    expect(boards.map((b: { state: string }) => b.state)).toEqual(['cut', 'whole']);
    expect(blanks).toMatchObject([
      { id: `${lotId}-1.1`, boardId: `${lotId}-1`, look: 'clear', state: 'free' },
      { id: `${lotId}-1.2`, setId: `${lotId}-1 body` },
    ]);
    expect((await operator.post(`/cutting/plans/${id}/cut`, { version: 4 })).body.detail).toMatch(/has been cut/);
    const other = await drafted();
    const listed = async (query: string) => (await manager.get(`/cutting/plans?${query}`)).body;
    const page = await listed('size=1');
    expect(page).toMatchObject({ found: (await listed('')).found, foundExactly: true, rows: [{ id: other, state: 'draft' }] });
    expect((await listed(`size=1&after=${encodeURIComponent(page.next)}`)).rows[0]).toMatchObject({ id, state: 'cut' });
    expect((await listed(`text=${id}&sort=number`)).rows[0].id).toBe(id);
    expect((await manager.get('/cutting/plans?sort=by')).status).toBe(400);
  });
  test.each([
    ['a blank in the end trim', [at(10)], 'end trim'],
    ['blanks without room for the saw', [at(30), at(1082)], 'no room for the saw'],
    ['a blank of another size', [{ ...at(30), lengthMm: 900 }], 'does not know'],
    ['a blank nobody wants', [{ ...at(30), blankId: 'neck' }], 'does not know'],
  ])('with %s is refused, and says which board', async (_, placed, why) => {
    const answer = await operator.post('/cutting/plans', plan(placed));
    expect(answer.status).toBe(400);
    expect(answer.body.fields[0]).toMatchObject({ field: 'boards.0', message: expect.stringContaining(why) });
  });
  test('of boards that are not there, or of a lot that is not, is refused', async () => {
    expect((await operator.post('/cutting/plans', plan([at(30)], { lotIds: ['L9'] }))).body.fields[0].field).toBe('lotIds');
    const strange = plan([], { boards: [{ boardId: `${lotId}-77`, placed: [] }] });
    expect((await operator.post('/cutting/plans', strange)).body.fields[0].field).toBe('boards.0');
  });
  test('two who cut one board at once: one of them is told', async () => {
    const [one, other] = [await drafted(), await drafted()];
    const both = await Promise.all([one, other].map((id) => operator.post(`/cutting/plans/${id}/cut`, { version: 1 })));
    expect(both.map((b) => b.status).sort()).toEqual([200, 422]);
    expect(await blanksOf()).toHaveLength(2);
  });
  test('of a lot that still dries cannot be cut', async () => {
    const drying = (await manager.post('/lots', { ...(await card()).lot, species: 'mahogany' })).status;
    expect(drying).toBe(400);
    const { id } = (
      await manager.post('/lots', {
        species: 'mahogany',
        form: 'rough lumber',
        use: 'body',
        thicknessMm: 50,
        volumeM3: 0.3,
        supplier: 'Calder',
        origin: 'Belize',
        permit: 'P-1',
        restricted: true,
        zoneId: 'wood',
      })
    ).body;
    lotId = id;
    await measure();
    expect((await operator.post(`/cutting/plans/${await drafted()}/cut`, { version: 1 })).body.detail).toMatch(/still drying/);
  });
  test('is printed to be sawn by', async () => {
    const answer = await manager.get(`/cutting/plans/${await drafted()}/list.pdf`);
    expect(answer.headers['content-type']).toBe('application/pdf');
  });
});

describe('blanks', () => {
  beforeEach(async () => {
    await measure();
    await operator.post(`/cutting/plans/${await drafted()}/cut`, { version: 1 });
  });
  const start = (blankIds: string[], over: object = {}) =>
    manager.post('/batches', { modelId: 'weirstone', component: 'body', quantity: blankIds.length, lotId, orderId, blankIds, ...over });
  test('are weighed, and what they would weigh finished follows', async () => {
    const blanks = await blanksOf();
    const weigh = (over: object = {}) =>
      operator.post('/blanks/weigh', { blanks: blanks.map((b, i) => ({ id: b.id, version: b.version, massG: 4800 + 300 * i, ...over })) });
    expect((await weigh({ massG: 0 })).status).toBe(400);
    expect((await weigh()).status).toBe(200);
    expect((await weigh()).status).toBe(409);
    const { body } = await manager.get('/stock/allotment?modelId=weirstone&component=body');
    const own = body.allotted.filter((a: { blankId: string }) => a.blankId.startsWith(`${lotId}-`));
    expect(own).toHaveLength(2);
    expect(own.every((a: { predictedG: number }) => a.predictedG > 3000 && a.predictedG < 4500)).toBe(true);
  });
  test('are joined into one that is weighed as a whole; two who join them at once: one is told', async () => {
    const [a, b] = await blanksOf();
    if (!a || !b) throw new Error('No blanks');
    const pair = [a, b].map(({ id, version }) => ({ id, version }));
    const answers = await Promise.all([1, 2].map(() => operator.post('/blanks/join', { blanks: pair, jointMm: 2 })));
    expect(answers.map((x) => x.status).sort()).toEqual([200, 409]);
    expect(answers.find((x) => x.status === 200)?.body.id).toBe(`${a.id}J`);
    const free = (await manager.get('/blanks')).body as { id: string }[];
    expect(free.find((x) => x.id === `${a.id}J`)).toMatchObject({ massG: null, orderId: null, widthMm: 2 * 178 - 2, lengthMm: 1050 });
    expect(free.map((x) => x.id)).not.toContain(a.id);
    expect((await start([a.id])).body.detail).toMatch(/has become part of another/);
    await operator.post('/blanks/weigh', { blanks: [{ id: `${a.id}J`, version: 1, massG: 9100 }] });
    expect((await start([`${a.id}J`])).status).toBe(200);
    expect((await told()).differences).toBe(0);
  });
  test('kept for an order are taken by no other', async () => {
    const [first, second] = await blanksOf();
    if (!first || !second) throw new Error('No blanks');
    const reserve = (order: string | null, version = first.version) =>
      manager.post('/blanks/reserve', { orderId: order, blanks: [{ id: first.id, version }] });
    const other = (
      await manager.post('/orders', { modelId: 'weirstone', quantity: 1, customer: 'Tannery', dueMs: factory.clock.nowMs() + 90 * DAY })
    ).body.id;
    expect((await reserve('O1')).status).toBe(404);
    // What it becomes is settled by its weight.
    expect((await reserve(other)).body.detail).toMatch(/Weigh blank .* first/);
    await operator.post('/blanks/weigh', { blanks: [{ id: first.id, version: first.version, massG: 4900 }] });
    expect((await reserve(other, first.version + 1)).status).toBe(200);
    expect((await reserve(orderId, first.version + 2)).body.detail).toMatch(new RegExp(`kept for ${other}`));
    expect((await start([first.id, second.id])).body.detail).toMatch(new RegExp(`kept for ${other}`));
    expect((await start([second.id])).status).toBe(200);
    expect((await start([first.id], { orderId: other })).status).toBe(200);
  });
  test('become pieces that lead back to their board, once', async () => {
    const ids = (await blanksOf()).map((b) => b.id);
    expect((await start(ids, { component: 'neck' })).status).toBe(422);
    expect((await start(ids, { quantity: 3 })).body.fields[0].field).toBe('blankIds');
    const leftBefore = (await card()).lot.leftM3;
    const batch = (await start(ids)).body.id;
    expect((await card()).lot.leftM3).toBe(leftBefore);
    expect((await blanksOf()).map((b) => b.pieceId)).toEqual([`${batch}-01`, `${batch}-02`]);
    expect((await start(ids)).body.detail).toMatch(/has become/);
    expect((await told()).differences).toBe(0);
  });
});

describe('pictures', () => {
  const PNG = 'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNkYPhfDwAChwGA60e6kgAAAABJRU5ErkJggg==';
  const add = (over: object = {}) => operator.file(`/lots/${lotId}/pictures`, { name: 'board.png', boardId: null, data: PNG, ...over });
  test('are kept as they came', async () => {
    await measure();
    expect((await add({ boardId: `${lotId}-1` })).status).toBe(200);
    const [picture] = (await card()).pictures;
    expect(picture).toMatchObject({ boardId: `${lotId}-1`, name: 'board.png' });
    const answer = await manager.get(`/pictures/${picture.id}`);
    expect(answer.headers['content-type']).toBe('image/png');
  });
  test.each([
    ['a page that calls itself a picture', { data: Buffer.from('<svg onload="x()"/>').toString('base64') }, 'data'],
    ['nothing', { data: '' }, 'data'],
    ['a picture of a board that is not there', { boardId: 'L1-9' }, 'boardId'],
  ])('%s is refused', async (_, over, field) => {
    const answer = await add(over);
    expect(answer.status).toBe(400);
    expect(answer.body.fields[0].field).toBe(field);
  });
  test('a small file that unfolds into a huge picture is refused', async () => {
    const huge = Buffer.from(PNG, 'base64');
    huge.writeUInt32BE(60_000, 16);
    huge.writeUInt32BE(50_000, 20);
    const answer = await add({ data: huge.toString('base64') });
    expect([answer.status, answer.body.detail]).toEqual([400, 'A picture may have 50 million points; this one has 60000 × 50000']);
  });
  test('sent as JSON instead of a form is refused before it is read', async () => {
    expect((await operator.post(`/lots/${lotId}/pictures`, { name: 'x', boardId: null, data: PNG })).status).toBe(415);
  });
  test('too large a one is refused with its size', async () => {
    const large = Buffer.concat([Buffer.from(PNG, 'base64'), Buffer.alloc(4.1 * 1024 * 1024)]).toString('base64');
    const answer = await add({ data: large });
    expect([answer.status, answer.body.detail]).toEqual([413, 'The file may hold 4 MB.']);
    expect((await manager.get('/pictures/nothing')).status).toBe(404);
  });
});

test('stock tells how long wood lasts and what orders ask of it', async () => {
  const { cover, lines } = (await manager.get('/stock')).body;
  expect(lines.some((l: { species: string; state: string }) => l.species === 'mahogany' && l.state === 'released')).toBe(true);
  const bodies = cover.find((c: { species: string; use: string }) => c.species === 'mahogany' && c.use === 'body');
  expect(bodies.readyM3).toBeGreaterThan(0.3);
  expect(bodies.cutFirst).toMatch(/^L\d+$/);
});

test('a lot nobody has read is raw, and drying from its first reading on', async () => {
  const { id } = (await manager.post('/lots', { ...LOT, species: 'basswood', use: 'body' })).body;
  const states = async () =>
    (await manager.get('/stock')).body.lines.flatMap((l: { species: string; state: string }) => (l.species === 'basswood' ? l.state : []));
  expect(await states()).toEqual(['raw']);
  await manager.post(`/lots/${id}/readings`, { version: 1, text: '14 13', woodTempC: 20, meter: 'pin' });
  expect(await states()).toEqual(['drying']);
});
