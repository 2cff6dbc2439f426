import type { ChangePersonDto } from '../../factory/people.dto.ts';
import { afterAll, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import request from 'supertest';
import { DEMO_PIN } from '../../demo/load.ts';
import { card, openFactory, startedBatch, type Caller, type TestFactory } from '../../test/factory.ts';

let factory: TestFactory;
let manager: Caller;

beforeAll(async () => {
  factory = await openFactory();
  manager = await factory.as('manager');
});
afterAll(() => factory.close());
beforeEach(() => factory.database.query('delete from rate_limit'));

const http = () => request(factory.app.getHttpServer());

/** A tablet with cookies of its own. */
class Tablet {
  private readonly cookies = new Map<string, string>();

  async send(method: 'get' | 'post' | 'delete' | 'patch', path: string, body: object = {}, person?: string) {
    const call = http()
      [method](`/api${path}`)
      .set('Cookie', [...this.cookies].map(([name, value]) => `${name}=${value}`).join('; '));
    if (person !== undefined) call.set('Bench-Person', person);
    const answer = await (method === 'get' ? call : call.send(body));
    for (const cookie of (answer.headers['set-cookie'] as unknown as string[] | undefined) ?? []) {
      const [, name = '', value = ''] = /^([^=]+)=([^;]*)/.exec(cookie) ?? [];
      this.cookies.set(name, value);
    }
    return answer;
  }

  /** What this tablet keeps, as somebody could carry it to another. */
  carried(from: Tablet, name: string): void {
    this.cookies.set(name, from.cookies.get(name) ?? '');
  }
}

async function stationTablet(code = 'RM2'): Promise<Tablet> {
  const tablet = new Tablet();
  await tablet.send('post', '/session', { login: 'bram', password: 'heron-lane' });
  expect((await tablet.send('post', '/session/station', { code })).status).toBe(200);
  return tablet;
}

const letOn = (tablet: Tablet, personId: string, pin = DEMO_PIN) => tablet.send('post', '/bench', { personId, pin });

describe('a tablet that is signed in as a station', () => {
  test('is so by a lead, who is not signed in there any more', async () => {
    const tablet = new Tablet();
    await tablet.send('post', '/session', { login: 'operator', password: 'heron-lane' });
    expect((await tablet.send('post', '/session/station', { code: 'RM2' })).status).toBe(403);
    const station = await stationTablet();
    expect((await station.send('get', '/session')).body).toMatchObject({
      personId: '',
      role: 'viewer',
      station: { code: 'RM2' },
    });
    const bram = await factory.as('bram');
    expect((await bram.get('/sessions')).body).toHaveLength(1);
    expect((await manager.post('/session/station', { code: 'nowhere' })).status).toBe(409);
  });
  test('looks, and changes nothing before somebody says who they are', async () => {
    const tablet = await stationTablet();
    expect((await tablet.send('get', '/stations/RM2/work')).status).toBe(200);
    const batch = await startedBatch(factory, manager);
    const refused = await tablet.send('post', `/batches/${batch}/start`, { version: 1, personId: 'yusuf' });
    expect([refused.status, refused.body.type]).toEqual([401, 'urn:ample-crane:bench']);
    // A name alone is none.
    expect((await tablet.send('post', `/batches/${batch}/start`, { version: 1, personId: 'yusuf' }, 'yusuf')).status).toBe(401);
    for (const path of ['/session/password', '/session/pin', '/calendar']) expect((await tablet.send('post', path)).status).toBe(401);
  });
  test('lets somebody on by name and PIN, who then acts in their own name', async () => {
    const tablet = await stationTablet();
    expect((await letOn(tablet, 'yusuf', '1111')).status).toBe(422);
    const on = await letOn(tablet, 'yusuf');
    expect(on.body).toMatchObject({ personId: 'yusuf', name: 'Yusuf Tarrant' });
    expect((await tablet.send('get', '/bench')).body.holders).toEqual([on.body]);
    const batch = await startedBatch(factory, manager);
    const { version } = (await card(manager, batch)).batch;
    const started = await tablet.send('post', `/batches/${batch}/start`, { version, personId: 'yusuf' }, 'yusuf');
    expect(started.status).toBe(200);
    expect((await card(manager, batch)).log[0]).toMatchObject({ by: 'Yusuf Tarrant' });
    // In another's name neither here nor elsewhere.
    expect((await tablet.send('post', `/batches/${batch}/pause`, { version: version + 1, cause: 'tool' }, 'greta')).status).toBe(401);
    const other = await stationTablet('RM3');
    other.carried(tablet, 'crane_bench_yusuf');
    expect((await other.send('post', `/batches/${batch}/hold`, { version: version + 1, reason: 'x' }, 'yusuf')).status).toBe(401);
    await tablet.send('delete', '/bench/yusuf');
    expect((await tablet.send('post', `/batches/${batch}/pause`, { version: version + 1, cause: 'tool' }, 'yusuf')).status).toBe(401);
  });
  test('makes nobody more than an operator, and keeps what is theirs alone for a sign-in', async () => {
    const tablet = await stationTablet();
    await letOn(tablet, 'manager');
    expect((await tablet.send('post', '/orders', {}, 'manager')).body.detail).toBe('This needs the role manager; you are operator.');
    expect((await tablet.send('post', '/session/pin', { pin: '9173' }, 'manager')).status).toBe(403);
    expect((await tablet.send('post', '/session/station', { code: 'RM3' }, 'manager')).status).toBe(403);
  });
  test('counts wrong PINs, for each person on its own', async () => {
    const tablet = await stationTablet();
    const statuses = await Promise.all(Array.from({ length: 30 }, () => letOn(tablet, 'greta', '4711').then((a) => a.status)));
    expect(statuses.filter((s) => s === 422).length).toBeLessThanOrEqual(8);
    expect((await letOn(tablet, 'greta')).status).toBe(429);
    expect((await letOn(tablet, 'yusuf')).status).toBe(200);
  });
  test('a sign-off takes the PIN at that moment, whoever has been let on before', async () => {
    const tablet = await stationTablet();
    await letOn(tablet, 'hanne');
    const batch = await startedBatch(factory, manager);
    const { version } = (await card(manager, batch)).batch;
    const signOff = (given: object) =>
      tablet.send('post', `/batches/${batch}/sign-off`, { version, skill: 'neck fitting', ...given }, 'hanne');
    expect((await signOff({})).body.fields[0].field).toBe('pin');
    expect((await signOff({ pin: '4711' })).body.type).toBe('urn:ample-crane:bench');
    // With it, core is asked, which finds nothing to accept here.
    expect((await signOff({ pin: DEMO_PIN })).body.type).toBe('urn:ample-crane:refused');
  });
  test('a deactivated person is let off at once', async () => {
    const tablet = await stationTablet();
    await letOn(tablet, 'omar');
    const { people } = (await manager.get('/setup')).body as {
      people: ({ id: string } & ChangePersonDto)[];
    };
    const { version, name, role, skills, away, week } = people.find((p) => p.id === 'omar') ?? ({} as ChangePersonDto);
    expect((await manager.put('/people/omar', { version, name, role, skills, away, week, active: false })).status).toBe(200);
    expect((await tablet.send('get', '/bench')).body.holders).toEqual([]);
    expect((await letOn(tablet, 'omar')).status).toBe(422);
  });
});

describe('a badge', () => {
  test('lets on whoever it was given to, until another is given', async () => {
    const tablet = await stationTablet();
    expect((await manager.put('/people/pia/badge', { badge: 'HL-0001-4471' })).status).toBe(200);
    expect((await manager.put('/people/dov/badge', { badge: 'HL-0001-4471' })).body.fields[0].field).toBe('badge');
    const scan = (badge: string) => tablet.send('post', '/bench', { badge });
    expect((await scan('HL-0001-4471')).body).toMatchObject({ personId: 'pia' });
    expect((await scan('HL-0001-4472')).status).toBe(422);
    expect((await manager.put('/people/pia/badge', { badge: null })).status).toBe(200);
    expect((await scan('HL-0001-4471')).status).toBe(422);
    expect((await tablet.send('get', '/bench')).body.holders).toEqual([]);
    const logged: object[] = await factory.database.query(`select payload from logbook where payload->>'what' = 'badge'`);
    expect(JSON.stringify(logged)).not.toContain('4471');
  });
});

describe('a PIN', () => {
  test.each(['123', '123456789', '12a4', '1234', '7654', '0000'])('%s is refused', async (pin) => {
    expect((await manager.post('/session/pin', { pin })).body.fields[0].field).toBe('pin');
  });
  test('is one’s own, and kept as a hash', async () => {
    expect((await manager.post('/session/pin', { pin: '9173' })).status).toBe(200);
    const tablet = await stationTablet();
    expect([(await letOn(tablet, 'manager')).status, (await letOn(tablet, 'manager', '9173')).status]).toEqual([422, 200]);
    const [stored] = await factory.database.query<{ pin_hash: string }[]>(
      `select pin_hash from bench_credential where person_id = 'manager'`,
    );
    expect(stored?.pin_hash).toMatch(/^\$argon2id\$/);
  });
});
