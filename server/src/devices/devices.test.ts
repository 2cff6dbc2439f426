import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { DAY_MS, HOUR_MS, MINUTE_MS, topicOf } from '@ample-crane/core';
import { DEMO_DEVICE_PASSWORD } from '@ample-crane/devices';
import { connectAsync } from 'mqtt';
import type { Caller, TestFactory } from '../test/factory.ts';
import { openOnLine, until, type FactoryOnLine } from './test/line.ts';

let line: FactoryOnLine;
let factory: TestFactory;
let manager: Caller;
let operator: Caller;

beforeAll(async () => {
  line = await openOnLine();
  ({ factory, manager, operator } = line);
});
afterAll(() => line.close());

const width = (value: number) => ({ length: { value, unit: 'mm' } });
const valuesAt = async (place: string, after = '0') =>
  (await operator.get(`/device-values?place=${encodeURIComponent(place)}&after=${after}`)).body;
const count = async (sql: string, values: unknown[] = []) =>
  (await factory.database.query<{ n: number }[]>(`select count(*)::int as n from ${sql}`, values))[0]?.n;

describe('a caliper', () => {
  test('sends a value that waits for a field of its station, and is taken by one', async () => {
    const { cursor } = await valuesAt('station MC1', '0');
    const caliper = await line.device('CAL1');
    expect(await caliper.say({ length: { value: 0.375, unit: 'in' } })).toMatchObject({ taken: true });
    const there = await valuesAt('station MC1', cursor);
    expect(there).toMatchObject({
      devices: ['Caliper at the body machine'],
      values: [{ deviceId: 'CAL1', quantity: 'length', value: expect.closeTo(9.525, 9), atMs: factory.clock.nowMs() }],
    });
    expect((await valuesAt('station FT1', cursor)).values).toEqual([]);
    const { seq } = there.values[0];
    const takes = await Promise.all(['one', 'other'].map((by) => operator.post(`/device-values/${seq}/take`, { by })));
    expect(takes.map((t) => t.status).sort()).toEqual([200, 409]);
    // Whoever has it may ask again: an answer can be lost on its way.
    const winner = takes[0]?.status === 200 ? 'one' : 'other';
    expect((await operator.post(`/device-values/${seq}/take`, { by: winner })).status).toBe(200);
    expect((await valuesAt('station MC1', cursor)).values).toEqual([]);
    expect((await operator.post('/device-values/999999/take', { by: 'one' })).status).toBe(404);
    expect((await operator.post('/device-values/1e3/take', { by: 'one' })).status).toBe(404);
    expect(await line.seen('CAL1')).toMatchObject({ standing: 'on', told: '9.525\u00a0mm', troubles: [], place: 'Body machining centre' });
  });

  test('is refused what no caliper can mean, and that is seen; the same does not come again', async () => {
    const caliper = await line.device('CAL2');
    const before = (await line.seen('CAL2')).refused;
    expect(await caliper.say({ length: { value: 9.5, unit: 'g' } })).toEqual({
      id: expect.any(String),
      refused: expect.stringMatching(/told in mm, cm, in/),
    });
    expect(caliper.waiting).toBe(0);
    expect((await line.seen('CAL2')).refused).toBe(before + 1);
    expect((await manager.get('/devices')).body.refusals[0]).toMatchObject({ deviceId: 'CAL2', why: expect.stringMatching(/not in "g"/) });
  });

  test('whose word is too old for a field is kept, and offered to none', async () => {
    const { cursor } = await valuesAt('station FT1');
    const caliper = await line.device('CAL2');
    expect(await caliper.say(width(5), factory.clock.nowMs() - 3 * MINUTE_MS)).toMatchObject({ taken: true });
    expect((await valuesAt('station FT1', cursor)).values).toEqual([]);
    expect(await caliper.say(width(5), factory.clock.nowMs() - 8 * DAY_MS)).toMatchObject({ refused: expect.stringMatching(/too late/) });
  });
});

