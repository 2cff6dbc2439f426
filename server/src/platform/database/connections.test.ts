import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import pg from 'pg';
import { openFactory, releasedLot, startedBatch, card, type Caller, type TestFactory } from '../../test/factory.ts';
import { faultOf, problemOfDatabase, UnknownOutcome } from './faults.ts';
import { SecondConnection } from './pool.ts';
import { inTransaction } from './transaction.ts';

let factory: TestFactory;
let manager: Caller;

beforeAll(async () => {
  factory = await openFactory();
  manager = await factory.as('manager');
});
afterAll(() => factory.close());

const NOTHING: pg.QueryConfig = { text: 'select 1' };

describe('a fault of the database is told by its code', () => {
  test.each([
    ['23505', 'unique', 409],
    ['23503', 'foreign', 409],
    ['23514', 'check', 400],
    ['22021', 'value', 400],
    ['40P01', 'deadlock', 503],
    ['40001', 'serialization', 503],
    ['55P03', 'lock', 503],
    ['57014', 'timeout', 503],
    ['57P01', 'gone', 503],
    ['08006', 'gone', 503],
    ['53300', 'gone', 503],
    ['ECONNREFUSED', 'gone', 503],
  ])('%s is %s', (code, fault, status) => {
    expect(faultOf({ code })).toBe(fault);
    expect(problemOfDatabase({ code })?.status).toBe(status);
  });
  test('whatever has no code is no fault of it, unless the driver says so in words of its own', () => {
    expect(faultOf(new TypeError('terminated by a colleague'))).toBeUndefined();
    expect(faultOf(new Error('Connection terminated unexpectedly'))).toBe('gone');
  });
  test('each has a sentence of its own; a short reason is not "already taken"', () => {
    const sentences = ['23505', '23503', '23514', '22021', '40P01', '55P03', '57014', '57P01'].map(
      (code) => problemOfDatabase({ code })?.detail,
    );
    expect(new Set(sentences).size).toBe(sentences.length);
    expect(problemOfDatabase({ code: '23514', constraint: 'override_reason_check' })?.title).toBe('Check the input');
  });
  test('"nothing was saved" is not said where it is not known', () => {
    const told = problemOfDatabase(new UnknownOutcome(new Error('gone')));
    expect([told?.status, told?.type]).toEqual([503, 'unknown-outcome']);
    expect(told?.detail).not.toMatch(/nothing was saved/i);
  });
});

describe('one transaction, one connection', () => {
  test('work inside cannot ask for a second', async () => {
    const ask = inTransaction(factory.database, () => factory.database.query('select 1'));
    await expect(ask).rejects.toThrow(SecondConnection);
    const own = inTransaction(factory.database, async ({ manager: inside, commitWith }) => {
      await commitWith(NOTHING);
      return inside !== factory.database.manager;
    });
    expect(await own).toBe(true);
    expect(await factory.database.query('select 1 as one')).toEqual([{ one: 1 }]);
  });
  test('a commit whose connection is gone is told as not known; before it was sent, nothing was saved', async () => {
    const killer = new pg.Client({ connectionString: process.env['DATABASE_URL'] ?? '' });
    await killer.connect();
    const lost = async (before: string, last: string) => {
      let killed: Promise<unknown> = Promise.resolve();
      const fault = await inTransaction(factory.database, async ({ client, commitWith }) => {
        const { rows } = await client.query<{ pid: number }>('select pg_backend_pid() as pid');
        await client.query(before);
        const sent = commitWith({ text: last });
        killed = new Promise((resolve) => setTimeout(resolve, 150)).then(() =>
          killer.query('select pg_terminate_backend($1)', [rows[0]?.pid]),
        );
        await sent;
      }).catch((error: unknown) => error);
      // The one who is killed may hear of it before the killer.
      await killed;
      return fault;
    };
    // A check that is put off to the commit makes the commit take its time.
    const slowCommit = `create temp table late (n int);
      create function pg_temp.late() returns trigger language plpgsql as $$ begin perform pg_sleep(2); return null; end $$;
      create constraint trigger late after insert on late deferrable initially deferred for each row execute function pg_temp.late()`;
    expect(await lost(slowCommit, 'insert into late values (1)')).toBeInstanceOf(UnknownOutcome);
    const before = await lost('select 1', 'select pg_sleep(2)');
    expect([before instanceof UnknownOutcome, faultOf(before)]).toEqual([false, 'gone']);
    await killer.end();
    expect((await manager.get('/session')).status).toBe(200);
  });
  test('a connection that breaks between two queries is told as gone', async () => {
    const killer = new pg.Client({ connectionString: process.env['DATABASE_URL'] ?? '' });
    await killer.connect();
    const broken = inTransaction(factory.database, async ({ manager: inside, client }) => {
      const { rows } = await client.query<{ pid: number }>('select pg_backend_pid() as pid');
      const over = new Promise((resolve) => client.once('end', resolve));
      await killer.query('select pg_terminate_backend($1)', [rows[0]?.pid]);
      await over;
      await inside.query('select 1');
    });
    const fault: unknown = await broken.catch((error: unknown) => error);
    expect([faultOf(fault), problemOfDatabase(fault)?.status]).toEqual(['gone', 503]);
    await killer.end();
  });
  test('a deadlock is done again, until it is carried out', async () => {
    await factory.database.query(`insert into setting (key, value) values ('left', '0'), ('right', '0') on conflict do nothing`);
    let met = 0;
    const both = (first: string, second: string) =>
      inTransaction(factory.database, async ({ client, commitWith }) => {
        met++;
        const take = `update setting set value = to_jsonb((value::text)::int + 1) where key = $1`;
        await client.query(take, [first]);
        await new Promise((resolve) => setTimeout(resolve, 150));
        await client.query(take, [second]);
        await commitWith(NOTHING);
      });
    await Promise.all([both('left', 'right'), both('right', 'left')]);
    expect(met).toBeGreaterThan(2);
    expect(await factory.database.query(`select value from setting where key in ('left', 'right')`)).toEqual([{ value: 2 }, { value: 2 }]);
    await factory.database.query(`delete from setting where key in ('left', 'right')`);
  });
});

