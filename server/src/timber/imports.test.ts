import { afterAll, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import { DAY, openFactory, type Caller, type TestFactory } from '../test/factory.ts';

// Meters write their files in many ways; each is understood, told before it is taken, and remembered.
let factory: TestFactory;
let manager: Caller;
let operator: Caller;
let lotId = '';

beforeAll(async () => {
  factory = await openFactory();
  manager = await factory.as('manager');
  operator = await factory.as('operator');
});
afterAll(() => factory.close());
beforeEach(async () => {
  lotId = (
    await manager.post('/lots', {
      species: 'red alder',
      form: 'rough lumber',
      use: 'body',
      thicknessMm: 45,
      volumeM3: 0.3,
      supplier: 'Calder',
      origin: 'Oregon',
      permit: null,
      restricted: false,
      zoneId: 'wood',
    })
  ).body.id;
  factory.clock.pass(2 * DAY);
});

/** A wall time of the factory, some hours ago. */
const ago = (hours: number) => new Date(factory.clock.nowMs() - hours * 3_600_000).toISOString().slice(0, 16).replace('T', ' ');
const preview = async (csv: string, columns?: object) => operator.file('/lots/readings/preview', { csv, ...(columns ? { columns } : {}) });
const sessions = async () => (await manager.get(`/lots/${lotId}`)).body.sessions;

describe('a file of one column for each value', () => {
  const csv = () => `Pack;Date;Temp F;MC1;MC2;MC3\n${lotId};${ago(30)};68;9,4;;10.1\n`;
  test('is understood with its Fahrenheit, and taken', async () => {
    const { body } = await preview(csv());
    expect(body).toMatchObject({
      good: 1,
      bad: 0,
      remembered: false,
      columns: { lot: 'Pack', time: 'Date', woodTemp: 'Temp F', tempUnit: 'F', readings: ['MC1', 'MC2', 'MC3'] },
    });
    expect((await operator.file('/lots/readings/import', { csv: csv() })).body).toMatchObject({ saved: true, good: 1 });
    const [session] = await sessions();
    expect(session.woodTempC).toBeCloseTo(20, 6);
    expect(session.readings.map((r: { rawPct: number }) => r.rawPct)).toEqual([9.4, 10.1]);
    expect((await preview(csv())).body.remembered).toBe(true);
  });
  test('can be understood otherwise than guessed, and that is remembered', async () => {
    const strange = `A,B,C\n${lotId},${ago(20)},9.4\n`;
    expect((await preview(strange)).status).toBe(400);
    const columns = {
      lot: 'A',
      time: 'B',
      timeOfDay: null,
      dateOrder: 'year first',
      woodTemp: null,
      tempUnit: 'C',
      depth: null,
      readings: ['C'],
    };
    expect((await preview(strange, columns)).body).toMatchObject({ good: 1 });
    await operator.file('/lots/readings/import', { csv: strange, columns });
    // It is on record already; the same content again is no other session.
    expect((await preview(strange)).body).toMatchObject({ good: 0, known: 1, remembered: true, columns });
    // Without a temperature in the file the room's is taken.
    const [session] = await sessions();
    expect(session.woodTempC).toBeGreaterThan(12);
  });
  test('asked for a column it has not says so', async () => {
    const columns = { lot: 'Pack', time: 'Date', woodTemp: null, tempUnit: 'C', depth: null, readings: ['MC9'] };
    expect((await preview(csv(), columns)).body.fields[0]).toMatchObject({ field: 'columns', message: 'The file has no column MC9' });
  });
});

describe('a file of one line for each value', () => {
  test('becomes sessions, shell and core apart', async () => {
    const when = ago(10);
    const csv = `lot,time,depth,value\n${lotId},${when},shell,9.4\n${lotId},${when},core,10.4\n${lotId},${ago(8)},shell,9.2\n`;
    expect((await preview(csv)).body).toMatchObject({ good: 2 });
    await operator.file('/lots/readings/import', { csv });
    const [first, second] = await sessions();
    expect(first.readings.map((r: { depth: string }) => r.depth)).toEqual(['shell', 'core']);
    expect(second.readings).toHaveLength(1);
  });
  test('with one bad line takes no session by halves', async () => {
    const when = ago(10);
    const csv = `lot,time,value\n${lotId},${when},9.4\n${lotId},${when},940\n${lotId},${ago(8)},9.2\n`;
    const { body } = await preview(csv);
    expect(body).toMatchObject({ good: 1, bad: 1 });
    expect(body.rows[0]).toMatchObject({ line: 2, problem: expect.stringContaining('Line 3: 940 %') });
    await operator.file('/lots/readings/import', { csv });
    expect(await sessions()).toHaveLength(1);
  });
});

test('blank lines and a byte-order mark do not shift the lines that are told', async () => {
  const csv = `\uFEFFlot,time,value\r\n\r\n${lotId},${ago(5)},9.4\r\n\r\nL9999,${ago(5)},9.4\r\n`;
  const { rows } = (await preview(csv)).body;
  expect(rows.map((r: { line: number; problem: string | null }) => [r.line, r.problem])).toEqual([
    [3, null],
    [5, 'There is no lot L9999'],
  ]);
});

test('two who import the same file at once take each session once, under one key and under two', async () => {
  const csv = `lot,time,value\n${lotId},${ago(5)},9.4\n`;
  const send = (key: string) => operator.file('/lots/readings/import', { csv }, { 'Idempotency-Key': key });
  await Promise.all([send('same'), send('same')]);
  expect(await sessions()).toHaveLength(1);
  await Promise.all([send('one'), send('other')]);
  expect(await sessions()).toHaveLength(1);
});

describe('dates that can be read two ways', () => {
  let month = 5;
  /** Yesterday, the fourth; or a day in April, before the lot came. */
  const csv = () => [1, 2].map((n) => `${lotId},04/0${month}/2026 10:00,9.${n}\n`).reduce((all, line) => all + line, 'lot,time,value\n');
  beforeEach(() => {
    factory.clock.atMs = Date.UTC(2026, month++, 5, 9);
  });
  test('are asked about with both readings, and nothing is taken before somebody says', async () => {
    const { body } = await preview(csv());
    expect(body).toMatchObject({
      good: 0,
      rows: [],
      question: { about: 'order', choices: [{ value: 'day first' }, { value: 'month first' }] },
    });
    const refused = await operator.file('/lots/readings/import', { csv: csv() });
    expect(refused).toMatchObject({
      status: 400,
      body: { fields: [{ field: 'columns.dateOrder', message: expect.stringContaining('2026-06-04T') }] },
    });
    expect(await sessions()).toHaveLength(0);
  });
  test('are read as somebody says, and so is the next file of that kind', async () => {
    const { columns } = (await preview(csv())).body;
    await operator.file('/lots/readings/import', { csv: csv(), columns: { ...columns, dateOrder: 'day first' } });
    expect(await sessions()).toHaveLength(1);
    expect((await preview(csv().replaceAll('10:00', '10:30'))).body).toMatchObject({
      question: null,
      good: 1,
      columns: { dateOrder: 'day first' },
    });
  });
});

test('a reading typed wrong is corrected in place, and the lot follows', async () => {
  await operator.post(`/lots/${lotId}/readings`, { version: 1, text: '9 94 10', woodTempC: 20, meter: 'pin' });
  const [{ id: sessionId }] = await sessions();
  const correct = (version: number, text: string) => operator.post(`/lots/${lotId}/correct`, { version, sessionId, seq: 2, text });
  expect((await correct(1, '9.4')).status).toBe(409);
  expect((await correct(2, 'nine')).body.fields[0].field).toBe('text');
  expect((await correct(2, '9.4')).status).toBe(200);
  const { lot, sessions: known } = (await manager.get(`/lots/${lotId}`)).body;
  expect(known[0].readings[1]).toMatchObject({ rawPct: 9.4, firstRawPct: 94, struck: null });
  expect(lot.meanPct).toBeCloseTo(9.46, 1);
  await operator.post(`/lots/${lotId}/readings`, { version: 3, text: 'c9.9', woodTempC: 20, meter: 'pin' });
  expect((await sessions())[0].readings).toHaveLength(4);
});
