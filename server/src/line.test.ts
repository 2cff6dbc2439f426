import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { told } from './test/told.ts';
import {
  advanceTo,
  card,
  DAY,
  doStep,
  filledIn,
  openFactory,
  releasedLot,
  startedBatch,
  type Caller,
  type TestFactory,
} from './test/factory.ts';

let factory: TestFactory;
let manager: Caller;
let operator: Caller;

beforeAll(async () => {
  factory = await openFactory();
  manager = await factory.as('manager');
  operator = await factory.as('operator');
});
afterAll(() => factory.close());

const lotBody = {
  species: 'mahogany',
  form: 'rough lumber',
  use: 'body',
  thicknessMm: 50,
  volumeM3: 0.5,
  supplier: 'Calder',
  origin: 'Belize',
  permit: null,
  restricted: true,
  zoneId: 'wood',
};

describe('a lot', () => {
  test('is refused while wet, with the reason, and needs its papers', async () => {
    const { id } = (await manager.post('/lots', lotBody)).body;
    const { lot } = (await manager.get(`/lots/${id}`)).body;
    expect(
      (
        await manager.post(`/lots/${id}/readings`, {
          version: lot.version,
          text: '12 12.1 12.4 12.2 c13',
          woodTempC: 20,
          meter: 'pin',
        })
      ).status,
    ).toBe(200);
    const refused = await manager.post(`/lots/${id}/release`, { version: lot.version + 1 });
    expect(refused.status).toBe(422);
    expect(refused.headers['content-type']).toContain('application/problem+json');
    expect(refused.body.detail).toMatch(/shrink/);
    expect(refused.body.detail).toMatch(/Permit papers are missing/);
    const lead = await factory.as('lead');
    expect((await lead.post(`/lots/${id}/release`, { version: lot.version + 1, overrideReason: 'Needed today' })).status).toBe(403);
    expect(
      (
        await manager.post(`/lots/${id}/release`, {
          version: lot.version + 1,
          overrideReason: 'Needed today',
        })
      ).status,
    ).toBe(200);
    const after = (await manager.get(`/lots/${id}`)).body;
    expect(after.lot.state).toBe('released');
    expect(after.overrides[0].reason).toBe('Needed today');
  });
  test('keeps a struck-out reading in sight and out of the mean', async () => {
    const { id } = (await manager.post('/lots', lotBody)).body;
    await operator.post(`/lots/${id}/readings`, {
      version: 1,
      text: '9 9 9 18',
      woodTempC: 20,
      meter: 'pinless',
    });
    expect(
      (
        await operator.post(`/lots/${id}/strike`, {
          version: 2,
          sessionId: `${id}/1`,
          seq: 4,
          reason: 'Pin in a nail',
        })
      ).status,
    ).toBe(200);
    const { lot, sessions } = (await manager.get(`/lots/${id}`)).body;
    expect(lot.meanPct).toBe(9);
    expect(sessions[0].readings[3]).toMatchObject({ rawPct: 18, struck: 'Pin in a nail' });
    expect(
      (
        await operator.post(`/lots/${id}/strike`, {
          version: 3,
          sessionId: `${id}/1`,
          seq: 4,
          reason: 'again',
        })
      ).status,
    ).toBe(422);
  });
  test('cannot be cut before it is released, nor beyond what is left of it', async () => {
    const drying = (await manager.post('/lots', lotBody)).body.id;
    const start = (lotId: string, quantity: number) =>
      manager.post('/batches', {
        modelId: 'weirstone',
        component: 'body',
        quantity,
        lotId,
        orderId: null,
      });
    expect((await start(drying, 4)).body.detail).toMatch(/only a released lot/);
    const lotId = await releasedLot(factory, manager, { volumeM3: 0.1 });
    expect((await start(lotId, 7)).body.detail).toMatch(/0\.100\u00a0m³ is left/);
    expect((await start(lotId, 6)).status).toBe(200);
    const maple = await releasedLot(factory, manager, { species: 'sugar maple', restricted: false });
    expect((await start(maple, 1)).body.detail).toMatch(/needs mahogany/);
  });
  test('readings from a file: bad lines are told, good ones taken once', async () => {
    const { id } = (await manager.post('/lots', lotBody)).body;
    await factory.wait(DAY);
    const at = (minutesAgo: number) => new Date(factory.clock.nowMs() - minutesAgo * 60_000).toISOString();
    const csv = [
      'lot,date,wood_temp_c,readings',
      `${id},${at(60)},20,"8.4 8.6 c9.1"`,
      `L9999,${at(50)},20,8.4`,
      `${id},soon,20,8.4`,
      `${id},${at(40)},99,8.4`,
      `${id},${at(30)},20,8.4 nine`,
      `${id},2009-01-01T00:00:00Z,20,8.4`,
    ].join('\n');
    const preview = (await operator.file('/lots/readings/preview', { csv })).body;
    expect(preview).toMatchObject({ good: 1, bad: 5, saved: false });
    expect(preview.rows.map((r: { problem: string | null }) => r.problem)).toEqual([
      null,
      'There is no lot L9999',
      expect.stringContaining('not a time'),
      expect.stringContaining('Wood temperature'),
      '"nine" is not a reading',
      'The lot was received after that',
    ]);
    const key = { 'Idempotency-Key': 'import-1' };
    expect((await operator.file('/lots/readings/import', { csv }, key)).body).toMatchObject({
      good: 1,
      saved: true,
    });
    await operator.file('/lots/readings/import', { csv }, key);
    expect((await manager.get(`/lots/${id}`)).body.sessions).toHaveLength(1);
    expect((await operator.file('/lots/readings/preview', { csv: 'a,b\n1,2' })).body.detail).toMatch(
      /which columns hold lot, time and readings; the file has a, b/,
    );
  });
});

