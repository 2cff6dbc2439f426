import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { ownerDataSource } from '../database.ts';
import { allRoutes } from '../factory/allRoutes.ts';
import { retell } from '../logbook/retell.ts';
import { ROW_TABLES } from '../tables.ts';
import { told } from '../test/told.ts';
import { undoThrough } from '../test/migrations.ts';
import { DAY, openFactory, type Caller, type TestFactory } from '../test/factory.ts';

interface Line {
  species: string;
  use: string;
  state: string;
  pieces: number | null;
  leftM3: number | null;
}

// The screens' questions, asked of a factory with half a year behind it.
let factory: TestFactory;
let manager: Caller;

beforeAll(async () => {
  factory = await openFactory('history');
  manager = await factory.as('manager');
}, 180_000);
afterAll(() => factory.close());

const get = async (path: string) => (await manager.get(path)).body;

describe('the logbook', () => {
  test('told again gives what the tables hold, row for row', async () => {
    const { entries, ...found } = await told({ stretch: 700 });
    expect(entries).toBeGreaterThan(8000);
    expect(found).toEqual({ differences: 0, first: [] });
  });
  test('finds what was changed behind its back, and puts it right', async () => {
    const owner = await ownerDataSource().initialize();
    try {
      await owner.query(`update batch set quantity = quantity + 1 where id = (select id from batch where status <> 'done' limit 1)`);
      await owner.query(`delete from coat where id = (select id from coat limit 1)`);
      await owner.query(`update body_hour set entered = entered + 1 where id = (select id from body_hour limit 1)`);
      await owner.query(`insert into supplier_record values ('Nobody', 1, 0), ('No one either', 0, 0)`);
      const { differences, first } = await told({ write: true });
      expect(differences).toBe(4);
      expect(first.map((d) => [d.kind, d.what]).sort()).toEqual([
        ['batch', 'different'],
        ['body hour', 'different'],
        ['coat', 'missing in the tables'],
        ['supplier record', 'not in the logbook'],
      ]);
      expect((await told()).differences).toBe(0);
    } finally {
      await owner.destroy();
    }
  });
});

// The database rounds a half to the even number, core rounds it up.
test('what is kept of the past is what reading all of it again gives', async () => {
  const both = (kept: string, read: string) =>
    Promise.all([kept, read].map((sql) => factory.database.query<Record<string, string | number>[]>(sql)));
  const [suppliers, readings] = await both(
    'select supplier, lots, wetter_milli_pct::int as milli from supplier_record order by 1',
    `select l.supplier, count(*)::int as lots, sum(floor((s.mean_pct - l.papers_pct) * 1000 + 0.5))::int as milli
     from lot l join lateral (select mean_pct from reading_session where lot_id = l.id order by at limit 1) s on true
     where l.papers_pct is not null group by 1 order by 1`,
  );
  expect(suppliers?.length).toBeGreaterThan(2);
  expect(suppliers).toEqual(readings);
  const [yields, boards] = await both(
    `select boards, round(boards_mm3 / 1e6) as boards_dm3, round(blanks_mm3 / 1e6) as blanks_dm3 from cut_yield where id = 'all'`,
    `select count(*)::int as boards, round(sum(length_mm * (width_mm + width_end_mm) / 2 * thickness_mm) / 1e6) as boards_dm3,
       (select round(sum(length_mm * width_mm * thickness_mm) / 1e6) from blank) as blanks_dm3 from board where state = 'cut'`,
  );
  expect(yields).toEqual(boards);
  const [used, started] = await both(
    'select round(sum(volume_cm3) / 1e4) as dm from wood_use',
    `select round(sum((payload->>'volumeM3')::float8) * 100) as dm from logbook
     where kind = 'boards.cut' or kind = 'batch.started' and jsonb_array_length(coalesce(payload->'blankIds', '[]')) = 0`,
  );
  expect(used).toEqual(started);
  const [given, fitted] = await both(
    'select sum(given)::int as serials from serial_count',
    'select count(*)::int as serials from instrument',
  );
  expect(given).toEqual(fitted);
});