describe('what is sent more than once, or in another order', () => {
  test('counts once, and is answered each time', async () => {
    const client = await line.rough('SCL1');
    const answers: string[] = [];
    client.on('message', (_, payload) => answers.push(payload.toString()));
    await client.subscribeAsync(topicOf('SCL1', 'heard'), { qos: 1 });
    const { cursor } = await valuesAt('station AS2');
    const said = JSON.stringify({ id: 'twice-1', mass: { value: 2.5, unit: 'kg' } });
    for (let i = 0; i < 3; i++) await client.publishAsync(topicOf('SCL1', 'say'), said, { qos: 1 });
    await until(
      () => answers.length,
      (n) => n >= 3,
    );
    await client.publishAsync(topicOf('SCL1', 'say'), said, { qos: 1 });
    await until(
      () => answers.length,
      (n) => n >= 4,
    );
    expect(answers.map((a) => JSON.parse(a))).toEqual(Array(4).fill({ id: 'twice-1', taken: true }));
    expect((await valuesAt('station AS2', cursor)).values).toMatchObject([{ value: 2500 }]);
    expect(await line.seen('SCL1')).toMatchObject({ taken: 1, doubled: 3 });
  });

  test('what is older than what is known changes nothing of that', async () => {
    const client = await line.rough('CTL2');
    const nowMs = factory.clock.nowMs();
    const word = (id: string, program: string, agoMs: number) =>
      JSON.stringify({ id, at: iso(nowMs - agoMs), sent: iso(nowMs), machine: { state: 'idle', program, parts: 0 } });
    await client.publishAsync(topicOf('CTL2', 'say'), word('n-2', 'later.nc', 1000), { qos: 1 });
    await until(
      () => line.seen('CTL2'),
      (d) => d.taken === 1,
    );
    await client.publishAsync(topicOf('CTL2', 'say'), word('n-1', 'earlier.nc', 60_000), { qos: 1 });
    expect(
      await until(
        () => line.seen('CTL2'),
        (d) => d.taken === 2,
      ),
    ).toMatchObject({ told: 'stands, later.nc, 0 parts', toldMs: nowMs - 1000 });
  });

  test('a clock of another year tells the right hour, and is told to be out', async () => {
    const ahead = 400 * DAY_MS;
    factory.clock.pass(10 * MINUTE_MS);
    const caliper = await line.device('CAL1', { clock: () => factory.clock.nowMs() + ahead });
    await until(() => caliper.connected, Boolean);
    await caliper.say(width(7), factory.clock.nowMs() + ahead - MINUTE_MS);
    expect(await line.seen('CAL1')).toMatchObject({
      toldMs: factory.clock.nowMs() - MINUTE_MS,
      aheadMs: ahead,
      troubles: ['its clock is 400 d ahead'],
    });
  });
});

const iso = (ms: number) => new Date(ms).toISOString();
const air = (tempC: number) => ({ air: { temperature: { value: tempC, unit: '°C' }, humidity: { value: 50, unit: '%' } } });

describe('a climate sensor', () => {
  test('tells the air of its zone; what comes late changes the past, and one reading in ten minutes is kept', async () => {
    const sensor = await line.device('AIR-FINISH');
    const nowMs = factory.clock.nowMs();
    const revision = async () => (await factory.database.query(`select revision from zone where id = 'finish'`))[0].revision as number;
    const before = await revision();
    factory.clock.pass(HOUR_MS);
    await sensor.say(air(24.5));
    expect(await revision()).toBe(before);
    const zone = async () => (await manager.get('/zones')).body.find((z: { id: string }) => z.id === 'finish');
    expect(await zone()).toMatchObject({ tempC: 24.5, relativeHumidity: 0.5 });
    factory.clock.pass(MINUTE_MS);
    await sensor.say(air(24.6));
    expect(await zone()).toMatchObject({ tempC: 24.5 });
    await sensor.say(air(19), nowMs - 25 * MINUTE_MS);
    expect(await revision()).toBe(before + 1);
    expect(await zone()).toMatchObject({ tempC: 24.5 });
    factory.clock.pass(3 * HOUR_MS);
    expect(await line.seen('AIR-FINISH')).toMatchObject({ standing: 'silent', troubles: ['silent for 3 h'] });
    const looks = async () =>
      (await manager.get('/morning')).body.decisions
        .filter((d: { subject: string }) => d.subject === 'device')
        .map((d: { id: string }) => d.id);
    expect(await looks()).toContain('AIR-FINISH');
    // Nothing was written down, and Morning knows it at once.
    await sensor.say(air(24));
    expect(await until(looks, (ids) => !ids.includes('AIR-FINISH'))).not.toContain('AIR-FINISH');
  });
});

