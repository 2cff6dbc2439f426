import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { openFactory, type Caller, type TestFactory } from '../test/factory.ts';

let factory: TestFactory;
let manager: Caller;

beforeAll(async () => {
  factory = await openFactory();
  manager = await factory.as('manager');
});
afterAll(() => factory.close());

const setup = async () => (await manager.get('/setup')).body;
const moisture = async (over: object) => manager.put('/settings/moisture', { ...(await setup()).moisture, ...over });

describe('the demo factory as it is set up', () => {
  test('has six models of different construction on routes that can be run', async () => {
    const { models } = await setup();
    const sold = models.filter((m: { steps: { kind: string }[] }) => m.steps.some((s) => s.kind === 'dispatch'));
    expect(sold).toHaveLength(6);
    expect(new Set(sold.map((m: { construction: string }) => m.construction)).size).toBe(6);
    for (const model of sold) {
      expect(model.steps.length).toBeGreaterThan(10);
      expect(model.steps.at(-1).kind).toBe('dispatch');
      for (const step of model.steps) if (step.kind === 'dwell') expect(step.rules.length).toBeGreaterThan(0);
    }
    expect(sold.filter((m: { components: string[] }) => !m.components.includes('neck')).length).toBeGreaterThanOrEqual(2);
  });
  test('has about two dozen people, stations within the hall’s means, and the climates of five rooms and a cabinet', async () => {
    const { people, stations, zones, skills } = await setup();
    expect(people).toHaveLength(24);
    const work = stations.filter((s: { kind: string }) => s.kind === 'work');
    expect(stations.length).toBeGreaterThanOrEqual(20);
    expect(work.length).toBeLessThanOrEqual(26);
    expect(zones).toHaveLength(6);
    const needed = new Set(
      (await setup()).models.flatMap((m: { steps: { skill: string | null }[] }) => m.steps.flatMap((s) => s.skill ?? [])),
    );
    for (const skill of needed) expect(skills.find((s: { skill: string }) => s.skill === skill)?.holders.length).toBeGreaterThan(0);
  });
  test('never tells a password, nor its hash', async () => {
    expect(JSON.stringify(await setup())).not.toMatch(/argon2|password/i);
  });
});

describe('rules for wood', () => {
  test('a fixed band takes the place of the shop’s own, at once and for everyone', async () => {
    const lot = await manager.post('/lots', {
      species: 'red alder',
      form: 'rough lumber',
      use: 'body',
      thicknessMm: 45,
      volumeM3: 1,
      supplier: 'Calder',
      origin: 'Oregon',
      permit: null,
      restricted: false,
      zoneId: 'wood',
    });
    const bandOf = async () => (await manager.get(`/lots/${lot.body.id}`)).body.lot.band;
    const shop = await bandOf();
    expect(shop.high - shop.low).toBeCloseTo(2, 6);
    expect((await moisture({ bandSchool: 'fixed', fixedLowPct: 6, fixedHighPct: 8 })).status).toBe(200);
    expect(await bandOf()).toEqual({ low: 6, high: 8 });
    await moisture({ bandSchool: 'shop', halfWidthPct: 0.5 });
    const narrow = await bandOf();
    expect(narrow.high - narrow.low).toBeCloseTo(1, 6);
    await moisture({ halfWidthPct: 1 });
  });
  test('the calendar school asks only for days', async () => {
    await moisture({ gateSchool: 'calendar' });
    const [lot] = (await manager.get('/lots')).body;
    expect(lot.findings.map((f: { rule: string }) => f.rule)).toEqual(['elapsed']);
    await moisture({ gateSchool: 'both' });
    const [both] = (await manager.get('/lots')).body;
    expect(both.findings.map((f: { rule: string }) => f.rule)).toEqual(['elapsed', 'inBand', 'spread', 'gradient', 'stable']);
    await moisture({ gateSchool: 'meter' });
  });
  test.each([
    ['a band upside down', { fixedLowPct: 9, fixedHighPct: 8 }, 'fixedHighPct'],
    ['a school that does not exist', { gateSchool: 'feeling' }, 'gateSchool'],
    ['no readings at all', { readingsNeeded: 0 }, 'readingsNeeded'],
    ['a negative spread', { spreadLimitPct: -1 }, 'spreadLimitPct'],
  ])('%s is refused', async (_, over, field) => {
    const answer = await moisture(over);
    expect(answer.status).toBe(400);
    expect(answer.body.fields.map((f: { field: string }) => f.field)).toContain(field);
  });
});

