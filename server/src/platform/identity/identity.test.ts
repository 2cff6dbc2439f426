import type { ChangePersonDto } from '../../factory/people.dto.ts';
import { afterAll, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import { once } from 'node:events';
import { get as httpGet, type IncomingMessage, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import request from 'supertest';
import { openFactory, PASSWORD, startedBatch, card, type Caller, type TestFactory } from '../../test/factory.ts';
import { deviceInWords, networkOf } from './device.ts';
import { hashPassword } from './passwords.ts';

let factory: TestFactory;
let admin: Caller;
let port: number;

const GOOD = 'plank vellum harbour';

beforeAll(async () => {
  factory = await openFactory();
  // One proxy in front, so that tests can come from different addresses.
  (factory.app.getHttpAdapter().getInstance() as { set(name: string, value: unknown): void }).set('trust proxy', 1);
  admin = await factory.as('admin');
  await factory.app.listen(0, '127.0.0.1');
  port = ((factory.app.getHttpServer() as Server).address() as AddressInfo).port;
});
afterAll(() => factory.close());
beforeEach(() => factory.database.query('delete from rate_limit'));

const http = () => request(factory.app.getHttpServer());
const signIn = (login: string, password = PASSWORD, address = '10.0.0.9') =>
  http().post('/api/session').set('X-Forwarded-For', address).send({ login, password });
const cookieOf = (answer: { headers: Record<string, unknown> }) =>
  String((answer.headers['set-cookie'] as string[] | undefined)?.[0]).split(';')[0] ?? '';
const change = async (id: string, over: object) => {
  const { people } = (await admin.get('/setup')).body as {
    people: ({ id: string } & ChangePersonDto)[];
  };
  const person = people.find((p) => p.id === id);
  if (!person) throw new Error(`Nobody is ${id}`);
  const { version, name, role, skills, away, week, active } = person;
  return admin.put(`/people/${id}`, { version, name, role, skills, away, week, active, ...over });
};

describe('guessing a password', () => {
  test('all at once is counted as one after the other: few are looked at', async () => {
    const answers = await Promise.all(Array.from({ length: 60 }, () => signIn('viewer', 'a guess')));
    const looked = answers.filter((a) => a.status === 401).length;
    expect(looked).toBeLessThanOrEqual(8);
    // Told to wait, or, where too many came from one place at the same moment, sent away before they were counted.
    const away = answers.filter((a) => a.status === 429 || a.status === 503);
    expect(away).toHaveLength(60 - looked);
    expect(away.every((a) => Number(a.headers['retry-after']) > 0)).toBe(true);
  });
  test('makes strangers wait, longer each time, and never somebody where they have signed in before', async () => {
    expect((await signIn('lead', PASSWORD, '10.0.0.1')).status).toBe(200);
    for (let i = 0; i < 12; i++) await signIn('lead', 'a guess', '10.6.6.6');
    expect((await signIn('lead', PASSWORD, '10.7.7.7')).status).toBe(429);
    expect((await signIn('lead', PASSWORD, '10.0.0.1')).status).toBe(200);
    // As if the first wait were over.
    const waits = async () => factory.database.query<{ expire: string }[]>(`select key, expire from rate_limit where key = 'name:lead'`);
    const first = Number((await waits())[0]?.expire) - Date.now();
    await factory.database.query(`delete from rate_limit where key = 'name:lead'`);
    for (let i = 0; i < 12; i++) await signIn('lead', 'a guess', '10.6.6.6');
    const second = Number((await waits())[0]?.expire) - Date.now();
    expect(first).toBeLessThanOrEqual(30_000);
    expect(second).toBeGreaterThan(first + 20_000);
  });
  test('at many names from one address comes to an end; those who work behind it still get in', async () => {
    expect((await signIn('manager', PASSWORD, '10.1.1.1')).status).toBe(200);
    for (let i = 0; i < 62; i++) await signIn(`name${i}`, 'a guess', '10.1.1.1');
    expect((await signIn('nobody yet', 'a guess', '10.1.1.1')).status).toBe(429);
    expect((await signIn('manager', PASSWORD, '10.1.1.1')).status).toBe(200);
  });
  test('takes as long for a name that nobody has', async () => {
    await factory.database.query('update account set password_hash = $1 where person_id = $2', [await hashPassword(PASSWORD), 'piet']);
    const timed = async (login: string) => {
      const began = performance.now();
      expect((await signIn(login, 'a guess')).status).toBe(401);
      return performance.now() - began;
    };
    await timed('piet');
    await timed('nobody');
    const [known, unknown] = [[] as number[], [] as number[]];
    for (let i = 0; i < 5; i++) {
      known.push(await timed('piet'));
      unknown.push(await timed('nobody'));
    }
    const middle = (times: number[]) => times.sort((a, b) => a - b)[2] ?? 0;
    expect(middle(unknown)).toBeGreaterThan(middle(known) / 4);
    expect(middle(unknown)).toBeLessThan(middle(known) * 4);
  });
});

describe('a password', () => {
  test.each(['short', 'password1234', '1234567890', 'qwertyuiop', 'aaaaaaaaaaaa', 'heronlane1', 'Summer2026!', 'newcomer77'])(
    '%s is refused',
    async (password) => {
      const answer = await admin.post('/people', {
        name: 'New Comer',
        skills: [],
        account: { login: 'newcomer', role: 'viewer', password },
      });
      expect([answer.status, answer.body.fields[0].field]).toEqual([400, 'account.password']);
    },
  );
  test('is changed by oneself, and ends every other session', async () => {
    const [here, there] = [await factory.as('ravi'), await factory.as('ravi')];
    expect((await here.post('/session/password', { password: 'not mine', next: GOOD })).body.fields[0].field).toBe('password');
    expect((await here.post('/session/password', { password: PASSWORD, next: 'password1234' })).body.fields[0].field).toBe('next');
    expect((await here.post('/session/password', { password: PASSWORD, next: GOOD })).status).toBe(200);
    expect([(await here.get('/session')).status, (await there.get('/session')).status]).toEqual([200, 401]);
    expect([(await signIn('ravi')).status, (await signIn('ravi', GOOD)).status]).toEqual([401, 200]);
  });
  test('is chosen anew with a code, once', async () => {
    const before = await factory.as('alma');
    const { code } = (await admin.post('/people/alma/reset')).body;
    expect(code).toMatch(/^[2-9A-Z]{4}-[2-9A-Z]{4}-[2-9A-Z]{4}$/);
    const stored: object[] = await factory.database.query('select * from password_reset');
    const logged: object[] = await factory.database.query(`select payload from logbook where kind = 'setup.changed'`);
    expect(JSON.stringify([stored, logged])).not.toContain(String(code).replaceAll('-', ''));
    const take = (given: object) =>
      http()
        .post('/api/session/reset')
        .send({ login: 'alma', code, password: GOOD, ...given });
    expect((await take({ code: 'AAAA-BBBB-CCCC' })).status).toBe(401);
    expect((await take({ login: 'piet' })).status).toBe(401);
    expect((await take({ password: 'password1234' })).status).toBe(400);
    const answers = await Promise.all([take({}), take({ code: String(code).toLowerCase() })]);
    expect(answers.map((a) => a.status).sort()).toEqual([200, 401]);
    expect((await before.get('/session')).status).toBe(401);
    expect((await signIn('alma', GOOD)).status).toBe(200);
  });
});

describe('sessions', () => {
  test('are listed for their owner, and ended one by one or all', async () => {
    const [one, two, three] = [await factory.as('kaya'), await factory.as('kaya'), await factory.as('kaya')];
    const list = (await one.get('/sessions')).body as { id: string; own: boolean; device: string }[];
    expect(list).toHaveLength(3);
    expect(list.filter((s) => s.own)).toHaveLength(1);
    expect(JSON.stringify(list)).not.toContain(two.cookie.split('=')[1]);
    const others = list.filter((s) => !s.own);
    const stranger = await factory.as('piet');
    const end = (caller: Caller, id: string) => http().delete(`/api/sessions/${id}`).set('Cookie', caller.cookie);
    expect((await end(stranger, others[0]?.id ?? '')).status).toBe(404);
    expect((await end(one, others[0]?.id ?? '')).status).toBe(200);
    const left = async () => Promise.all([one, two, three].map(async (c) => (await c.get('/session')).status));
    expect((await left()).filter((s) => s === 401)).toHaveLength(1);
    await http().delete('/api/sessions').set('Cookie', one.cookie);
    expect((await left()).filter((s) => s === 401)).toHaveLength(2);
    expect((await one.get('/session')).status).toBe(200);
  });
  test('end when nobody has been seen for long', async () => {
    const idle = await factory.as('eamon');
    await factory.database.query(`update session set seen_at = now() - interval '25 hours' where person_id = 'eamon'`);
    expect((await idle.get('/session')).status).toBe(401);
  });
  test.each([
    ['Mozilla/5.0 (Windows NT 10.0) AppleWebKit/537.36 Chrome/156.0 Safari/537.36 Edg/156.0', 'Edge on Windows'],
    ['Mozilla/5.0 (iPad; CPU OS 18_0 like Mac OS X) AppleWebKit/605 Version/18.0 Safari/604', 'Safari on iPad'],
    ['curl/8.0', 'Another program'],
    [undefined, 'Another program'],
  ])('%s is told as %s', (agent, words) => {
    expect(deviceInWords(agent)).toBe(words);
  });
  test.each([
    ['10.0.0.9', '10.0.0.9'],
    ['::ffff:10.0.0.9', '10.0.0.9'],
    ['2001:db8:1:2:3:4:5:6', '2001:db8:1:2::/64'],
    ['2001:db8:1:2:ffff::1', '2001:db8:1:2::/64'],
    ['unknown', 'unknown'],
  ])('%s is counted as %s', (address, network) => {
    expect(networkOf(address)).toBe(network);
  });
  test('a deactivated person’s sessions, streams and calendar end at once, and stay ended', async () => {
    const caller = await factory.as('noor');
    const feed = new URL(String((await caller.post('/calendar')).body.url)).pathname;
    expect((await http().get(feed)).status).toBe(200);
    const call = httpGet({ host: '127.0.0.1', port, path: '/api/events', headers: { Cookie: caller.cookie } });
    const [stream] = (await once(call, 'response')) as [IncomingMessage];
    const ended = once(stream.resume(), 'end');
    expect((await change('noor', { active: false })).status).toBe(200);
    await ended;
    expect([(await caller.get('/session')).status, (await http().get(feed)).status]).toEqual([401, 404]);
    expect((await signIn('noor')).status).toBe(401);
    expect((await change('noor', { active: true })).status).toBe(200);
    expect([(await caller.get('/session')).status, (await http().get(feed)).status]).toEqual([401, 404]);
    expect((await signIn('noor')).status).toBe(200);
  });
  test('a person’s streams are bounded, and end with signing out', async () => {
    const caller = await factory.as('dov');
    const open = async () => {
      const call = httpGet({ host: '127.0.0.1', port, path: '/api/events', headers: { Cookie: caller.cookie }, agent: false });
      const [response] = (await once(call, 'response')) as [IncomingMessage];
      return response.resume();
    };
    const streams: IncomingMessage[] = [];
    for (let i = 0; i < 30; i++) streams.push(await open());
    expect(streams.map((s) => s.statusCode)).toEqual(Array.from({ length: 30 }, () => 200));
    expect((await open()).statusCode).toBe(429);
    const over = Promise.all(streams.map((s) => once(s, 'end')));
    await http().delete('/api/session').set('Cookie', caller.cookie);
    await over;
    const again = await factory.as('dov');
    expect((await again.get('/session')).status).toBe(200);
  });
});

describe('work of another', () => {
  test('is written down by a lead, who stands in the log as well; nobody else can', async () => {
    const manager = await factory.as('manager');
    const batch = await startedBatch(factory, manager);
    const { version } = (await card(manager, batch)).batch;
    const operator = await factory.as('operator');
    const refused = await operator.post(`/batches/${batch}/start`, { version, personId: 'bram' });
    expect([refused.status, refused.body.detail]).toEqual([403, 'Work is written down as another’s by a lead or above; you are operator.']);
    const lead = await factory.as('lead');
    expect((await lead.post(`/batches/${batch}/start`, { version, personId: 'bram' })).status).toBe(200);
    expect((await card(manager, batch)).log[0]).toMatchObject({
      by: 'Tomas Verhoeven',
      sentence: 'Cut and joint bodies started by Bram Osei',
    });
  });
});

describe('what tells how the server is', () => {
  test('metrics are for this machine, not for whom a proxy speaks', async () => {
    const near = await http().get('/api/metrics');
    expect(near.text).toMatch(/crane_request_seconds_count\{method="POST",route="\/api\/session",status="401"\} \d+/);
    expect((await http().get('/api/metrics').set('X-Forwarded-For', '10.0.0.1')).status).toBe(403);
  });
  test('every answer has an id; one that came along is kept, unless it is none', async () => {
    expect((await http().get('/api/health')).headers['x-request-id']).toMatch(/^[0-9a-f-]{36}$/);
    expect((await http().get('/api/health').set('X-Request-Id', 'from-the-proxy-7')).headers['x-request-id']).toBe('from-the-proxy-7');
    expect((await http().get('/api/health').set('X-Request-Id', '<script>')).headers['x-request-id']).not.toBe('<script>');
  });
});

test('the cookie can be read by no script, and is kept from foreign pages', async () => {
  const cookie = cookieOf(await signIn('viewer'));
  expect(cookie).toMatch(/^crane_session=/);
});
