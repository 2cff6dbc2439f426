import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { describe as describeApi } from './create.ts';
import { advanceTo, card, DAY, LOT, openFactory, type Caller, type TestFactory } from './test/factory.ts';
import { PlanWatch, type Read } from './test/plans.ts';

// No request reads history. A factory of a hundred thousand entries is asked everything there is to ask, and does what
// there is to do; what was looked at for it in the database must be in proportion to what is said, and to the open work
// that this speaks of.

/** Rows that are never too many, and for each thing that is told. */
const AT_LEAST = 50;
const EACH = 20;
/** Totals are counted so far. */
const COUNTED_MOST = 1001;
/** Of a batch, its pieces, and what happened to them. */
const COMMAND_MOST = 400;

/** Tables that grow with what the factory is, not with what happens in it. */
const SET_UP = [
  'account',
  'bench_credential',
  'carrier',
  'cutter',
  'cutter_use',
  'device',
  'device_now',
  'machine',
  'program',
  'rig_count',
  'run_times',
  'step_times',
  'dimension',
  'instrument_study',
  'load_order',
  'material',
  'model',
  'person',
  'prerequisite',
  'route',
  'setting',
  'station',
  'zone',
];

/** What is open, and may be looked at whole where an answer is about all of it. */
const OPEN = {
  batches: `with open as (select id, visit_id from batch where status <> 'done')
    select (select count(*) from open) + (select count(*) from visit where id in (select visit_id from open)) + (select count(*) from piece where batch_id in (select id from open))`,
  wood: `select (select count(*) from lot where left_m3 > 0) + (select count(*) from blank where state = 'free') + (select count(*) from board where state = 'whole')
    + (select count(*) from piece where component <> 'instrument' and state in ('good', 'rework'))`,
  orders: `with open as (select id from customer_order where shipped < quantity)
    select (select count(*) from open) + (select count(*) from batch where order_id in (table open)) + (select count(*) from instrument where order_id in (table open))
      + (select count(*) from piece p join batch b on b.id = split_part(p.id, '-', 1) where b.order_id in (table open))`,
  // Four weeks of the floor by the hour: so many as there are stations and hours, whatever happened in them.
  hours: `with since as (select max(hour) - 28 * 24 as hour from station_hour)
    select (select count(*) from station_hour where hour >= (table since)) + (select count(*) from body_hour where hour >= (table since))
      + (select count(*) from lead_times where hour >= (table since))`,
  // Thirteen months of them at most, each of which is read once an hour.
  months: `select (select count(*) from station_hour) + (select count(*) from body_hour)`,
};
type Open = keyof typeof OPEN;

/** Written while they are read, however long they are. */
const FILES = ['/api/lots/histories.csv', '/api/instruments/list.csv', '/api/batches/list.csv'];
/** Not out of the database: streams, and what the process knows of itself. */
const ELSEWHERE = ['/api/events', '/api/health', '/api/health/alive', '/api/metrics', '/api/calendar/{token}.ics'];

let factory: TestFactory;
let admin: Caller;
let watch: PlanWatch;
const open = {} as Record<Open, number>;

const one = async (sql: string) => Object.values((await factory.database.query<object[]>(sql))[0] ?? {})[0] as unknown;
const first = async (sql: string) => String(await one(`${sql} limit 1`));

beforeAll(async () => {
  factory = await openFactory('long');
  watch = await PlanWatch.of(factory.database);
  admin = await factory.as('admin');
  for (const [what, sql] of Object.entries(OPEN)) open[what as Open] = Number(await one(sql));
}, 300_000);
afterAll(() => factory.close());

