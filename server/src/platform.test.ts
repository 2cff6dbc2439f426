import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import request from 'supertest';
import { ownerDataSource } from './database.ts';
import { card, openFactory, PASSWORD, startedBatch, type Caller, type TestFactory } from './test/factory.ts';

let factory: TestFactory;
let manager: Caller;

beforeAll(async () => {
  factory = await openFactory();
  manager = await factory.as('manager');
});
afterAll(() => factory.close());

const http = () => request(factory.app.getHttpServer());

describe('identity', () => {
  test('nothing but the door is open', async () => {
    expect((await http().get('/api/health')).body).toEqual({ status: 'ok' });
    expect((await http().get('/api/health/alive')).body.status).toBe('alive');
    expect((await http().get('/api/welcome')).status).toBe(200);
    const server = factory.app.getHttpAdapter().getInstance() as {
      router: { stack: { route?: { path: string; methods: Record<string, boolean> } }[] };
    };
    const routes = server.router.stack.flatMap(({ route }) =>
      route ? Object.keys(route.methods).map((m) => ({ method: m, path: route.path })) : [],
    );
    expect(routes.length).toBeGreaterThan(35);
    const open = new Set([
      'get /api/health',
      'get /api/health/alive',
      'get /api/metrics',
      'get /api/welcome',
      'post /api/session',
      'post /api/first-administrator',
      'post /api/session/reset',
      'get /api/calendar/:token.ics',
    ]);
    for (const { method, path } of routes) {
      if (open.has(`${method} ${path}`)) continue;
      const answer = await http()
        [method as 'get'](path.replace(/:\w+/g, 'x'))
        .send(method === 'get' ? undefined : {});
      expect(`${method} ${path} ${answer.status}`).toBe(`${method} ${path} 401`);
    }
  });
  test('a wrong password and an unknown name are told alike, and too many end it for a while', async () => {
    const wrong = await http().post('/api/session').send({ login: 'viewer', password: 'not this' });
    const unknown = await http().post('/api/session').send({ login: 'stranger', password: 'not this' });
    expect([wrong.status, unknown.status]).toEqual([401, 401]);
    expect(wrong.body.detail).toBe(unknown.body.detail);
    for (let i = 0; i < 8; i++) await http().post('/api/session').send({ login: 'piet', password: 'not this' });
    expect((await http().post('/api/session').send({ login: 'piet', password: PASSWORD })).status).toBe(429);
  });
  test('the session is kept in a cookie scripts cannot read, and ends with signing out', async () => {
    const signedIn = await http().post('/api/session').send({ login: 'viewer', password: PASSWORD });
    const cookie = String(signedIn.headers['set-cookie']);
    expect(cookie).toMatch(/HttpOnly/);
    expect(cookie).toMatch(/SameSite=Strict/);
    const viewer = await factory.as('viewer');
    expect((await viewer.get('/session')).body).toMatchObject({
      name: 'Pell Ashdown',
      role: 'viewer',
      timeZone: 'Europe/Dublin',
    });
    await http().delete('/api/session').set('Cookie', viewer.cookie);
    expect((await viewer.get('/session')).status).toBe(401);
    const stored: { token_hash: string }[] = await factory.database.query('select token_hash from session');
    expect(stored.every((s) => !viewer.cookie.includes(s.token_hash))).toBe(true);
  });
  test('a change from a foreign page is refused', async () => {
    const answer = await manager.post('/calendar', {}, { Origin: 'https://elsewhere.example' });
    expect(answer.status).toBe(403);
  });
  test.each([
    ['viewer', 403, 403, 403],
    ['operator', 403, 403, 403],
    ['lead', 400, 403, 403],
    ['manager', 400, 400, 400],
    ['admin', 400, 400, 400],
  ])('%s: receive a lot %i, place an order %i, add a person %i', async (login, lot, order, person) => {
    const caller = await factory.as(login);
    expect((await caller.post('/lots', {})).status).toBe(lot);
    expect((await caller.post('/orders', {})).status).toBe(order);
    expect((await caller.post('/people', {})).status).toBe(person);
  });
});