describe('a batch', () => {
  test('goes from step to step, with scrap named and rework done again', async () => {
    const id = await startedBatch(factory, manager, 'body', 3);
    let now = await card(manager, id);
    expect(now.batch).toMatchObject({ operationId: 'b-cut', status: 'queued', quantity: 3 });
    await manager.post(`/batches/${id}/start`, { version: now.batch.version, personId: 'bram' });
    now = await card(manager, id);
    const outcome = (n: number, kind: string) => ({
      pieceId: `${id}-0${n}`,
      outcome: kind,
      defect: 'crack',
      originOperationId: 'b-cut',
      note: '',
    });
    const finish = (counts: object, outcomes: object[]) =>
      operator.post(`/batches/${id}/finish`, { version: now.batch.version, ...counts, outcomes, ...filledIn(now) });
    expect((await finish({ good: 3, rework: 0, scrap: 1 }, [])).body.detail).toMatch(/make 4; 3 pieces/);
    expect((await finish({ good: 1, rework: 1, scrap: 1 }, [outcome(1, 'rework'), outcome(2, 'scrap')])).status).toBe(200);
    now = await card(manager, id);
    expect(now.batch).toMatchObject({ operationId: 'b-cut', pass: 2, quantity: 2, status: 'queued' });
    expect(now.inPass).toEqual([`${id}-01`]);
    expect(now.defects).toHaveLength(2);
    await doStep(factory, manager, id);
    now = await card(manager, id);
    expect(now.batch).toMatchObject({ operationId: 'b-glue', pass: 1, quantity: 2 });
  });
  test('may not leave early; an override stays on the record', async () => {
    const id = await startedBatch(factory, manager);
    await advanceTo(factory, manager, id, 'b-rest');
    const { batch } = await card(manager, id);
    expect(batch).toMatchObject({ status: 'dwelling', verdict: 'wait' });
    const early = await operator.post(`/batches/${id}/move`, { version: batch.version });
    expect(early).toMatchObject({ status: 422, body: { findings: [{ rule: 'elapsed', verdict: 'wait' }] } });
    expect((await operator.post(`/batches/${id}/move`, { version: batch.version, overrideReason: 'Rush order' })).status).toBe(403);
    const lead = await factory.as('lead');
    expect((await lead.post(`/batches/${id}/move`, { version: batch.version, overrideReason: 'no' })).status).toBe(400);
    expect((await lead.post(`/batches/${id}/move`, { version: batch.version, overrideReason: 'Rush order' })).status).toBe(200);
    const now = await card(manager, id);
    expect(now.batch.operationId).toBe('b-bind');
    expect(now.overrides[0]).toMatchObject({ reason: 'Rush order', by: 'Tomas Verhoeven' });
  });
  test('on hold does nothing until it is released', async () => {
    const id = await startedBatch(factory, manager);
    const v = (await card(manager, id)).batch.version;
    expect((await operator.post(`/batches/${id}/hold`, { version: v, reason: 'Grain in doubt' })).status).toBe(403);
    await manager.post(`/batches/${id}/hold`, { version: v, reason: 'Grain in doubt' });
    expect((await manager.post(`/batches/${id}/start`, { version: v + 1, personId: 'bram' })).body.detail).toMatch(/held: Grain in doubt/);
    await manager.post(`/batches/${id}/release`, { version: v + 1 });
    expect((await card(manager, id)).batch.status).toBe('queued');
  });
  test('is worked on by people who can', async () => {
    const id = await startedBatch(factory, manager);
    const v = (await card(manager, id)).batch.version;
    const refused = await manager.post(`/batches/${id}/start`, { version: v, personId: 'ruth' });
    expect(refused).toMatchObject({
      status: 422,
      body: { fields: [{ field: 'personId', message: 'This person is not signed off for milling' }] },
    });
  });
  test('has a card to print and a place in the calendar', async () => {
    const id = await startedBatch(factory, manager);
    await advanceTo(factory, manager, id, 'b-clamp');
    const pdf = await manager.get(`/batches/${id}/card.pdf`);
    expect(pdf.headers['content-type']).toBe('application/pdf');
    expect(Buffer.from(pdf.body).subarray(0, 5).toString()).toBe('%PDF-');
    const { url } = (await manager.post('/calendar')).body;
    const feed = await factory.as('nobody').then((nobody) => nobody.get(String(url).replace(/^.*\/api/, '')));
    expect(feed.headers['content-type']).toContain('text/calendar');
    expect((await manager.get('/calendar/wrong.ics')).status).toBe(404);
  });
});