/** Where each answer is to be had, and what open work it speaks of beyond what it lists. */
async function questions(): Promise<Record<string, readonly [path: string, ...speaksOf: Open[]]>> {
  const batch = await first(`select id from batch where status = 'running' order by number desc`);
  const drying = await first(`select id from lot where state = 'drying' and sessions > 1 order by number desc`);
  const used = await first(`select id from lot where state = 'used up' order by number`);
  const route = await first(`select id from route where state = 'released'`);
  const order = ((await admin.get('/orders')).body as { id: string }[])[0]?.id ?? 'none';
  return {
    '/api/welcome': ['/welcome'],
    '/api/session': ['/session'],
    '/api/sessions': ['/sessions'],
    '/api/bench': ['/bench'],
    '/api/walk': ['/walk', 'batches'],
    '/api/morning': ['/morning', 'batches', 'orders', 'hours'],
    '/api/floor': ['/floor', 'batches', 'hours'],
    '/api/flow': ['/flow', 'batches', 'hours'],
    '/api/flow/classes': ['/flow/classes', 'batches', 'hours'],
    '/api/flow/months': ['/flow/months', 'months'],
    '/api/flow/price': ['/flow/price?modelId=weirstone&perWeek=10&waits=overnight'],
    '/api/find': ['/find?text=B100'],
    '/api/instruments': ['/instruments'],
    '/api/instruments/{serial}': [`/instruments/${await first(`select serial from instrument where state = 'shipped'`)}`],
    '/api/fitting': ['/fitting'],
    '/api/orders': ['/orders', 'orders'],
    '/api/orders/{id}': [`/orders/${await first('select order_id from instrument where order_id is not null')}`],
    '/api/orders/outlook': ['/orders/outlook?modelId=weirstone&quantity=6'],
    '/api/routes': ['/routes', 'batches'],
    '/api/routes/{id}': [`/routes/${route}`, 'batches'],
    '/api/routes/{id}/work': [`/routes/${route}/work`],
    '/api/stations/{code}/work': ['/stations/FN1/work', 'batches'],
    '/api/carriers': ['/carriers'],
    '/api/carriers/{id}': [`/carriers/${await first('select carrier_id from placement')}`],
    '/api/batches': ['/batches'],
    '/api/batches/{id}': [`/batches/${batch}`],
    '/api/batches/{id}/held': [`/batches/${batch}/held`],
    '/api/batches/{id}/card.pdf': [`/batches/${batch}/card.pdf`],
    '/api/lots': ['/lots'],
    '/api/lots/used-up': ['/lots/used-up'],
    '/api/lots/{id}': [`/lots/${used}`],
    '/api/lots/{id}/history.csv': [`/lots/${used}/history.csv`],
    '/api/lots/{id}/label.pdf': [`/lots/${drying}/label.pdf`],
    '/api/lots/{id}/report.pdf': [`/lots/${drying}/report.pdf`],
    '/api/lots/{id}/outlook': [`/lots/${drying}/outlook?tempC=21&relativeHumidity=0.45`],
    '/api/air/{zoneId}': ['/air/wood?days=30'],
    '/api/cutting': ['/cutting', 'orders', 'wood'],
    '/api/cutting/plans': ['/cutting/plans'],
    '/api/cutting/plans/{id}': ['/cutting/plans/none'],
    '/api/cutting/plans/{id}/list.pdf': ['/cutting/plans/none/list.pdf'],
    '/api/blanks': ['/blanks'],
    '/api/stock': ['/stock', 'orders', 'wood'],
    '/api/stock/allotment': ['/stock/allotment?modelId=weirstone&component=body', 'orders', 'wood'],
    '/api/stock/orders/{id}': [`/stock/orders/${order}`, 'orders', 'wood'],
    '/api/pictures/{id}': [`/pictures/${await first('select id from picture')}`],
    '/api/sheet-pictures/{id}': [`/sheet-pictures/${await first('select id from sheet_picture')}`],
    '/api/factory': ['/factory'],
    '/api/dimensions': ['/dimensions'],
    '/api/dimensions/chart': [
      `/dimensions/chart?size=200&id=${encodeURIComponent(await first('select id from dimension order by count desc'))}`,
    ],
    '/api/instrument-studies': ['/instrument-studies'],
    '/api/programs': ['/programs', 'orders', 'batches'],
    '/api/programs/one': [`/programs/one?id=${encodeURIComponent(await first('select id from program order by id'))}`, 'orders', 'batches'],
    '/api/cutters': ['/cutters'],
    '/api/machines': ['/machines'],
    '/api/devices': ['/devices'],
    '/api/device-values': ['/device-values?place=station%20MC1&after=0'],
    '/api/loads': ['/loads', 'batches'],
    '/api/rigs': ['/rigs', 'batches'],
    '/api/kits': ['/kits'],
    '/api/setup': ['/setup'],
    '/api/zones': ['/zones'],
  };
}