test('a factory whose rows an earlier program told goes back to that, comes again, and is told anew', async () => {
  const owner = await ownerDataSource().initialize();
  const count = async (what: string) => (await owner.query<{ n: number }[]>(`select count(*)::int as n from ${what}`))[0]?.n;
  try {
    await undoThrough(owner, 'Jobs1700000000008');
    const [runs, running] = [await count('run'), await count(`batch where status = 'running'`)];
    expect(await count('batch where run_id is not null')).toBe(running);
    await owner.runMigrations({ transaction: 'all' });
    expect([await count('job'), await count('batch where job_id is not null')]).toEqual([runs, running]);
    const entries = await count('logbook');
    expect(await retell(owner, ROW_TABLES, allRoutes)).toBe(entries);
    expect(await retell(owner, ROW_TABLES, allRoutes)).toBeNull();
    expect((await told()).differences).toBe(0);
  } finally {
    await owner.destroy();
  }
}, 60_000);

describe('Morning', () => {
  test('calls steps by their names in its news', async () => {
    const { changed } = await get('/morning');
    for (const { sentence } of changed) expect(sentence).not.toMatch(/\b[bni]-[a-z]+\b/);
  });
  test('counts what its lists show, in walking order', async () => {
    const morning = await get('/morning');
    expect(morning.canMove).toBe(morning.decisions.filter((d: { act: string }) => d.act === 'move').length);
    expect(morning.canRelease).toBe(morning.decisions.filter((d: { act: string }) => d.act === 'release').length);
    expect(morning.comingFreeToday).toBe(morning.comingFree.length);
    expect(morning.late).toBe(morning.lateOrders.length);
    const stages = ['woodRoom', 'roughMill', 'machining', 'necks', 'bodies', 'fitting', 'finishing', 'assembly', 'finalRest', 'dispatch'];
    const order = morning.decisions.map((d: { stage: string }) => stages.indexOf(d.stage));
    expect(order).toEqual([...order].sort((a: number, b: number) => a - b));
  });
  test('offers to move only what its gate lets through', async () => {
    const { decisions } = await get('/morning');
    for (const d of decisions.filter((x: { act: string }) => x.act === 'move')) {
      expect(d.findings.every((f: { verdict: string }) => f.verdict === 'pass')).toBe(true);
      const moved = await manager.post(`/batches/${d.id}/move`, { version: d.version });
      expect(moved.status).toBe(200);
    }
  });
  test('tells late orders the latest first, each with where it is', async () => {
    const { lateOrders } = await get('/morning');
    const days = lateOrders.map((o: { lateDays: number }) => o.lateDays);
    expect(days).toEqual([...days].sort((a: number, b: number) => b - a));
    for (const o of lateOrders) expect(o.why).toMatch(/^Late by \d+ days? at least: /);
  });
});

describe('Floor and Flow', () => {
  test('agree on what waits at each station', async () => {
    const [floor, flow] = await Promise.all([get('/floor'), get('/flow')]);
    expect(floor.limit).toEqual(flow.limit);
    for (const station of floor.stations) {
      const queued = floor.batches.filter(
        (b: { stationCode: string; status: string }) => b.stationCode === station.code && b.status === 'queued',
      );
      expect(station.queuedBatches).toBe(queued.length);
      expect(station.queuedHours).toBeCloseTo(queued.reduce((sum: number, b: { touchMinutes: number }) => sum + b.touchMinutes, 0) / 60, 6);
    }
  });
  test('show a change at once', async () => {
    const { batches } = await get('/floor');
    const batch = batches.find((b: { status: string; operationKind: string }) => b.status === 'queued' && b.operationKind === 'work');
    await manager.post(`/batches/${batch.id}/hold`, { version: batch.version, reason: 'Colour in doubt' });
    const now = (await get('/floor')).batches.find((b: { id: string }) => b.id === batch.id);
    expect(now).toMatchObject({ status: 'held', holdReason: 'Colour in doubt' });
    expect((await get('/morning')).decisions.map((d: { id: string }) => d.id)).toContain(batch.id);
  });
  test.each([7, 28, 90, 180])('figures of %d days are of that window', async (days) => {
    const flow = await get(`/flow?days=${days}`);
    expect(flow.days).toBe(days);
    expect(flow.wipByDay).toHaveLength(days);
    for (const s of flow.stations) {
      expect(s.goodByShift).toHaveLength(flow.shiftsMs.length);
      expect(s.goodByShift.reduce((a: number, b: number) => a + b, 0)).toBe(s.good);
      expect(s.workedHours).toBeGreaterThanOrEqual(0);
    }
    const counted = flow.leadHistogram.reduce((sum: number, c: { count: number }) => sum + c.count, 0);
    expect(counted).toBe(flow.shipped);
  });
  // One of two wheels was lost 30 days ago.
  test.each([
    [28, 1],
    [90, (60 * 2 + 30 * 1) / 90],
  ])('hours available over %d days are those of the places there were', async (days, wheels) => {
    const { stations, placesChanges } = await get(`/flow?days=${days}`);
    const [wheel, mill] = ['FN5', 'RM1'].map((code) => stations.find((s: { code: string }) => s.code === code));
    expect(wheel.benches).toBe(1);
    const told = placesChanges.map((c: { station: string; before: number; after: number }) => [c.station, c.before, c.after]);
    // The body machine stood last week.
    expect(told).toEqual([['MC1', 0, 1], ['MC1', 1, 0], ...(days < 30 ? [] : [['FN5', 2, 1]])]);
    expect(wheel.availableHours / (mill.availableHours / mill.benches)).toBeCloseTo(wheels, 1);
  });
  test.each(['0', '6', '181', 'many', '-28'])('a window of %s days is refused', async (days) => {
    expect((await manager.get(`/flow?days=${days}`)).status).toBe(400);
  });
});