describe('bad input', () => {
  const commands: [string, string][] = [
    ['lots', '/lots'],
    ['readings', '/lots/L1/readings'],
    ['strike', '/lots/L1/strike'],
    ['release lot', '/lots/L1/release'],
    ['orders', '/orders'],
    ['start batch', '/batches'],
    ['start', '/batches/B1/start'],
    ['pause', '/batches/B1/pause'],
    ['resume', '/batches/B1/resume'],
    ['finish', '/batches/B1/finish'],
    ['move', '/batches/B1/move'],
    ['hold', '/batches/B1/hold'],
    ['release', '/batches/B1/release'],
    ['coat', '/batches/B1/coats'],
    ['scuff', '/batches/B1/scuff'],
    ['measures', '/batches/B1/measures'],
    ['fit', '/fitting'],
    ['ship', '/instruments/X/ship'],
    ['person', '/people'],
    ['demo clock', '/demo/clock'],
  ];
  test.each(commands)('%s: an empty or swollen body is a 400 that names the fields', async (_, path) => {
    const empty = await manager.post(path, {});
    expect(empty.status).toBe(400);
    expect(empty.body.fields.length).toBeGreaterThan(0);
    const swollen = await manager.post(path, { surprise: 1 });
    expect(swollen.status).toBe(400);
    expect(swollen.body.fields.map((f: { field: string }) => f.field)).toContain('surprise');
  });
  test('impossible values are told by their field', async () => {
    const { id } = (
      await manager.post('/lots', {
        species: 'basswood',
        form: 'boards',
        use: 'body',
        thicknessMm: 8,
        volumeM3: 0.2,
        supplier: 'x',
        origin: 'y',
        permit: null,
        restricted: false,
        zoneId: 'wood',
      })
    ).body;
    const read = (fields: object) =>
      manager.post(`/lots/${id}/readings`, {
        version: 1,
        text: '8.4',
        woodTempC: 20,
        meter: 'pin',
        ...fields,
      });
    expect((await read({ text: '-3 8.4' })).body.detail).toBe('"-3" is not a reading');
    expect((await read({ text: '140' })).body.detail).toMatch(/outside what a meter shows/);
    expect((await read({ woodTempC: 400 })).body.fields[0].field).toBe('woodTempC');
    expect((await read({ atMs: factory.clock.nowMs() + 1000 })).body.detail).toBe('A reading cannot lie in the future');
    expect((await read({ atMs: factory.clock.nowMs() - 1000 })).body.detail).toBe('The lot was received after that');
    expect((await manager.get(`/lots/${id}`)).body.sessions).toEqual([]);
    expect(
      (
        await manager.post('/orders', {
          modelId: 'weirstone',
          quantity: 1,
          customer: 'x',
          dueMs: factory.clock.nowMs() - 9e9,
        })
      ).body.fields[0].field,
    ).toBe('dueMs');
  });
  test('what does not exist is a 404, in the same form', async () => {
    for (const path of ['/lots/L0', '/batches/B0', '/instruments/0', '/nowhere']) {
      const answer = await manager.get(path);
      expect(answer).toMatchObject({ status: 404, body: { status: 404 } });
    }
  });
  test('a serial pattern that would repeat is refused', async () => {
    const answer = await manager.put('/settings/serial', { template: '{YY}{MODEL}{SEQ3}', reset: 'day' });
    expect(answer.body.detail).toMatch(/repeats unless/);
    expect((await manager.put('/settings/serial', { template: '{YYYY}{MODEL}{SEQ4}', reset: 'year' })).status).toBe(200);
    expect((await manager.get('/setup')).body.serialExample).toBe('2026HW0001');
  });
});