describe('fitting to dispatch', () => {
  test('pairs get serials once, instruments ship once, and the record leads back to the wood', async () => {
    const bodies = await startedBatch(factory, manager, 'body', 3);
    const necks = await startedBatch(factory, manager, 'neck', 2);
    await advanceTo(factory, manager, bodies, 'fit');
    await advanceTo(factory, manager, necks, 'fit');
    const bench = (await manager.get('/fitting')).body;
    const set = bench.sets.find((s: { body: { id: string } }) => s.body.id === bodies);
    expect(set.proposed).toHaveLength(2);
    const fit = {
      bodyBatchId: bodies,
      bodyVersion: set.body.version,
      neckBatchId: necks,
      neckVersion: set.neck.version,
      pairs: set.proposed.map(({ bodyId, neckId }: { bodyId: string; neckId: string }) => ({
        bodyId,
        neckId,
      })),
    };
    // The same press twice, at the same time: one of them finds the page stale.
    const both = await Promise.all([operator.post('/fitting', fit), manager.post('/fitting', fit)]);
    expect(both.map((r) => r.status).sort()).toEqual([200, 409]);
    const id = both.find((r) => r.status === 200)?.body.id;
    const left = (await manager.get('/fitting')).body.waiting.find((b: { id: string }) => b.id === bodies);
    expect(left).toMatchObject({ quantity: 1, component: 'body' });

    const serials: string[] = (await card(manager, id)).pieces.map((p: { id: string }) => p.id);
    expect(new Set(serials).size).toBe(2);
    expect(serials[0]).toMatch(/^26\d{3}WS\d{3}$/);
    await advanceTo(factory, manager, id, 'i-cure');
    expect((await card(manager, id)).build).toMatchObject({ verdict: 'in window' });
    await advanceTo(factory, manager, id, 'ship');
    const version = (await card(manager, id)).batch.version;
    const ship = (serial: string, v: number) =>
      operator.post(`/instruments/${serial}/ship`, {
        version: v,
        consignee: 'Lantern Street',
        shipper: 'Own van',
      });
    expect((await ship(serials[0] ?? '', version)).status).toBe(200);
    expect((await ship(serials[0] ?? '', version + 1)).body.detail).toMatch(/is shipped/);
    expect((await ship(serials[1] ?? '', version + 1)).status).toBe(200);
    expect((await card(manager, id)).batch.status).toBe('done');

    const record = (await manager.get(`/instruments/${serials[0]}`)).body;
    expect(record.instrument).toMatchObject({ state: 'shipped', consignee: 'Lantern Street' });
    expect(record.parts.map((p: { component: string }) => p.component)).toEqual(['body', 'neck']);
    for (const part of record.parts) {
      expect(part.species).toBe('mahogany');
      expect(part).toMatchObject({ sessions: 2, atRelease: { meter: 'pinless' } });
      expect(part.visits.length).toBeGreaterThan(5);
    }
    expect(record.coats).toHaveLength(5);
    expect(record.measures.length).toBeGreaterThanOrEqual(8);
    const flow = (await manager.get('/flow?days=60')).body;
    expect(flow.shipped).toBe(2);
    expect(flow.limit.sentence).toMatch(/holds the line|No station is narrow/);
  });
  test('a piece of another model is refused', async () => {
    const bodies = await startedBatch(factory, manager, 'body', 1);
    await advanceTo(factory, manager, bodies, 'fit');
    const { batch } = await card(manager, bodies);
    const refused = await operator.post('/fitting', {
      bodyBatchId: bodies,
      bodyVersion: batch.version,
      neckBatchId: null,
      neckVersion: null,
      pairs: [{ bodyId: `${bodies}-01`, neckId: null }],
    });
    expect(refused.body.detail).toMatch(/Necks come here of their own/);
  });
});

describe('the logbook', () => {
  test('cannot be changed, by the application or by its owner', async () => {
    await expect(factory.database.query('update logbook set payload = payload')).rejects.toThrow(/permission denied/);
    await expect(factory.database.query('delete from logbook')).rejects.toThrow(/permission denied/);
    const { ownerDataSource } = await import('./database.ts');
    const owner = await ownerDataSource().initialize();
    await expect(owner.query('delete from logbook')).rejects.toThrow(/append-only/);
    await owner.destroy();
  });
  test('tells all that the tables hold', async () => {
    const { entries, differences } = await told();
    expect(entries).toBeGreaterThan(100);
    expect(differences).toBe(0);
    await factory.database.query(`update lot set supplier = 'someone else' where id = 'L101'`);
    expect((await told()).first).toEqual([{ kind: 'lot', key: 'L101', what: 'different' }]);
  });
});
