import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { MINUTE_MS } from '@ample-crane/core';
import pg from 'pg';
import { advanceTo, card, checked, startedBatch } from '../test/factory.ts';
import { openOnLine, until, type FactoryOnLine } from './test/line.ts';
import { Tidying } from './tidying.ts';

let line: FactoryOnLine;

beforeAll(async () => {
  line = await openOnLine();
});
afterAll(() => line.close());

const width = (value: number) => ({ length: { value, unit: 'mm' } });
const values = async (deviceId: string) =>
  (
    await line.factory.database.query<{ value: number }[]>('select value from device_value where device_id = $1 order by value', [deviceId])
  ).map((v) => v.value);

describe('a machine that tells for itself', () => {
  const told = (program: string | null, state = 'idle') => ({ machine: { state, program, parts: 0, cutters: [] } });

  test('is not started with another program than the card asks for, and with the right one is; one that is silent says nothing', async () => {
    const { manager, factory } = line;
    const id = await startedBatch(factory, manager, 'body', 2);
    await advanceTo(factory, manager, id, 'b-machine');
    const start = async () => {
      const { batch, workers, program } = await card(manager, id);
      const { check } = checked({ program });
      return manager.post(`/batches/${id}/start`, {
        version: batch.version,
        personId: workers[0].id,
        check: { ...check, machineId: 'MC1#1' },
      });
    };
    const machine = async () => (await manager.get('/machines')).body.find((m: { id: string }) => m.id === 'MC1#1').controller;
    const asked = async () => (await card(manager, id)).program.machines[0];

    const controller = await line.device('CTL1');
    await controller.say(told('KNOT.nc'));
    expect(await machine()).toMatchObject({ state: 'idle', told: 'stands, KNOT.nc, 0 parts' });
    // Nobody has written anything down, and the card says it at once.
    const against = /^The machine itself tells that it has KNOT\.nc loaded; revision \w is (\S+)$/;
    const said = await until(asked, (m) => m.controllerAgainst !== null);
    expect(said).toMatchObject({ controller: 'stands, KNOT.nc, 0 parts', controllerAgainst: expect.stringMatching(against) });
    const [, file = ''] = against.exec(said.controllerAgainst) ?? [];
    const refused = await start();
    expect([refused.status, refused.body.findings[0].sentence]).toEqual([422, said.controllerAgainst]);

    // Silent, it is not asked: whoever ticks has read what it shows.
    factory.clock.pass(6 * MINUTE_MS);
    expect([await machine(), (await asked()).controllerAgainst]).toEqual([null, null]);
    await controller.say(told(file, 'running'));
    expect(await machine()).toMatchObject({ state: 'running', told: `runs ${file}, 0 parts` });
    await until(asked, (m) => m.controllerAgainst === null);
    expect((await start()).status).toBe(200);
    await controller.stop();
    expect(await until(machine, (m) => m === null)).toBeNull();
  });
});

