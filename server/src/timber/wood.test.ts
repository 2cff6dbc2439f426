import { afterAll, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import { DAY, LOT, openFactory, releasedLot, type Caller, type TestFactory } from '../test/factory.ts';

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
  lotId = (await manager.post('/lots', LOT)).body.id;
});

const lot = async () => (await manager.get(`/lots/${lotId}`)).body;
const read = async (text: string, over: object = {}) =>
  operator.post(`/lots/${lotId}/readings`, { version: (await lot()).lot.version, text, woodTempC: 20, meter: 'pin', ...over });

describe('receiving', () => {
  test.each([
    ['no thickness', { thicknessMm: 0 }, 'thicknessMm'],
    ['a beam', { thicknessMm: 900 }, 'thicknessMm'],
    ['no volume', { volumeM3: 0 }, 'volumeM3'],
    ['a forest', { volumeM3: 5000 }, 'volumeM3'],
    ['no species', { species: '' }, 'species'],
    ['a use nobody has', { use: 'firewood' }, 'use'],
    ['a zone there is not', { zoneId: 'attic' }, 'zoneId'],
    ['words for a volume', { volumeM3: 'much' }, 'volumeM3'],
  ])('%s is refused by its field', async (_, over, field) => {
    const answer = await manager.post('/lots', { ...LOT, ...over });
    expect(answer.status).toBe(400);
    expect(answer.body.fields.map((f: { field: string }) => f.field)).toContain(field);
  });
  test('numbers lots one after another, whoever asks at once', async () => {
    const made = await Promise.all(Array.from({ length: 6 }, () => manager.post('/lots', LOT)));
    const numbers = made.map((m) => Number(m.body.id.slice(1))).sort((a, b) => a - b);
    expect(new Set(numbers).size).toBe(6);
    expect((numbers.at(-1) ?? 0) - (numbers[0] ?? 0)).toBe(5);
  });
});

describe('readings', () => {
  test('keep what the meter said beside what it means', async () => {
    expect((await read('10 10 c10')).status).toBe(200);
    const [session] = (await lot()).sessions;
    expect(session).toMatchObject({ meter: 'pin', woodTempC: 20, by: 'Ines Quarrie' });
    expect(session.readings).toMatchObject([
      { depth: 'shell', rawPct: 10, correctedPct: 9.99 },
      { depth: 'shell', rawPct: 10, correctedPct: 9.99 },
      { depth: 'core', rawPct: 10, correctedPct: 9.99 },
    ]);
  });
  test('of cold and warm wood mean different things', async () => {
    const corrected = async (woodTempC: number) => {
      await read('10', { woodTempC });
      factory.clock.pass(3_600_000);
      return (await lot()).sessions.at(-1).readings[0].correctedPct;
    };
    expect(await corrected(5)).toBeCloseTo(11.27, 2);
    expect(await corrected(35)).toBeCloseTo(8.88, 2);
  });
  test('of a pinless meter are taken as they are', async () => {
    await read('10', { meter: 'pinless', woodTempC: 5 });
    expect((await lot()).sessions[0].readings[0].correctedPct).toBe(10);
  });
  test('may be logged after the fact, and the latest counts', async () => {
    factory.clock.pass(5 * DAY);
    await read('9 9.2');
    await read('12 12.2', { atMs: factory.clock.nowMs() - 3 * DAY });
    const { lot: now, sessions } = await lot();
    expect(sessions).toHaveLength(2);
    expect(now.meanPct).toBeLessThan(10);
  });
  test.each([
    ['an unknown meter', { meter: 'thumb' }, 'meter'],
    ['wood on fire', { woodTempC: 90 }, 'woodTempC'],
    ['no version', { version: undefined }, 'version'],
    ['a field nobody knows', { colour: 'brown' }, 'colour'],
  ])('with %s are refused by the field', async (_, over, field) => {
    const answer = await read('9', over);
    expect(answer.status).toBe(400);
    expect(answer.body.fields.map((f: { field: string }) => f.field)).toContain(field);
    expect((await lot()).sessions).toEqual([]);
  });
  test('of nothing are refused', async () => {
    expect((await read('  ')).status).toBe(400);
  });
  test('all struck out but one: the last one stays', async () => {
    await read('9 14');
    const strike = async (seq: number) =>
      operator.post(`/lots/${lotId}/strike`, { version: (await lot()).lot.version, sessionId: `${lotId}/1`, seq, reason: 'Nail' });
    expect((await strike(2)).status).toBe(200);
    expect((await strike(2)).body.detail).toMatch(/struck out already/);
    expect((await strike(1)).body.detail).toMatch(/last reading of a session/);
    expect((await strike(7)).body.fields[0].field).toBe('seq');
    const [session] = (await lot()).sessions;
    expect(session.meanPct).toBeCloseTo(session.readings[0].correctedPct, 6);
    expect(session.spreadPct).toBe(0);
  });
  test('of another lot cannot be struck out here', async () => {
    await read('9 9.1');
    const other = (await manager.post('/lots', LOT)).body.id;
    const answer = await operator.post(`/lots/${other}/strike`, { version: 1, sessionId: `${lotId}/1`, seq: 1, reason: 'Mistaken' });
    expect(answer.status).toBe(400);
    expect(answer.body.fields[0].field).toBe('sessionId');
  });
});