describe('finding', () => {
  test('a batch by its number, exact before alike', async () => {
    const {
      rows: [batch],
    } = await get('/batches');
    const found = await get(`/find?text=${batch.id.toLowerCase()}`);
    expect(found[0]).toMatchObject({ kind: 'batch', id: batch.id });
    expect(found.length).toBeLessThanOrEqual(12);
  });
  test('by model, customer, species and serial', async () => {
    const {
      rows: [instrument],
    } = await get('/instruments');
    const kinds = async (text: string) =>
      new Set((await get(`/find?text=${encodeURIComponent(text)}`)).map((f: { kind: string }) => f.kind));
    expect((await get(`/find?text=${instrument.serial}`)).map((f: { kind: string; id: string }) => [f.kind, f.id])).toEqual([
      ['instrument', instrument.serial],
    ]);
    expect(await kinds('Weirstone')).toContain('batch');
    expect(await kinds('Quayside')).toEqual(new Set(['order']));
    expect(await kinds('basswood')).toEqual(new Set(['lot']));
  });
  test('in spite of a slip, and by the number of a piece, a board, a blank', async () => {
    const kinds = async (text: string) =>
      new Set((await get(`/find?text=${encodeURIComponent(text)}`)).map((f: { kind: string }) => f.kind));
    expect(await kinds('Weirstne')).toContain('batch');
    expect(await kinds('baswood')).toEqual(new Set(['lot']));
    expect(await kinds('Qzxvbn')).toEqual(new Set());
    const one = async (sql: string) => (await factory.database.query<{ id: string; at: string }[]>(sql))[0] ?? { id: '', at: '' };
    for (const [what, kind, sql] of [
      ['piece', 'batch', `select id, batch_id as at from piece where serial is null limit 1`],
      ['board', 'lot', `select id, lot_id as at from board limit 1`],
      ['blank', 'lot', `select id, lot_id as at from blank where piece_id is null limit 1`],
    ] as const) {
      const { id, at } = await one(sql);
      expect(await get(`/find?text=${id.toLowerCase()}`)).toMatchObject([
        { kind, id: at, sentence: expect.stringContaining(`${what} ${id}`) },
      ]);
    }
  });
  test('signs that mean something to a database mean nothing here', async () => {
    for (const text of ['%', '_', "'; drop table batch; --", '\\']) {
      const answer = await manager.get(`/find?text=${encodeURIComponent(text)}`);
      expect(answer.status).toBe(200);
      expect(answer.body).toEqual([]);
    }
  });
});