describe('who may speak', () => {
  const tries = async (id: string, password: string, clientId = id) =>
    connectAsync(line.url, { clientId, username: id, password, reconnectPeriod: 0, connectTimeout: 3000 }).then(
      async (client) => (await client.endAsync(), 'let in'),
      () => 'not let in',
    );
  test.each([
    ['a device with its password', 'CAL1', DEMO_DEVICE_PASSWORD, undefined, 'let in'],
    ['one with another', 'CAL1', 'guess', undefined, 'not let in'],
    ['one nobody knows', 'CAL9', DEMO_DEVICE_PASSWORD, undefined, 'not let in'],
    ['one under another’s name', 'CAL1', DEMO_DEVICE_PASSWORD, 'CAL2', 'not let in'],
    ['somebody who says to be the server', 'server', 'guess', undefined, 'not let in'],
    ['nobody', '', '', 'x', 'not let in'],
  ])('%s', async (_, id, password, clientId, said) => {
    expect(await tries(id, password, clientId)).toBe(said);
  });

  test('a device speaks for itself alone, and tells the broker nothing', async () => {
    const refusals = await count(`device_refusal where device_id = 'MTR1'`);
    for (const topic of [topicOf('CAL1', 'say'), topicOf('MTR1', 'heard'), 'crane/1/admitted', 'crane/1/clock', 'anything']) {
      const client = await line.rough('MTR1');
      // Whoever tries is put off the line.
      const gone = new Promise((resolve) => client.once('close', () => resolve(undefined)));
      client.publish(topic, JSON.stringify({ id: 'x', length: { value: 1, unit: 'mm' } }), { qos: 1 }, () => undefined);
      await gone;
    }
    expect(await count(`device_message where message_id = 'x'`)).toBe(0);
    expect(await count(`device_refusal where device_id = 'MTR1'`)).toBe(refusals);
    expect(await tries('CAL1', DEMO_DEVICE_PASSWORD)).toBe('let in');
    const ear = await line.rough('MTR1');
    const [granted] = await ear.subscribeAsync(topicOf('CAL1', 'heard'), { qos: 1 }).catch(() => [{ qos: 128 }]);
    expect(granted?.qos ?? 128).toBe(128);
  });

  test('a new device is told its password once; another makes the first worthless; put away, it is shown out', async () => {
    const dto = { id: 'CAL7', name: 'Caliper of the rough mill', kind: 'caliper', stationCode: 'RM1', bench: null, zoneId: null };
    const { body } = await manager.post('/devices', dto);
    expect(body).toEqual({ id: 'CAL7', password: expect.stringMatching(/^[\w-]{32}$/) });
    expect(JSON.stringify((await manager.get('/devices')).body)).not.toContain(body.password);
    expect(await count('device where password_hash = $1', [body.password])).toBe(0);
    const first = await until(
      () => tries('CAL7', body.password),
      (said) => said === 'let in',
    );
    expect(first).toBe('let in');
    const renewed = (await manager.post('/devices/CAL7/password', { version: 1 })).body.password;
    expect(
      await until(
        () => tries('CAL7', body.password),
        (said) => said === 'not let in',
      ),
    ).toBe('not let in');
    const caliper = await line.device('CAL7', { password: renewed });
    expect(await caliper.say(width(3))).toMatchObject({ taken: true });
    expect((await manager.put('/devices/CAL7', { ...dto, id: undefined, kind: undefined, active: false, version: 1 })).status).toBe(409);
    const change = { name: dto.name, stationCode: 'RM1', bench: null, zoneId: null, active: false, version: 2 };
    expect((await manager.put('/devices/CAL7', change)).status).toBe(200);
    await until(
      () => caliper.connected,
      (connected) => !connected,
    );
    expect(caliper.connected).toBe(false);
    expect(await line.seen('CAL7')).toMatchObject({ standing: 'put away', version: 3 });
  });

  test.each([
    ['a name that is taken', { name: 'Caliper at the body machine' }, 'name'],
    ['an id that is taken', { id: 'CAL1' }, 'id'],
    ['the server’s own', { id: 'server' }, 'id'],
    ['no such station', { stationCode: 'XX' }, 'stationCode'],
    ['a zone', { stationCode: null, zoneId: 'wood' }, 'stationCode'],
    ['a machine that has one', { kind: 'machine controller', stationCode: 'MC1', bench: 1 }, 'bench'],
    ['no such zone', { kind: 'climate sensor', stationCode: null, zoneId: 'nowhere' }, 'zoneId'],
  ])('not %s', async (_, over, field) => {
    const dto = { id: 'NEW1', name: 'New', kind: 'caliper', stationCode: 'MC1', bench: null, zoneId: null, ...over };
    const answer = await manager.post('/devices', dto);
    expect([answer.status, answer.body.fields?.[0]?.field]).toEqual([400, field]);
  });
});