test('a statement, a lock and an idle transaction each come to an end', async () => {
  const shown = async (name: string) => (await factory.database.query<Record<string, string>[]>(`show ${name}`))[0]?.[name];
  expect(await Promise.all(['statement_timeout', 'lock_timeout', 'idle_in_transaction_session_timeout'].map(shown))).toEqual([
    '20s',
    '8s',
    '20s',
  ]);
  const stuck = factory.database.transaction(async (inside) => {
    await inside.query(`set local statement_timeout = '50ms'`);
    await inside.query('select pg_sleep(5)');
  });
  const fault: unknown = await stuck.catch((error: unknown) => error);
  expect([faultOf(fault), problemOfDatabase(fault)?.status]).toEqual(['timeout', 503]);
});

describe('many at once', () => {
  test('fourteen releases of one lot: one goes through, the others are told, nobody waits for a connection', async () => {
    const lot = await releasedLot(factory, manager);
    const { version } = (await manager.get(`/lots/${lot}`)).body.lot;
    const began = performance.now();
    const answers = await Promise.all(
      Array.from({ length: 14 }, () => manager.post(`/lots/${lot}/release`, { version, overrideReason: 'once more' })),
    );
    expect(answers.map((a) => a.status)).toEqual(Array.from({ length: 14 }, () => 422));
    expect(performance.now() - began).toBeLessThan(4000);
  });
  test('two administrators who demote each other: one of them stays', async () => {
    const admin = await factory.as('admin');
    const made = await admin.post('/people', {
      name: 'Second',
      skills: [],
      account: { login: 'second', role: 'admin', password: 'a long quiet evening' },
    });
    expect(made.status).toBe(200);
    const people = (await admin.get('/setup')).body.people as { id: string; name: string; version: number }[];
    const demote = (id: string) => {
      const person = people.find((p) => p.id === id);
      return admin.put(`/people/${id}`, {
        version: person?.version,
        name: person?.name,
        role: 'viewer',
        skills: [],
        away: [],
        week: null,
        active: true,
      });
    };
    const answers = await Promise.all([demote('admin'), demote('second')]);
    expect(answers.map((a) => a.status).sort()).toEqual([200, 400]);
    const left = await factory.database.query(
      `select count(*)::int as n from account join person on id = person_id where role = 'admin' and active`,
    );
    expect(left).toEqual([{ n: 1 }]);
  });
  test('two people who move between two racks, each where the other comes from', async () => {
    const lead = await factory.as('lead');
    const ids = [await startedBatch(factory, manager), await startedBatch(factory, manager)];
    const place = async (caller: Caller, id: string, carrierId: string) => {
      const { batch } = await card(manager, id);
      return caller.post(`/batches/${id}/place`, { version: batch.version, placements: [{ carrierId, pieces: 3 }] });
    };
    const [one = '', two = ''] = ids;
    for (let round = 0; round < 12; round++) {
      const [a, b] = round % 2 === 0 ? ['R01', 'R02'] : ['R02', 'R01'];
      const answers = await Promise.all([place(manager, one, a), place(lead, two, b)]);
      expect(answers.map((answer) => answer.body.detail ?? answer.status)).toEqual([200, 200]);
    }
  });
  test('two hundred different commands: no fault, and no "busy" while the database is up', async () => {
    const lead = await factory.as('lead');
    const batch = await startedBatch(factory, manager);
    const { version } = (await card(manager, batch)).batch;
    const lots = await Promise.all([1, 2, 3].map(() => releasedLot(factory, manager)));
    const acts = Array.from({ length: 200 }, (_, i) => {
      const lot = lots[i % 3] ?? '';
      switch (i % 8) {
        case 0:
          return manager.post('/orders', { modelId: 'weirstone', quantity: 1, customer: `Customer ${i}`, dueMs: 1_790_000_000_000 + i });
        case 1:
          return manager.post('/lots', {
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
          });
        case 2:
          return manager.post(`/batches/${batch}/hold`, { version, reason: `look at it ${i}` });
        case 3:
          return manager.post('/batches', { modelId: 'weirstone', component: 'body', quantity: 1, lotId: lot, orderId: null });
        case 4:
          return lead.post(`/lots/${lot}/readings`, { version: 1 + (i % 5), text: '8.4 8.5', woodTempC: 20, meter: 'pinless' });
        case 5:
          return manager.put('/settings/serial', { template: `{YY}{DDD}{MODEL}{SEQ${2 + (i % 3)}}`, reset: 'day' });
        case 6:
          return manager.post(`/batches/${batch}/place`, { version, placements: [{ carrierId: `R0${1 + (i % 4)}`, pieces: 1 }] });
        default:
          return lead.get('/morning');
      }
    });
    const statuses = (await Promise.all(acts)).map((a) => a.status);
    expect(statuses.filter((s) => s >= 500)).toEqual([]);
    expect(statuses.filter((s) => s === 200).length).toBeGreaterThan(80);
  });
});