describe('lists', () => {
  test('of instruments turn over by the page, each once, and say how many there are', async () => {
    const serials: string[] = [];
    let after = '';
    for (;;) {
      const page = await get(`/instruments?size=60&sort=serial${after}`);
      serials.push(...page.rows.map((i: { serial: string }) => i.serial));
      if (page.next === null) {
        expect(page).toMatchObject({ found: serials.length, foundExactly: true });
        break;
      }
      after = `&after=${page.next}`;
    }
    expect(serials.length).toBeGreaterThan(300);
    expect(serials).toEqual([...new Set(serials)].sort());
  });
  test('are narrowed by a text and a state, and are to be had whole as a file', async () => {
    const { rows, found } = await get('/instruments?text=quayside&state=shipped&size=200');
    expect(rows.length).toBe(found);
    expect(new Set(rows.map((i: { consignee: string; state: string }) => `${i.state} ${i.consignee}`))).toEqual(
      new Set(['shipped Quayside Strings']),
    );
    const { text } = await manager.get('/instruments/list.csv?text=quayside&state=shipped');
    expect(text.trim().split('\n')).toHaveLength(1 + found);
    const done = await get('/batches?done=true&size=1');
    const file = (await manager.get('/batches/list.csv?done=true')).text.trim().split('\n');
    expect(file).toHaveLength(1 + done.found);
    const [newest] = done.rows;
    expect(file[1]).toMatch(new RegExp(`^${newest.id},${newest.modelName},`));
    expect((await get(`/batches?done=true&text=${newest.number}`)).rows[0].id).toBe(newest.id);
  });
  test('refuse an order they do not know', async () => {
    const answer = await manager.get('/batches?sort=colour');
    expect([answer.status, answer.body.fields[0].field]).toEqual([400, 'sort']);
    expect((await manager.get('/instruments/list.csv?sort=colour')).status).toBe(400);
  });
});

describe('records', () => {
  test('of every shipped instrument lead back to a released lot and its readings', async () => {
    const shipped = (await get('/instruments?state=shipped&size=8')).rows;
    expect(shipped.length).toBe(8);
    for (const { serial } of shipped) {
      const record = await get(`/instruments/${serial}`);
      for (const part of record.parts) {
        expect(part.releasedMs).toBeLessThan(record.instrument.fittedMs);
        expect(part.sessions).toBeGreaterThan(0);
        expect(part.atRelease.readings.length).toBeGreaterThan(0);
        expect(part.visits.length).toBeGreaterThan(2);
      }
      expect(record.instrument.shippedMs).toBeGreaterThan(record.instrument.fittedMs);
      const times = record.log.map((l: { atMs: number }) => l.atMs);
      expect(times).toEqual([...times].sort((a: number, b: number) => a - b));
    }
  });
  test('of a lot show what became of it', async () => {
    const used = (await get('/lots/used-up?size=1')).rows[0];
    const lot = await get(`/lots/${used.id}`);
    expect(lot.batches.length).toBeGreaterThan(0);
    expect(lot.lot.leftM3).toBe(0);
    expect(lot.log.map((l: { kind: string }) => l.kind)).toEqual(expect.arrayContaining(['lot.received', 'lot.read', 'lot.released']));
  });
});