describe('none is lost and none counts twice', () => {
  test('in a flood: what comes too fast is held back, and taken when it comes again', async () => {
    const MANY = 400;
    const caliper = await line.device('CAL1');
    const answers = await Promise.all(Array.from({ length: MANY }, (_, i) => caliper.say(width(i))));
    expect(answers.every((a) => 'taken' in a)).toBe(true);
    expect(new Set(answers.map((a) => a.id)).size).toBe(MANY);
    expect(await values('CAL1')).toEqual(Array.from({ length: MANY }, (_, i) => i));
    expect(await line.seen('CAL1')).toMatchObject({ taken: MANY });
    // It waits for answers to twenty at a time; somebody who waits for nothing is held back, and another is heard beside.
    const rude = await line.rough('SCL1');
    for (let i = 0; i < MANY; i++)
      rude.publish('crane/1/SCL1/say', JSON.stringify({ id: `r-${i}`, mass: { value: i, unit: 'g' } }), { qos: 1 });
    const other = await line.device('CAL2');
    expect(await other.say(width(1))).toMatchObject({ taken: true });
    const after = await until(
      () => line.seen('SCL1'),
      (d) => d.taken + d.heldBack >= MANY,
    );
    expect(after.taken).toBeGreaterThanOrEqual(100);
    expect(after.heldBack).toBe(MANY - after.taken);
    expect(after.heldBack).toBeGreaterThan(0);
  });

  test('when the broker begins anew, knowing nobody', async () => {
    const caliper = await line.device('CAL2');
    await caliper.say(width(100));
    const said: Promise<unknown>[] = [];
    for (let round = 0; round < 3; round++) {
      said.push(caliper.say(width(200 + round)), caliper.say(width(300 + round)));
      await line.restartBroker();
      said.push(caliper.say(width(400 + round)));
    }
    await Promise.all(said);
    expect((await values('CAL2')).filter((v) => v >= 200)).toEqual([200, 201, 202, 300, 301, 302, 400, 401, 402]);
    expect(
      await until(
        () => line.seen('CAL2'),
        (d) => d['standing'] === 'on',
      ),
    ).toMatchObject({ standing: 'on' });
    expect((await line.manager.get('/devices')).body.line.state).toBe('on');
  });

  test('who left while the broker was away is not taken to be there', async () => {
    const meter = await line.device('MTR1');
    await meter.say({ moisture: { value: 8, unit: '%' } });
    expect(await line.seen('MTR1')).toMatchObject({ standing: 'on' });
    await line.restartBroker(() => meter.stop());
    expect(
      await until(
        () => line.seen('MTR1'),
        (d) => d.standing === 'off',
      ),
    ).toMatchObject({ standing: 'off' });
  });

  test('when the line breaks in the midst of it', async () => {
    const caliper = await line.device('CAL1');
    const said: Promise<unknown>[] = [];
    for (let i = 0; i < 60; i++) {
      said.push(caliper.say(width(1000 + i)));
      if (i % 20 === 10) {
        await new Promise((resolve) => setTimeout(resolve, 30));
        caliper.dropLine();
      }
    }
    await Promise.all(said);
    expect((await values('CAL1')).filter((v) => v >= 1000)).toEqual(Array.from({ length: 60 }, (_, i) => 1000 + i));
  });

  test('when the database will not have what one of them says', async () => {
    const on = { id: 'GONE1', name: 'One that goes', kind: 'caliper', stationCode: 'RM1', bench: null, zoneId: null };
    const { password } = (await line.manager.post('/devices', on)).body;
    const gone = await line.device('GONE1', { password });
    await gone.say(width(1));
    // As after a restore of another day: nobody was told.
    for (const table of ['device_value', 'device_message', 'device_now'])
      await line.factory.database.query(`delete from ${table} where device_id = 'GONE1'`);
    await line.factory.database.query(`delete from device where id = 'GONE1'`);
    const caliper = await line.device('CAL1');
    const lost = gone.say(width(2));
    const said = Array.from({ length: 10 }, (_, i) => caliper.say(width(2000 + i)));
    expect((await Promise.all(said)).every((a) => 'taken' in a)).toBe(true);
    // Who is known is read anew then: it is told what it is, or shown out.
    await Promise.race([
      lost,
      until(
        () => gone.connected,
        (connected) => !connected,
      ),
    ]);
    expect(await values('GONE1')).toEqual([]);
  });

  test('when the database keeps nothing for a while: nothing is answered that was not kept', async () => {
    const caliper = await line.device('CAL2');
    const blocker = new pg.Client({ connectionString: process.env['DATABASE_URL'] });
    await blocker.connect();
    await blocker.query('begin; lock table device_message in exclusive mode');
    let answered = false;
    const said = caliper.say(width(500)).then(() => (answered = true));
    await new Promise((resolve) => setTimeout(resolve, 700));
    expect(answered).toBe(false);
    await blocker.query('rollback');
    await blocker.end();
    await said;
    expect((await values('CAL2')).filter((v) => v === 500)).toEqual([500]);
  });

  test('what can come again is known; what cannot is forgotten', async () => {
    const count = async () =>
      (await line.factory.database.query<{ n: number }[]>('select count(*)::int as n from device_message'))[0]?.n ?? 0;
    const before = await count();
    await line.factory.app.get(Tidying).prune();
    expect(await count()).toBe(before);
    line.factory.clock.pass(8 * 24 * 60 * MINUTE_MS + MINUTE_MS);
    await line.factory.app.get(Tidying).prune();
    expect([before > 0, await count()]).toEqual([true, 0]);
  });
});