describe('two people, and twice the same', () => {
  test('a stale page is refused with what is there now, and nothing is lost', async () => {
    const id = await startedBatch(factory, manager);
    const { batch } = await card(manager, id);
    const start = (personId: string) => manager.post(`/batches/${id}/start`, { version: batch.version, personId });
    const both = await Promise.all([start('bram'), start('yusuf')]);
    expect(both.map((r) => r.status).sort()).toEqual([200, 409]);
    const late = both.find((r) => r.status === 409);
    expect(late?.body.current).toMatchObject({ status: 'running', version: batch.version + 1 });
    const runs: { n: number }[] = await factory.database.query(`select count(*)::int as n from job where shares -> 0 ->> 'batchId' = $1`, [
      id,
    ]);
    expect(runs[0]?.n).toBe(1);
  });
  test('the same request under the same key is carried out once, also at the same time', async () => {
    const order = {
      modelId: 'weirstone',
      quantity: 2,
      customer: 'Twice',
      dueMs: factory.clock.nowMs() + 9e9,
    };
    const key = { 'Idempotency-Key': 'order-twice' };
    const answers = await Promise.all([
      manager.post('/orders', order, key),
      manager.post('/orders', order, key),
      manager.post('/orders', order, key),
    ]);
    expect(new Set(answers.map((a) => a.body.id)).size).toBe(1);
    const again = await manager.post('/orders', { ...order, quantity: 3 }, key);
    expect(again.status).toBe(422);
    expect((await manager.get('/orders')).body.filter((o: { customer: string }) => o.customer === 'Twice')).toHaveLength(1);
  });
  test('numbers are given out once however many ask', async () => {
    const answers = await Promise.all(
      Array.from({ length: 6 }, (_, i) =>
        manager.post('/orders', {
          modelId: 'skiff',
          quantity: 1,
          customer: `C${i}`,
          dueMs: factory.clock.nowMs() + 9e9,
        }),
      ),
    );
    expect(new Set(answers.map((a) => a.body.id)).size).toBe(6);
  });
});

test('a lost database is told as such, and the server goes on when it is back', async () => {
  const killer = await ownerDataSource().initialize();
  const pending = manager.get('/morning');
  await killer.query(
    `select pg_terminate_backend(pid) from pg_stat_activity where datname = current_database() and pid <> pg_backend_pid()`,
  );
  const answer = await pending;
  expect([200, 503]).toContain(answer.status);
  if (answer.status === 503) expect(answer.body.detail).toMatch(/Nothing was saved/);
  await new Promise((resolve) => setTimeout(resolve, 200));
  expect((await http().get('/api/health')).status).toBe(200);
  await killer.destroy();
});

test('an empty factory lets the first administrator in, once', async () => {
  const empty = await openFactory('nothing');
  try {
    const post = () =>
      request(empty.app.getHttpServer())
        .post('/api/first-administrator')
        .send({ login: 'owner', name: 'The Owner', password: 'long quiet evenings' });
    expect((await request(empty.app.getHttpServer()).get('/api/welcome')).body.needsFirstAdministrator).toBe(true);
    expect((await post()).status).toBe(200);
    expect((await post()).status).toBe(409);
  } finally {
    await empty.close();
  }
});

test('the migrations go down and up again', async () => {
  const scratch = await openFactory('nothing');
  try {
    const owner = await ownerDataSource().initialize();
    for (let i = 0; i < owner.migrations.length; i++) await owner.undoLastMigration();
    const left: { n: number }[] = await owner.query(
      `select count(*)::int as n from information_schema.tables where table_schema = 'public' and table_name <> 'migrations'`,
    );
    expect(left[0]?.n).toBe(0);
    const applied = await owner.runMigrations();
    expect(applied.map((m) => m.name)).toEqual(owner.migrations.map((m) => m.name));
    await owner.destroy();
  } finally {
    await scratch.close();
  }
});
