import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { ownerDataSource } from '../database.ts';
import { openFactory, startedBatch, type Caller, type TestFactory } from '../test/factory.ts';
import { undoThrough } from '../test/migrations.ts';
import type { PersonView } from './people.dto.ts';

let factory: TestFactory;
let manager: Caller;
beforeAll(async () => {
  factory = await openFactory('setup');
  manager = await factory.as('manager');
});
afterAll(() => factory.close());

const buffing = { skill: 'buffing', level: 2, since: null, until: null };
const seen = async (id: string) => {
  const { people } = (await manager.get('/setup')).body as { people: PersonView[] };
  const person = people.find((p) => p.id === id);
  if (!person) throw new Error(`Nobody is ${id}`);
  return person;
};
const change = async (id: string, over: object, as = manager) => {
  const { version, name, role, skills, away, week, active } = await seen(id);
  return as.put(`/people/${id}`, { version, name, ...(role === null ? {} : { role }), skills, away, week, active, ...over });
};

describe('people', () => {
  const newcomer = (role: string) => ({
    name: 'New Comer',
    skills: [buffing],
    account: { login: 'newcomer', role, password: 'long enough' },
  });
  test('nobody grants more than they have, and the last administrator stays', async () => {
    expect((await manager.post('/people', newcomer('admin'))).status).toBe(403);
    expect((await manager.post('/people', newcomer('operator'))).status).toBe(200);
    expect((await manager.post('/people', newcomer('operator'))).body.fields[0].field).toBe('account.login');
    const admin = await factory.as('admin');
    expect((await change('admin', { role: 'manager' }, admin)).body.detail).toMatch(/last administrator/);
  });
  test('who leaves is signed out', async () => {
    const viewer = await factory.as('viewer');
    expect((await change('viewer', { active: false })).status).toBe(200);
    expect((await viewer.get('/session')).status).toBe(401);
  });
  test('somebody may work here without signing in, and be given a sign-in later', async () => {
    const made = await manager.post('/people', { name: 'Åsa Lind', skills: [buffing], account: null });
    expect(made.body).toEqual({ id: 'asa.lind' });
    expect((await manager.post('/people', { name: 'Asa Lind', skills: [], account: null })).body).toEqual({ id: 'asa.lind.2' });
    expect(await seen('asa.lind')).toMatchObject({ login: null, role: null, skills: [buffing] });
    expect((await change('asa.lind', { role: 'lead' })).body.fields[0].field).toBe('role');
    expect((await change('manager', { role: undefined })).body.fields[0].field).toBe('role');
    const account = { login: 'asa', role: 'operator', password: 'long enough' };
    const give = async (over: object = {}) =>
      manager.post('/people/asa.lind/account', { ...account, version: (await seen('asa.lind')).version, ...over });
    expect((await give({ role: 'admin' })).status).toBe(403);
    expect((await give({ login: 'manager' })).body.fields[0].field).toBe('login');
    expect((await give({ version: 99 })).status).toBe(409);
    expect((await give()).status).toBe(200);
    expect((await give()).body.fields[0].field).toBe('login');
    expect((await (await factory.as('asa', 'long enough')).get('/session')).body).toMatchObject({ name: 'Åsa Lind', role: 'operator' });
  });
  test.each([
    ['a skill twice', { skills: [buffing, buffing] }, 'skills'],
    ['a skill that ends before it begins', { skills: [{ ...buffing, since: '2026-05-02', until: '2026-05-01' }] }, 'skills'],
    ['a day there is not', { skills: [{ ...buffing, until: '2026-02-30' }] }, 'skills.0.until'],
    ['a level there is not', { skills: [{ ...buffing, level: 4 }] }, 'skills.0.level'],
    ['an absence that ends first', { away: [{ fromMs: 1_790_000_000_000, toMs: 1_790_000_000_000 }] }, 'away'],
    ['a shift that lasts no time', { week: { days: [1], startsAt: '22:00', endsAt: '22:00' } }, 'week'],
    ['a day that no week has', { week: { days: [8], startsAt: '07:00', endsAt: '15:00' } }, 'week.days'],
    ['no clock time', { week: { days: [1], startsAt: '7', endsAt: '15:00' } }, 'week.startsAt'],
  ])('%s is refused', async (_, over, field) => {
    const { body, status } = await change('newcomer', over);
    expect([status, body.fields[0].field]).toEqual([400, field]);
  });
  test('two who change the same person: the second is told', async () => {
    const { version } = await seen('newcomer');
    const answers = await Promise.all([change('newcomer', { name: 'One', version }), change('newcomer', { name: 'Two', version })]);
    expect(answers.map((a) => a.status).sort()).toEqual([200, 409]);
  });
});

test('a skill that has run out starts no work', async () => {
  const batch = await startedBatch(factory, manager);
  const { version, skill } = (await manager.get(`/batches/${batch}`)).body.batch as { version: number; skill: string };
  const start = () => manager.post(`/batches/${batch}/start`, { version, personId: 'newcomer' });
  await change('newcomer', { skills: [{ skill, level: 2, since: null, until: '2020-01-01' }] });
  expect((await start()).body).toMatchObject({ fields: [{ field: 'personId' }] });
  await change('newcomer', { skills: [{ skill, level: 2, since: '2020-01-01', until: null }] });
  expect((await start()).status).toBe(200);
});

test('a factory from before accounts is carried over, and back', async () => {
  const older = await openFactory('setup');
  const owner = await ownerDataSource().initialize();
  try {
    const told = () =>
      owner.query(`select id, name, skills, away, active, login, role, password_hash, units, theme
        from person left join account on person_id = id order by id`);
    await owner.query(`update person set skills = '[{"skill":"buffing","level":3,"since":null,"until":null}]' where id = 'lead'`);
    await owner.query(`insert into person (id, name, skills, away) values ('guest', 'Guest', '[]', '[]')`);
    const before = await told();
    await undoThrough(owner, 'People1700000000006');
    const [lead] = await owner.query(`select skills, skill_levels, login from person where id = 'lead'`);
    expect(lead).toEqual({ skills: ['buffing'], skill_levels: { buffing: 3 }, login: 'lead' });
    await owner.runMigrations();
    expect(await told()).toEqual(before);
  } finally {
    await owner.destroy();
    await older.close();
  }
});