describe('the wood room', () => {
  interface DemoLot {
    id: string;
    state: string;
    supplier: string;
    zoneId: string;
    papersPct: number | null;
    firstPct: number | null;
    ready: { kind: string; basis: string; likelyMs: number | null; earlyMs: number | null; lateMs: number | null } | null;
  }
  const drying = (): Promise<DemoLot[]> => get('/lots?states=drying');
  test('has lots in every state, one of which will never get there where it lies', async () => {
    const lots: DemoLot[] = await get('/lots');
    expect(new Set(lots.map((l) => l.state))).toEqual(new Set(['drying', 'released']));
    const used: { rows: DemoLot[]; found: number } = await get('/lots/used-up?size=200');
    expect(new Set(used.rows.map((l) => l.state))).toEqual(new Set(['used up']));
    expect(used.rows).toHaveLength(used.found);
    const never = lots.filter((l) => l.ready?.kind === 'not in this room');
    expect(never.map((l) => l.zoneId)).toEqual(['shed']);
  });
  test('forecasts every lot that was read, with the likeliest day inside its interval', async () => {
    const onTheWay = (await drying()).filter((l) => l.ready?.kind === 'on its way');
    expect(onTheWay.length).toBeGreaterThanOrEqual(3);
    for (const { ready } of onTheWay) {
      expect(ready?.earlyMs ?? Infinity).toBeLessThanOrEqual(ready?.likelyMs ?? -Infinity);
      expect(ready?.lateMs ?? Infinity).toBeGreaterThanOrEqual(ready?.likelyMs ?? Infinity);
    }
  });
  test('knows the excursion that explains three late lots or more, and what waited through it', async () => {
    const { excursions } = await get('/air/wood?days=90');
    const [long] = excursions;
    expect(long).toMatchObject({ kind: 'too wet' });
    expect((long.toMs - long.fromMs) / DAY).toBeGreaterThan(10);
    const late = (await drying()).filter((l) => long.satThrough.lots.includes(l.id));
    expect(late.length).toBeGreaterThanOrEqual(3);
    expect(long.satThrough.batches.length).toBeGreaterThan(0);
    const card = await get(`/lots/${late[0]?.id ?? ''}`);
    expect(card.drying.excursions.some((e: { kind: string }) => e.kind === 'too wet')).toBe(true);
  });
  test('knows the supplier whose lots come wetter than their papers say, and no other', async () => {
    const { suppliers } = await get('/stock');
    const wetter = suppliers.filter((s: { wetterPct: number }) => s.wetterPct > 1.5).map((s: { supplier: string }) => s.supplier);
    expect(wetter).toEqual(['Ferndale Sawmill']);
    expect(suppliers.length).toBeGreaterThanOrEqual(3);
  });
  test('tells cover of each kind once, the scarcest of them with a day to buy by', async () => {
    const { cover, lines } = await get('/stock');
    const kinds = cover.map((c: { species: string; use: string }) => `${c.species} ${c.use}`);
    expect(new Set(kinds).size).toBe(kinds.length);
    for (const { readyM3, dryingM3, species, use } of cover) {
      const sum = lines
        .filter((l: Line) => l.species === species && l.use === use && ['raw', 'drying', 'released'].includes(l.state))
        .reduce((total: number, l: Line) => total + (l.leftM3 ?? 0), 0);
      expect(readyM3 + dryingM3).toBeCloseTo(sum, 6);
    }
    const short = cover.filter((c: { shortMs: number | null }) => c.shortMs !== null);
    expect(short.length).toBeGreaterThan(0);
    for (const c of short) {
      expect(c.buyByMs).toBeLessThan(c.shortMs);
      expect(c.shortM3).toBeGreaterThan(0);
    }
  });
  test('leads from an instrument to its board and back', async () => {
    const instruments: { serial: string; modelId: string }[] = (await get('/instruments?size=200')).rows;
    let found: { serial: string; boardId: string; lotId: string } | undefined;
    for (const { serial } of instruments.filter((i) => i.modelId === 'millrace')) {
      const { parts } = await get(`/instruments/${serial}`);
      const part = parts.find((p: { boardId: string | null }) => p.boardId !== null);
      if (part) {
        found = { serial, boardId: part.boardId, lotId: part.lotId };
        break;
      }
    }
    if (!found) throw new Error('No instrument was cut from a measured board');
    const lot = await get(`/lots/${found.lotId}`);
    const blank = lot.blanks.find((b: { serial: string | null }) => b.serial === found?.serial);
    expect(blank).toMatchObject({ boardId: found.boardId, state: 'started' });
    expect(lot.boards.find((b: { id: string }) => b.id === found?.boardId)).toMatchObject({ state: 'cut' });
  });
  test('allots blanks by weight better than as they come, and takes none that is kept', async () => {
    const before = await get('/stock/allotment?modelId=weirstone&component=body');
    const inBand = (a: typeof before) => a.allotted.filter((x: { inBand: boolean }) => x.inBand).length;
    expect(before.allotted.length).toBeGreaterThan(5);
    expect(inBand(before)).toBeGreaterThanOrEqual(before.inBandAsTheyCome);
    const [first] = before.allotted;
    const other = before.allotted.find((a: { orderId: string }) => a.orderId !== first.orderId);
    expect(
      (await manager.post('/blanks/reserve', { orderId: other.orderId, blanks: [{ id: first.blankId, version: first.blankVersion }] }))
        .status,
    ).toBe(200);
    const after = await get('/stock/allotment?modelId=weirstone&component=body');
    const taken = after.allotted.find((a: { blankId: string }) => a.blankId === first.blankId);
    expect(taken === undefined || taken.orderId === other.orderId).toBe(true);
    expect((await manager.get('/stock/allotment?modelId=headwater&component=top')).status).toBe(400);
  });
});