describe('stations and people', () => {
  test('a change is kept with what was there before', async () => {
    const station = (await setup()).stations.find((s: { code: string }) => s.code === 'FN5');
    const put = (places: number, version: number) => manager.put('/stations/FN5', { version, name: station.name, places });
    expect((await put(2, station.version)).status).toBe(200);
    expect((await put(3, station.version)).status).toBe(409);
    expect((await setup()).stations.find((s: { code: string }) => s.code === 'FN5')).toMatchObject({
      places: 2,
      version: station.version + 1,
    });
    const [logged] = await factory.database.query(
      `select payload from logbook where kind = 'setup.changed' and payload->>'id' = 'FN5' order by id desc limit 1`,
    );
    expect(logged.payload).toMatchObject({ what: 'station', before: { places: station.places }, after: { places: 2 } });
  });
  test('a new person signs in and does what their role may', async () => {
    const body = {
      name: 'Wren Halloran',
      skills: [{ skill: 'fretting', level: 2, since: null, until: null }],
      account: { login: 'wren', role: 'operator', password: 'plank vellum harbour' },
    };
    expect((await manager.post('/people', body)).status).toBe(200);
    const wren = await factory.as('wren', 'plank vellum harbour');
    expect((await wren.get('/session')).body).toMatchObject({ name: 'Wren Halloran', role: 'operator' });
    expect((await wren.post('/people', { ...body, account: { ...body.account, login: 'other' } })).status).toBe(403);
    const again = await manager.post('/people', body);
    expect(again.body.fields).toEqual([{ field: 'account.login', message: 'Somebody is on record as wren already; choose another name' }]);
  });
  test('a password too short to guard anything is refused, and no half of the person is kept', async () => {
    const answer = await manager.post('/people', {
      name: 'Kit',
      skills: [],
      account: { login: 'kit', role: 'operator', password: 'short' },
    });
    expect(answer.status).toBe(400);
    expect((await setup()).people.some((p: { login: string }) => p.login === 'kit')).toBe(false);
  });
  test('a skill held by one person alone is known by their name', async () => {
    const { skills } = await setup();
    expect(skills.find((s: { skill: string }) => s.skill === 'binding').holders).toEqual(['Lena Fairclough-Diaz']);
  });
  test('the same key for another request is refused, for the same it is answered alike', async () => {
    const headers = { 'Idempotency-Key': 'setup-once' };
    const body = { name: 'Tarn Osgood', skills: [], account: { login: 'tarn', role: 'viewer', password: 'plank vellum harbour' } };
    expect((await manager.post('/people', body, headers)).status).toBe(200);
    expect((await manager.post('/people', body, headers)).body).toEqual({ id: 'tarn' });
    expect((await manager.post('/people', { ...body, name: 'Another' }, headers)).status).toBe(422);
  });
});

describe('serial patterns', () => {
  const put = (template: string, reset: string) => manager.put('/settings/serial', { template, reset });
  test('one that tells its period apart is taken, and its example shown', async () => {
    expect((await put('{YYYY}-{MODEL}-{SEQ4}{CHECK}', 'year')).status).toBe(200);
    expect((await setup()).serialExample).toMatch(/^2026-[A-Z]{2}-0001\d$/);
  });
  test.each([
    ['{MODEL}{SEQ3}', 'day'],
    ['{YY}{WW}{SEQ3}', 'day'],
    ['{YY}{DDD}', 'day'],
    ['{YY}{NOPE}{SEQ3}', 'year'],
    ['', 'year'],
  ])('%s by %s is refused', async (template, reset) => {
    const answer = await put(template, reset);
    expect(answer.status).toBe(400);
    expect(answer.body.fields[0].field).toBe('template');
  });
});

describe('a person’s own choices', () => {
  test('units and theme stay with the person, not with the browser', async () => {
    const viewer = await factory.as('viewer');
    const units = { length: 'in', mass: 'oz', temperature: 'F', lumber: 'bf' };
    expect((await viewer.patch('/session', { units, theme: 'booth' })).status).toBe(200);
    expect((await (await factory.as('viewer')).get('/session')).body).toMatchObject({ units, theme: 'booth' });
    expect((await manager.get('/session')).body.theme).toBe('paper');
    expect((await viewer.patch('/session', { theme: 'pink' })).status).toBe(400);
  });
});