test('no answer looks at more than it tells, and the open work that it speaks of', async () => {
  const asked = await questions();
  const routes = Object.entries(describeApi(factory.app).paths).flatMap(([path, item]) => ('get' in item ? [path] : []));
  expect([...Object.keys(asked), ...FILES, ...ELSEWHERE].sort()).toEqual(routes.sort());
  const tooMuch: string[] = [];
  for (const [route, [path, ...speaksOf]] of Object.entries(asked)) {
    // What a process reads once for all is there after the first time; the second is of another moment.
    expect([route, (await admin.get(path)).status]).toEqual([route, path.includes('none') ? 404 : 200]);
    factory.clock.pass(15_000);
    const { answer, reads } = await watch.during(() => admin.get(path));
    // What is printed is told by the address it is printed from.
    const told = path.endsWith('.pdf') && answer.status === 200 ? (await admin.get(path.replace(/\/[\w.]+$/, ''))).body : answer.body;
    const counted = 'foundExactly' in answer.body ? COUNTED_MOST : 0;
    const may = AT_LEAST + EACH * thingsIn(told) + counted + speaksOf.reduce((sum, of) => sum + open[of], 0);
    const [rows, worst] = lookedAt(reads);
    if (rows > may) tooMuch.push(`${route} looked at ${rows} rows, not ${may}; most of them for ${worst}`);
  }
  expect(tooMuch).toEqual([]);
}, 300_000);