describe('the climate', () => {
  test('is told by zone as it was', async () => {
    const zones = await get('/zones');
    expect(zones).toHaveLength(6);
    for (const z of zones) expect(factory.clock.nowMs() - z.atMs).toBeLessThan(2 * DAY);
    const { course } = await get('/air/wood?days=30');
    expect(course.length).toBeGreaterThanOrEqual(29);
    for (const d of course) expect(d.meanPct).toBeGreaterThan(6);
  });
  test('of a zone there is not, or of too long a time, is refused', async () => {
    expect((await manager.get('/air/nowhere?days=30')).status).toBe(404);
    expect((await manager.get('/air/wood?days=100000')).status).toBe(400);
  });
});

test('a calendar program reads what comes free', async () => {
  const { url } = (await manager.post('/calendar')).body;
  const feed = await (await factory.as('viewer')).get(new URL(url).pathname.replace('/api', ''));
  expect(feed.headers['content-type']).toMatch(/text\/calendar/);
  const waiting = (await get('/batches?size=200')).rows.filter(
    (b: { verdict: string; untilMs: number | null }) => b.verdict === 'wait' && b.untilMs !== null,
  );
  expect(feed.text.match(/BEGIN:VEVENT/g)).toHaveLength(waiting.length);
  expect(feed.text).toMatch(/SUMMARY:B\d+ free: \d+ × /);
  const renewed = (await manager.post('/calendar')).body.url;
  expect(renewed).not.toBe(url);
  expect((await manager.get(new URL(url).pathname.replace('/api', ''))).status).toBe(404);
});

describe('Stock', () => {
  test('counts every blank and every piece on the floor once, line by line as in sum', async () => {
    const {
      lines,
      cover,
    }: { lines: Line[]; cover: { species: string; use: string; blanks: number; reserved: number; partMade: number }[] } =
      await get('/stock');
    const sum = (of: { species: string; use: string }, ...states: string[]) =>
      lines
        .filter((l) => l.species === of.species && l.use === of.use && states.includes(l.state))
        .reduce((total, l) => total + (l.pieces ?? 0), 0);
    expect(lines.map((l) => l.state)).toEqual(expect.arrayContaining(['drying', 'released', 'blank', 'part-made']));
    for (const kind of cover) {
      expect(sum(kind, 'blank', 'reserved')).toBe(kind.blanks);
      expect(sum(kind, 'reserved')).toBe(kind.reserved);
      expect(sum(kind, 'part-made')).toBe(kind.partMade);
    }
  });
  test('a blank kept for an order is told apart from those that are free', async () => {
    const orders: { id: string; modelId: string; state: string }[] = await get('/orders');
    const blanks: { id: string; modelId: string; orderId: string | null; version: number }[] = await get('/blanks');
    const free = blanks.filter((b) => b.orderId === null);
    const [order, blank] = orders.flatMap((o) => free.filter((b) => b.modelId === o.modelId).map((b) => [o, b] as const))[0] ?? [];
    if (!order || !blank) throw new Error('No order asks for what is in stock');
    const count = async (state: string) => {
      const { lines }: { lines: Line[] } = await get('/stock');
      return lines.reduce((total, l) => total + (l.state === state ? (l.pieces ?? 0) : 0), 0);
    };
    const [loose, kept] = [await count('blank'), await count('reserved')];
    const body = { orderId: order.id, blanks: [{ id: blank.id, version: blank.version }] };
    expect((await manager.post('/blanks/reserve', body)).status).toBe(200);
    expect([await count('blank'), await count('reserved')]).toEqual([loose - 1, kept + 1]);
  });
});

// Last, since it takes the clock with it.
test('Morning follows the clock: what waits is offered once its time has come', async () => {
  interface Waiting {
    id: string;
    verdict: string;
    untilMs: number | null;
    findings: { rule: string; verdict: string }[];
  }
  const { rows } = (await manager.get('/batches?size=200')).body as { rows: Waiting[] };
  // A wait by the clock alone: a cure depends on the air to come.
  const byClock = rows.filter((b) => b.verdict === 'wait' && b.findings.every((f) => f.verdict === 'pass' || f.rule === 'elapsed'));
  const [first] = byClock.sort((a, b) => (a.untilMs ?? Infinity) - (b.untilMs ?? Infinity));
  const { nowMs } = (await manager.get('/morning')).body;
  factory.clock.pass((first?.untilMs ?? nowMs) - nowMs + 60_000);
  const { decisions } = (await manager.get('/morning')).body;
  expect(decisions.map((d: { id: string }) => d.id)).toContain(first?.id);
});
