import { afterAll, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import { ClimateService } from '../climate/climate.service.ts';
import { DAY, openFactory, type Caller, type TestFactory } from '../test/factory.ts';

let factory: TestFactory;
let manager: Caller;
let operator: Caller;
let lotId = '';

const LOT = {
  species: 'sugar maple',
  form: 'neck blanks',
  use: 'neck',
  thicknessMm: 27,
  volumeM3: 0.2,
  supplier: 'Calder',
  origin: 'Vermont',
  permit: null,
  restricted: false,
  zoneId: 'wood',
  papersPct: 10,
  place: 'Bay 3',
};

beforeAll(async () => {
  factory = await openFactory();
  manager = await factory.as('manager');
  operator = await factory.as('operator');
});
afterAll(() => factory.close());
beforeEach(async () => {
  lotId = (await manager.post('/lots', LOT)).body.id;
});

const card = async () => (await manager.get(`/lots/${lotId}`)).body;
const listed = async () => (await manager.get('/lots?states=drying')).body.find((l: { id: string }) => l.id === lotId);
const read = async (text: string, over: object = {}) =>
  operator.post(`/lots/${lotId}/readings`, { version: (await card()).lot.version, text, woodTempC: 20, meter: 'pinless', ...over });
const days = (ms: number | null) => (ms === null ? null : (ms - factory.clock.nowMs()) / DAY);

describe('a lot that dries', () => {
  test('is forecast by the prior, then by its own sessions, with an interval that narrows', async () => {
    expect((await listed()).ready).toBeNull();
    await read('14 14.2 13.8 14 c14.8');
    const first = (await listed()).ready;
    expect(first).toMatchObject({ kind: 'on its way', basis: 'prior' });
    expect(first.earlyMs).toBeLessThan(first.likelyMs);
    expect(first.lateMs).toBeGreaterThan(first.likelyMs);
    for (const values of ['12.2 12.4 12.1 12.3 c13', '10.9 11.1 10.8 11 c11.6', '10.1 10.2 10 10.1 c10.6']) {
      factory.clock.pass(9 * DAY);
      await read(values);
    }
    const { ready } = await listed();
    expect(ready.basis).not.toBe('prior');
    expect(ready.lateMs - ready.earlyMs).toBeLessThan(first.lateMs - first.earlyMs);
    // From 14 to 10.1 in 27 days towards about 8.4: a rate near ln(5.6/1.7)/27.
    expect(ready.ratePerDay).toBeGreaterThan(0.035);
    expect(ready.ratePerDay).toBeLessThan(0.055);
    expect(days(ready.likelyMs)).toBeLessThan(20);
  });
  test('shows its curve, the air it lay in and a session that does not fit', async () => {
    for (const values of ['14 14.2 13.9', '12.5 12.7 12.4', '16.5 16.7 16.4', '10.6 10.7 10.5', '9.9 10 9.8']) {
      await read(values);
      factory.clock.pass(10 * DAY);
    }
    const { drying, sessions } = await card();
    expect(drying.oddSessions).toEqual([sessions[2].id]);
    expect(drying.curve.length).toBeGreaterThan(20);
    expect(drying.emc.length).toBeGreaterThan(40);
    expect(drying.rateLowPerDay).toBeLessThan(drying.outlook.ratePerDay);
    expect(drying.outlook.fan).toHaveLength(31);
  });
  test('can be asked what other air would do, and refuses air there is not', async () => {
    await read('14 14.2 13.8 14 c14.8');
    const ask = (query: string) => manager.get(`/lots/${lotId}/outlook?${query}`);
    const damp = (await ask('tempC=21&relativeHumidity=0.7')).body;
    expect(damp).toMatchObject({ kind: 'not in this room', likelyMs: null });
    const dry = (await ask('tempC=30&relativeHumidity=0.3')).body;
    expect(dry.pastBandMs).not.toBeNull();
    expect((await ask('tempC=21&relativeHumidity=45')).body.fields[0].field).toBe('relativeHumidity');
    expect((await ask('tempC=hot&relativeHumidity=0.4')).status).toBe(400);
  });
  test('moved to another room is forecast for that room, and remembers where it lay', async () => {
    await read('14 14.2 13.8 14 c14.8');
    factory.clock.pass(DAY);
    const move = async (over: object) =>
      operator.post(`/lots/${lotId}/move`, { version: (await card()).lot.version, zoneId: 'shed', place: null, scheduleId: null, ...over });
    expect((await move({ zoneId: 'attic' })).body.fields[0].field).toBe('zoneId');
    expect((await move({ scheduleId: 'nothing' })).body.fields[0].field).toBe('scheduleId');
    expect((await move({})).status).toBe(200);
    expect((await move({})).status).toBe(400);
    expect((await listed()).ready.kind).toBe('not in this room');
    factory.clock.pass(DAY);
    expect((await move({ zoneId: 'cabinet', scheduleId: 'cabinet', place: 'Shelf 2' })).status).toBe(200);
    const { lot, stays } = await card();
    expect(lot).toMatchObject({ zoneId: 'cabinet', place: 'Shelf 2', scheduleId: 'cabinet' });
    expect(stays.map((s: { zoneId: string }) => s.zoneId)).toEqual(['wood', 'shed', 'cabinet']);
    expect((await listed()).ready.kind).not.toBe('not in this room');
  });
  test('is described better later, and a stale description is refused', async () => {
    const { lot } = await card();
    const describe = (body: object) => operator.post(`/lots/${lotId}/describe`, body);
    expect((await describe({ version: lot.version, grade: 'A', papersPct: 9.5 })).status).toBe(200);
    expect((await describe({ version: lot.version, grade: 'B' })).status).toBe(409);
    expect((await describe({ version: lot.version + 1 })).status).toBe(400);
    expect((await describe({ version: lot.version + 1, papersPct: -2 })).body.fields[0].field).toBe('papersPct');
    expect((await card()).lot).toMatchObject({ grade: 'A', papersPct: 9.5, place: 'Bay 3' });
  });
});

describe('moisture by weight', () => {
  test('an oven test keeps both masses', async () => {
    expect((await read('112/100 c114/100', { meter: 'oven' })).status).toBe(200);
    const [session] = (await card()).sessions;
    expect(session.readings).toMatchObject([
      { depth: 'shell', correctedPct: 12, massG: 112, dryMassG: 100 },
      { depth: 'core', correctedPct: 14 },
    ]);
  });
  test('a sample board is begun once and weighed after', async () => {
    const unknown = await read('S1=1085', { meter: 'sample board' });
    expect(unknown.body.detail).toMatch(/has not been begun/);
    await read('S1=1190@19', { meter: 'sample board' });
    await read('s1=1085', { meter: 'sample board' });
    const { sessions, samples } = await card();
    expect(samples).toEqual([{ name: 'S1', dryMassG: 1000 }]);
    expect(sessions[1].readings[0].correctedPct).toBeCloseTo(8.5, 2);
  });
  test('a mass that cannot be is refused by its field', async () => {
    for (const [text, meter] of [
      ['90/100', 'oven'],
      ['310/100', 'oven'],
      ['100', 'oven'],
      ['S1=0@10', 'sample board'],
      ['S1=1000@400', 'sample board'],
    ])
      expect((await read(text ?? '', { meter })).body.fields[0].field).toBe('text');
  });
});

describe('rules of their own', () => {
  const put = (exceptions: object[]) => manager.put('/settings/moisture-exceptions', { exceptions });
  afterAll(() => put([]));
  test('hold for their use and no other', async () => {
    const { moisture } = (await manager.get('/setup')).body;
    const necks = { ...moisture, use: 'neck', form: null, bandSchool: 'fixed', fixedLowPct: 6, fixedHighPct: 8 };
    expect((await put([necks])).status).toBe(200);
    expect(await listed()).toMatchObject({ band: { low: 6, high: 8 }, rulesOf: 'any form for neck' });
    const other = (await manager.post('/lots', { ...LOT, use: 'body' })).body.id;
    expect((await manager.get(`/lots/${other}`)).body.lot.rulesOf).toBe('the factory');
    await put([necks, { ...necks, form: 'neck blanks', fixedLowPct: 5 }]);
    expect(await listed()).toMatchObject({ band: { low: 5, high: 8 }, rulesOf: 'neck blanks for neck' });
  });
  test('that say nothing, everything twice or upside down are refused', async () => {
    const { moisture } = (await manager.get('/setup')).body;
    const rule = { ...moisture, use: 'neck', form: null };
    expect((await put([rule, rule])).body.detail).toMatch(/two rules for any form for neck/);
    expect((await put([{ ...rule, use: null }])).body.fields[0].field).toBe('exceptions.0.use');
    expect((await put([{ ...rule, fixedLowPct: 9, fixedHighPct: 7 }])).body.fields[0].field).toBe('exceptions.0.fixedHighPct');
    expect((await put([{ ...rule, use: 'firewood' }])).status).toBe(400);
  });
  test('of the meters correct a species, and the reading keeps them', async () => {
    const { species } = (await manager.get('/setup')).body;
    const meter = { a: 1.1, b: 0.5, densityOffsetPct: 1.5 };
    await manager.put('/settings/species', {
      species: species.map((s: { name: string; sources: object }) =>
        s.name === 'sugar maple' ? { ...s, meter, sources: { ...s.sources, meter: 'handbook' } } : s,
      ),
    });
    await read('10', { meter: 'pin' });
    await read('10', { meter: 'pinless' });
    const { sessions } = await card();
    expect(sessions[0].readings[0].correctedPct).toBeCloseTo((9.99 - 0.5) / 1.1, 1);
    expect(sessions[1].readings[0].correctedPct).toBe(8.5);
    await manager.put('/settings/species', { species });
  });
});

describe('a logger’s file', () => {
  const line = (text: string) => `${text};20,4;46`;
  // Dublin's clocks went forward on 29 March 2026, after this factory's present; they went back on 26 October 2025.
  const csv = [
    'Date Time;Temp °C;RH %',
    line('26/10/2025 00:30'),
    line('26/10/2025 01:30'),
    line('26/10/2025 01:30'),
    line('26/10/2025 02:30'),
    line('27/10/2025 09:00'),
    'soon;20;46',
    line('27/10/2027 09:00'),
  ].join('\n');
  test('tells its gap, its clock change and its bad lines before anything is taken', async () => {
    const { body } = await operator.file('/air/log/preview', { zoneId: 'wood', csv });
    expect(body).toMatchObject({ good: 5, clock: 'local', saved: false, remembered: false });
    expect(body.gaps).toHaveLength(1);
    expect(body.clockChanges).toHaveLength(1);
    expect(body.problems.map((p: { line: number }) => p.line)).toEqual([7, 8]);
    expect((body.toMs - body.fromMs) / 3_600_000).toBe(33.5);
  });
  test('replaces what was known, is taken once, and its columns are remembered', async () => {
    const key = { 'Idempotency-Key': 'logger-1' };
    const take = () => manager.file('/air/log/import', { zoneId: 'wood', csv }, key);
    expect((await take()).body).toMatchObject({ good: 5, saved: true });
    expect((await take()).status).toBe(200);
    const { body } = await operator.file('/air/log/preview', { zoneId: 'wood', csv });
    expect(body).toMatchObject({ remembered: true, replaced: 5 });
    expect((await manager.get('/air/wood?days=400')).body.silences.some((s: { pct: number }) => Math.round(s.pct) === 31)).toBe(true);
  });
  test('leaves what the zone’s log held where the file is silent', async () => {
    const at = (hours: number) => new Date(factory.clock.nowMs() - hours * 3_600_000).toISOString();
    const take = (...lines: string[]) => manager.file('/air/log/import', { zoneId: 'wood', csv: ['time;temp;rh', ...lines].join('\n') });
    await take(...[40, 35, 30, 25, 20].map((h) => `${at(h)};21;41`));
    const { body } = await take(`${at(41)};21;61`, `${at(39)};21;61`, `${at(22)};21;61`, `${at(19)};21;61`);
    expect(body).toMatchObject({ replaced: 2, saved: true });
    expect(body.gaps).toHaveLength(1);
    const rows = await factory.database.query(
      `select round(relative_humidity::numeric, 2)::float8 as rh from zone_reading where zone_id = 'wood' and at between $1 and $2 and temp_c = 21 order by at`,
      [at(41.5), at(18.5)],
    );
    expect(rows.map((r: { rh: number }) => r.rh)).toEqual([0.61, 0.61, 0.41, 0.41, 0.41, 0.61, 0.61]);
  });
  test('changes what is told of lots that lay in that air', async () => {
    factory.clock.pass(5 * DAY);
    await read('12 12.2 11.9');
    factory.clock.pass(20 * DAY);
    await read('11 11.1 10.9');
    factory.clock.pass(DAY);
    await factory.app.get(ClimateService).readSensors();
    const before = await card();
    const from = factory.clock.nowMs() - 24 * DAY;
    const damp = ['time;temp;rh'].concat(Array.from({ length: 8 * 24 }, (_, h) => `${new Date(from + h * 3_600_000).toISOString()};21;80`));
    expect((await manager.file('/air/log/import', { zoneId: 'wood', csv: damp.join('\n') })).status).toBe(200);
    const after = await card();
    expect(after.drying.excursions.length).toBeGreaterThan(before.drying.excursions.length);
    expect(after.drying.outlook.nowPct).not.toBeCloseTo(before.drying.outlook.nowPct, 3);
    const { excursions } = (await manager.get('/air/wood?days=30')).body;
    expect(excursions[0].satThrough.lots).toContain(lotId);
  });
  test.each([
    ['of no zone', { zoneId: 'attic', csv }, 'zoneId'],
    ['of nothing', { zoneId: 'wood', csv: '' }, 'csv'],
    ['without its columns', { zoneId: 'wood', csv: 'a;b\n1;2' }, 'csv'],
    [
      'with columns it has not',
      { zoneId: 'wood', csv, columns: { time: 'Date Time', temp: 'Temp °C', humidity: 'Damp', tempUnit: 'C', humidityUnit: 'percent' } },
      'columns',
    ],
  ])('%s is refused by its field', async (_, body, field) => {
    const answer = await operator.file('/air/log/preview', body);
    expect(answer.status).toBe(400);
    expect(answer.body.fields[0].field).toBe(field);
  });
});

test('the label and the report are PDFs that open by themselves', async () => {
  await read('12 12.2 11.9 c12.8');
  for (const paper of ['label', 'report']) {
    const answer = await manager.get(`/lots/${lotId}/${paper}.pdf`);
    expect(answer.status).toBe(200);
    expect(answer.headers['content-type']).toBe('application/pdf');
    expect(String(answer.body).slice(0, 5)).toBe('%PDF-');
  }
});