test('nothing that is done looks at more than it is about', async () => {
  const tooMuch: string[] = [];
  const give = async (what: string, path: string, body: object) => {
    factory.clock.pass(15_000);
    const { answer, reads } = await watch.during(() => admin.post(path, body));
    expect([what, answer.status, answer.status === 200 ? '' : answer.text]).toEqual([what, 200, '']);
    const [rows, worst] = lookedAt(reads);
    if (rows > COMMAND_MOST) tooMuch.push(`${what} looked at ${rows} rows; most of them for ${worst}`);
    return answer.body as { id: string; version: number };
  };
  const on = async (id: string, act: string, body: object) => {
    const { batch, workers } = await card(admin, id);
    return give(act, `/batches/${id}/${act}`, {
      version: batch.version,
      ...(['start', 'resume'].includes(act) ? { personId: workers[0]?.id } : {}),
      ...body,
    });
  };
  const cards = async (where: string) => {
    const rows = await factory.database.query<{ id: string }[]>(`select id from batch where ${where} order by number desc limit 60`);
    return Promise.all(rows.map(async ({ id }) => card(admin, id)));
  };
  const { stations } = (await admin.get('/setup')).body;
  for (const { code, name, version } of stations) await admin.put(`/stations/${code}`, { version, name, places: 500 });
  // With so many places nobody knows which machine the cutters are on.
  const cutters = (await admin.get('/cutters')).body as { id: string; state: string; version: number }[];
  for (const { id, version } of cutters.filter((c) => c.state === 'mounted')) {
    const off = { cutterId: id, version, act: 'take off', stationCode: null, bench: null, lifeMinutes: null, note: '' };
    expect((await admin.post('/cutters/log', off)).status).toBe(200);
  }
  const sprayed = await first(
    `select id from batch where status in ('queued', 'dwelling')
       and (model_id = 'millrace' and operation_id in ('b-cut', 'b-glue', 'b-clamp', 'b-machine', 'b-rest', 'b-sand', 'b-prep')
         or model_id in ('weirstone', 'lockkeeper') and operation_id in ('i-joint', 'i-clamp', 'i-prep', 'i-stain', 'i-burst', 'i-scrape'))
     order by number desc`,
  );
  const { component } = (await card(admin, sprayed)).batch;
  await advanceTo(factory, admin, sprayed, component === 'body' ? 'b-spray' : 'i-spray');
  const spray = (await card(admin, sprayed)).batch;
  await on(spray.id, 'start', {});
  await on(spray.id, 'coats', { wetUm: 100 });
  await on(spray.id, 'scuff', { grit: 320 });
  await on(spray.id, 'pause', { cause: 'break' });
  await on(spray.id, 'resume', {});
  const working = (await cards(`status = 'running'`)).find(
    (c) => c.batch.operationKind === 'work' && !c.coatPlan && c.unmeasured.length === 0,
  );
  await on(working.batch.id, 'finish', { good: working.inPass.length, rework: 0, scrap: 0, outcomes: [] });
  const dwelling = (await cards(`status = 'dwelling'`)).find((c) => c.batch.verdict === 'pass' && c.batch.placements.length === 0);
  await on(dwelling.batch.id, 'move', {});
  const lot = (await admin.get(`/lots/${await first(`select id from lot where state = 'drying' and sessions > 1 order by number desc`)}`))
    .body.lot;
  await give('read a lot', `/lots/${lot.id}/readings`, { version: lot.version, text: '8.4 8.6 c9.1', woodTempC: 20, meter: 'pin' });
  await give('receive a lot', '/lots', LOT);
  const { id: orderId } = await give('place an order', '/orders', {
    modelId: 'weirstone',
    quantity: 4,
    customer: 'Stock',
    dueMs: factory.clock.nowMs() + 90 * DAY,
  });
  const lotId = await first(
    `select id from lot where state = 'released' and use = 'body' and species = 'mahogany' and left_m3 > 0.1 order by number desc`,
  );
  await give('start a batch', '/batches', { modelId: 'weirstone', component: 'body', quantity: 4, lotId, orderId });
  // Built in one piece: it needs no counterpart to be given its serial.
  const shells = await give('start a batch of shells', '/batches', {
    modelId: 'skiff',
    component: 'body',
    quantity: 2,
    lotId: await first(`select id from lot where state = 'released' and species = 'basswood' and left_m3 > 0.05 order by number desc`),
    orderId: null,
  });
  await advanceTo(factory, admin, shells.id, 'fit');
  const { sets } = (await admin.get('/fitting')).body;
  const set = sets.find((s: { body: { id: string } }) => s.body.id === shells.id);
  await give('fit instruments', '/fitting', {
    bodyBatchId: set.body.id,
    bodyVersion: set.body.version,
    neckBatchId: set.neck?.id ?? null,
    neckVersion: set.neck?.version ?? null,
    pairs: set.proposed.slice(0, 2).map(({ bodyId, neckId }: { bodyId: string; neckId: string | null }) => ({ bodyId, neckId })),
  });
  expect(tooMuch).toEqual([]);
}, 120_000);

/** How many things an answer tells of. */
function thingsIn(told: unknown): number {
  if (Array.isArray(told)) return told.reduce((sum: number, each) => sum + Math.max(1, thingsIn(each)), 0);
  if (typeof told === 'object' && told !== null) return Object.values(told).reduce((sum: number, each) => sum + thingsIn(each), 1);
  return 0;
}

/** How far the logbook has come: the latest few of its rows, at every request. */
const isPosition = (sql: string) => sql.startsWith('select coalesce(max(id), 0)::text as last');

/** Rows of what grows, and the statement that looked at most of them. */
function lookedAt(reads: readonly Read[]): [rows: number, worst: string] {
  const each = reads
    .filter(({ sql }) => !isPosition(sql))
    .map(({ tables, sql }) => {
      const growing = [...tables].filter(([table]) => !SET_UP.includes(table));
      const said = growing.map(([table, n]) => `${n} of ${table}`).join(', ');
      return { rows: growing.reduce((sum, [, n]) => sum + n, 0), said: `${said}: ${sql.replace(/\s+/g, ' ').slice(0, 200)}` };
    });
  const [worst] = [...each].sort((a, b) => b.rows - a.rows);
  return [each.reduce((sum, { rows }) => sum + rows, 0), worst?.said ?? 'nothing'];
}