describe('a file of readings', () => {
  const preview = async (csv: string) => operator.file('/lots/readings/preview', { csv });
  test('may use semicolons, tabs, a byte-order mark, capitals and blank lines', async () => {
    factory.clock.pass(DAY);
    const at = new Date(factory.clock.nowMs() - 60_000).toISOString();
    for (const csv of [
      `\uFEFFLot;Date;Wood_Temp_C;Readings\n\n${lotId};${at};20;8.4 8.6\n`,
      `lot\tdate\twood_temp_c\treadings\n${lotId}\t${at}\t20\t8,4 8,6\n\n`,
      `readings,lot,date,wood_temp_c,remark\r\n"8.4 8.6",${lotId},${at},20,dry\r\n`,
    ])
      expect((await preview(csv)).body).toMatchObject({ good: 1, bad: 0 });
  });
  test.each([
    ['nothing', ''],
    ['a picture', '\u0089PNG\r\n\u001a\n'],
    ['other columns', 'when,what\n1,2'],
  ])('of %s is refused as a whole, and says what it needs', async (_, csv) => {
    const answer = await preview(csv);
    expect(answer.status).toBe(400);
    expect(answer.body.detail).toMatch(
      /names of its columns|which columns hold lot, time and readings|not a CSV file|holds a control character/,
    );
  });
  test('from the future is told line by line', async () => {
    const later = new Date(factory.clock.nowMs() + DAY).toISOString();
    const { rows } = (await preview(`lot,date,wood_temp_c,readings\n${lotId},${later},20,8.4`)).body;
    expect(rows).toMatchObject([{ line: 2, problem: 'The date lies in the future' }]);
  });
  test('takes several sessions of one lot, in one go or not at all', async () => {
    factory.clock.pass(2 * DAY);
    const at = (hours: number) => new Date(factory.clock.nowMs() - hours * 3_600_000).toISOString();
    const csv = `lot,date,wood_temp_c,readings\n${lotId},${at(5)},20,9.4\n${lotId},${at(2)},20,9.2\n`;
    expect((await operator.file('/lots/readings/import', { csv })).body).toMatchObject({ good: 2, saved: true });
    expect((await lot()).sessions.map((s: { id: string }) => s.id)).toEqual([`${lotId}/1`, `${lotId}/2`]);
  });
});

describe('released wood', () => {
  test('can be cut down to nothing, and no further', async () => {
    const id = await releasedLot(factory, manager, { volumeM3: 0.03 });
    const start = (quantity: number) =>
      manager.post('/batches', { modelId: 'weirstone', component: 'body', quantity, lotId: id, orderId: null });
    expect((await start(3)).status).toBe(422);
    expect((await start(2)).status).toBe(200);
    expect((await manager.get(`/lots/${id}`)).body.lot).toMatchObject({ leftM3: 0, state: 'used up' });
    expect((await start(1)).body.detail).toMatch(/used up; only a released lot can be cut/);
  });
  test('that is read out of its band after its release is not cut, until it is let go again with a reason', async () => {
    lotId = await releasedLot(factory, manager);
    const { band } = (await lot()).lot;
    const start = async () => manager.post('/batches', { modelId: 'weirstone', component: 'body', quantity: 2, lotId, orderId: null });
    expect((await start()).status).toBe(200);
    factory.clock.pass(DAY);
    expect((await read(`${(band.high + 2).toFixed(1)} ${(band.high + 2.2).toFixed(1)}`, { meter: 'pinless' })).status).toBe(200);
    expect((await lot()).lot).toMatchObject({ state: 'released', outOfBand: 'since its release' });
    const refused = await start();
    expect(refused.status).toBe(422);
    expect(refused.body.findings[0].sentence).toMatch(/was read at .* since its release; its band is/);
    const again = async (over: object) => manager.post(`/lots/${lotId}/release`, { version: (await lot()).lot.version, ...over });
    expect((await again({})).status).toBe(422);
    expect((await again({ overrideReason: 'Only the ends are damp' })).status).toBe(200);
    expect((await lot()).lot.outOfBand).toBe('at its release');
    expect((await start()).status).toBe(200);
    expect((await again({ overrideReason: 'Twice' })).body.detail).toMatch(/released already/);
  });
  test('two who cut the last of it at once: one of them is told', async () => {
    const id = await releasedLot(factory, manager, { volumeM3: 0.04 });
    const start = () => manager.post('/batches', { modelId: 'weirstone', component: 'body', quantity: 2, lotId: id, orderId: null });
    const both = await Promise.all([start(), start()]);
    expect(both.map((b) => b.status).sort()).toEqual([200, 422]);
    expect((await manager.get(`/lots/${id}`)).body.lot.leftM3).toBeCloseTo(0.01, 6);
  });
  test('of the wrong species or use is not taken for a model', async () => {
    const id = await releasedLot(factory, manager, { species: 'red alder', restricted: false, permit: null });
    const answer = await manager.post('/batches', {
      modelId: 'weirstone',
      component: 'body',
      quantity: 1,
      lotId: id,
      orderId: null,
    });
    expect(answer.status).toBe(422);
    expect(answer.body.detail).toMatch(/mahogany/);
  });
});
