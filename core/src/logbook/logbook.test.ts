import { describe, expect, test } from '@jest/globals';
import { livePieces } from '../routing/index.ts';
import { everything, START_MS, TestShop } from '../test/shop.ts';
import { DAY_MS, HOUR_MS } from '../units/index.ts';
import { applyEntry, ShopState, type LogbookEntry } from './index.ts';

const entry = (kind: string, fields: Partial<LogbookEntry>) =>
  ({
    id: 900,
    kind,
    atMs: START_MS,
    personId: 'ann',
    lotId: null,
    batchId: null,
    serial: null,
    schemaVersion: 1,
    ...fields,
  }) as LogbookEntry;

/** Bodies and necks waiting at the fitting. */
function atTheBench(bodies = 3, necks = 3) {
  const shop = new TestShop();
  const body = shop.start('body', bodies);
  const neck = shop.start('neck', necks);
  shop.work(body);
  shop.work(neck);
  shop.pass(3 * DAY_MS);
  shop.command(body, { kind: 'move' }, { evidence: { nowMs: shop.nowMs } });
  return { shop, body, neck };
}

describe('a lot', () => {
  const read = (shop: TestShop, sessionId: string, atMs: number, values: number[]) =>
    shop.recorder.record(
      'lot.read',
      atMs,
      'ann',
      { lotId: 'L1' },
      {
        sessionId,
        meter: 'pin',
        woodTempC: 20,
        readings: values.map((v) => ({ depth: 'shell' as const, rawPct: v, correctedPct: v })),
      },
    );
  test('comes in whole and drying', () => {
    expect(new TestShop().state.get('lot', 'L1')).toMatchObject({ state: 'drying', leftM3: 1, sessions: 0, meanPct: null, version: 1 });
  });
  test('has the mean of its latest session, whatever order they are written down in', () => {
    const shop = new TestShop();
    read(shop, 's2', START_MS + DAY_MS, [8, 9]);
    read(shop, 's1', START_MS, [12, 13]);
    expect(shop.state.get('lot', 'L1')).toMatchObject({ sessions: 2, meanPct: 8.5, lastReadMs: START_MS + DAY_MS, version: 3 });
    expect(shop.state.get('session', 's1')).toMatchObject({ meanPct: 12.5, spreadPct: 1 });
  });
  test('a struck reading stays, with its reason, and the mean follows', () => {
    const shop = new TestShop();
    read(shop, 's1', START_MS, [8, 9, 16]);
    shop.recorder.record(
      'reading.struck',
      START_MS + 1,
      'ann',
      { lotId: 'L1' },
      {
        sessionId: 's1',
        seq: 3,
        reason: 'hit a nail',
        meanPct: 8.5,
        spreadPct: 1,
      },
    );
    expect(shop.state.get('reading', 's1/3')).toMatchObject({ rawPct: 16, struck: 'hit a nail' });
    expect(shop.state.get('lot', 'L1').meanPct).toBe(8.5);
    expect(shop.state.all('reading')).toHaveLength(3);
  });
  test('is used up when the last of it is cut', () => {
    const shop = new TestShop();
    shop.start('body', 2, { volumeM3: 0.4 });
    expect(shop.state.get('lot', 'L1')).toMatchObject({ leftM3: 0.6, state: 'drying' });
    shop.start('body', 2, { volumeM3: 0.6 });
    expect(shop.state.get('lot', 'L1')).toMatchObject({ leftM3: 0, state: 'used up' });
  });
  test('an override of its gate stays on record', () => {
    const shop = new TestShop();
    const findings = [{ rule: 'inBand' as const, verdict: 'stop' as const, sentence: 'Too wet' }];
    shop.recorder.record('lot.released', START_MS, 'ann', { lotId: 'L1' }, { override: { reason: 'Offcuts only', findings }, findings });
    expect(shop.state.get('lot', 'L1')).toMatchObject({ state: 'released', releasedMs: START_MS });
    expect(shop.state.all('override')).toMatchObject([{ lotId: 'L1', batchId: null, reason: 'Offcuts only', findings }]);
  });
});

describe('a batch', () => {
  test('starts at the first step of its stream, its pieces numbered', () => {
    const shop = new TestShop();
    shop.start('body', 3);
    expect(shop.batch('B1')).toMatchObject({ operationId: 'cut', status: 'queued', quantity: 3, pass: 1, stationCode: 'S-cut' });
    expect(shop.state.pieces('B1').map((p) => p.id)).toEqual(['B1-01', 'B1-02', 'B1-03']);
  });
  test('touch is the time worked, pauses not counted', () => {
    const shop = new TestShop();
    shop.start('neck', 2);
    shop.command('B1', { kind: 'start', personId: 'ann' });
    shop.pass(HOUR_MS);
    shop.command('B1', { kind: 'pause', cause: 'break' });
    shop.pass(5 * HOUR_MS);
    shop.command('B1', { kind: 'resume', personId: 'bob' });
    shop.pass(2 * HOUR_MS);
    shop.command('B1', { kind: 'finish', good: 2, rework: 0, scrap: 0, outcomes: [] });
    expect(shop.state.get('visit', 'B1/carve/1')).toMatchObject({ touchMs: 3 * HOUR_MS, good: 2, personId: 'ann' });
    expect(shop.state.all('run').map((r) => [r.personId, (r.toMs ?? 0) - r.fromMs])).toEqual([
      ['ann', HOUR_MS],
      ['bob', 2 * HOUR_MS],
    ]);
  });
  test('rework brings the same step again, for what came back alone', () => {
    const shop = new TestShop();
    shop.start('body', 3);
    shop.work('B1', { rework: ['B1-02'] });
    expect(shop.batch('B1')).toMatchObject({ operationId: 'cut', pass: 2, status: 'queued', quantity: 3 });
    expect(shop.state.get('visit', 'B1/cut/2').quantity).toBe(1);
    shop.work('B1');
    expect(shop.batch('B1')).toMatchObject({ operationId: 'rest', pass: 1, status: 'dwelling' });
    expect(shop.state.all('defect')).toMatchObject([
      { pieceId: 'B1-02', kind: 'tear-out', disposition: 'rework', originOperationId: 'cut' },
    ]);
    expect(livePieces(shop.state.pieces('B1'))).toHaveLength(3);
  });
  test('ends when its last piece is scrapped', () => {
    const shop = new TestShop();
    shop.start('body', 1);
    shop.work('B1', { scrap: ['B1-01'] });
    expect(shop.batch('B1')).toMatchObject({ status: 'done', quantity: 0, endedMs: shop.nowMs });
    expect(shop.state.get('visit', 'B1/cut/1').leftMs).toBe(shop.nowMs);
  });
  test('a hold gives back the status it took', () => {
    const shop = new TestShop();
    shop.start('body', 2);
    shop.work('B1');
    shop.command('B1', { kind: 'hold', reason: 'Grain in doubt' });
    expect(shop.batch('B1')).toMatchObject({ status: 'held', heldStatus: 'dwelling', holdReason: 'Grain in doubt' });
    shop.command('B1', { kind: 'release' });
    expect(shop.batch('B1')).toMatchObject({ status: 'dwelling', heldStatus: null, holdReason: null });
  });
  test('the dwell it leaves counts all its pieces as good', () => {
    const { shop, body } = atTheBench();
    expect(shop.state.get('visit', `${body}/rest/1`)).toMatchObject({ good: 3, leftMs: shop.nowMs, finishedMs: shop.nowMs });
    expect(shop.batch(body)).toMatchObject({ operationId: 'fit', status: 'queued' });
  });
});

describe('instruments', () => {
  test('are one body and one neck each, and what is left over stays', () => {
    const { shop, body, neck } = atTheBench(3, 2);
    const id = shop.fit(body, neck) as string;
    expect(shop.batch(id)).toMatchObject({ component: 'instrument', operationId: 'spray', quantity: 2, orderId: 'O1' });
    expect(shop.batch(neck)).toMatchObject({ status: 'done', quantity: 0 });
    expect(shop.batch(body)).toMatchObject({ status: 'queued', quantity: 1 });
    expect(shop.state.get('instrument', 'S1')).toMatchObject({ bodyId: 'B1-01', neckId: 'B2-01', startedMs: START_MS, state: 'in work' });
    expect(shop.state.get('piece', 'B1-01')).toMatchObject({ state: 'fitted', serial: 'S1' });
    expect(shop.state.get('piece', 'S1')).toMatchObject({ component: 'instrument', lotId: 'L1', batchId: id });
  });
  test('ship one by one; the last ends the batch and the order knows', () => {
    const { shop, body, neck } = atTheBench(2, 2);
    const id = shop.fit(body, neck) as string;
    shop.work(id);
    shop.pass(2 * DAY_MS);
    shop.command(id, { kind: 'move' });
    shop.ship('S1');
    expect(shop.batch(id)).toMatchObject({ quantity: 1, status: 'queued', operationId: 'ship' });
    shop.ship('S2');
    expect(shop.batch(id)).toMatchObject({ quantity: 0, status: 'done' });
    expect(shop.state.get('order', 'O1').shipped).toBe(2);
    expect(shop.state.get('instrument', 'S2')).toMatchObject({ state: 'shipped', consignee: 'Shop', shipper: 'Van' });
  });
  test('one scrapped at the bench is scrapped as an instrument', () => {
    const { shop, body, neck } = atTheBench(2, 2);
    const id = shop.fit(body, neck) as string;
    shop.work(id, { scrap: ['S2'] });
    expect(shop.state.get('instrument', 'S2').state).toBe('scrapped');
    expect(shop.batch(id).quantity).toBe(1);
  });
  test('coats keep their film and when they may be touched', () => {
    const { shop, body, neck } = atTheBench(1, 1);
    const id = shop.fit(body, neck) as string;
    const at = shop.nowMs;
    shop.coat(id);
    expect(shop.state.all('coat')).toMatchObject([{ batchId: id, wetUm: 100, dryUm: 25, flashUntilMs: at + HOUR_MS, personId: 'ann' }]);
  });
  test('measures know whether they lie in band', () => {
    const shop = new TestShop();
    shop.start('body', 2);
    const measure = { characteristicId: 'pocket', low: 56, high: 56.1 };
    shop.recorder.record(
      'measures.taken',
      shop.nowMs,
      'ann',
      { batchId: 'B1' },
      {
        operationId: 'cut',
        measures: [
          { ...measure, id: 'm1', pieceId: 'B1-01', value: 56.1 },
          { ...measure, id: 'm2', pieceId: 'B1-02', value: 56.11 },
        ],
      },
    );
    expect(shop.state.all('measure').map((m) => m.inBand)).toEqual([true, false]);
  });
});

describe('the state', () => {
  test('an entry about something never introduced is told, not guessed at', () => {
    const state = new ShopState(new Map());
    expect(() => applyEntry(state, entry('batch.held', { batchId: 'B9', payload: { reason: 'x' } }))).toThrow(/batch B9/);
    expect(() => state.get('lot', null)).toThrow(/\(none\)/);
    expect(() => state.route('nowhere')).toThrow(/No route/);
  });
  test('knows which rows were touched since it was last asked', () => {
    const shop = new TestShop();
    expect(shop.state.takeTouched('lot').map((l) => l.id)).toEqual(['L1']);
    expect(shop.state.takeTouched('lot')).toEqual([]);
    shop.start('body', 2);
    expect(shop.state.takeTouched('lot')).toHaveLength(1);
    expect(shop.state.takeTouched('piece')).toHaveLength(2);
  });
  test('orders that ask for the same share their facts, and each batch counts its own passes', () => {
    const shop = new TestShop();
    const replay = new ShopState(shop.routes, true);
    const facts = () => ({ choices: { binding: 'both' }, species: {}, construction: 'bolt-on' });
    shop.start('body', 3, { facts: facts() });
    shop.start('body', 3, { facts: facts() });
    shop.command('B1', { kind: 'split', pieceIds: ['B1-01'] });
    shop.work('B1');
    for (const e of shop.recorder.entries) applyEntry(replay, e);
    const [first, second, part] = replay.all('batch');
    expect(second?.facts).toBe(first?.facts);
    expect(part?.parentId).toBe('B1');
    expect(Object.keys(first?.passes ?? {}).length).toBeGreaterThan(1);
    expect(Object.keys(part?.passes ?? {})).toHaveLength(1);
  });
  test('small parts are drawn in the order of the box, however they were read from storage', () => {
    const shop = new TestShop();
    shop.start('body', 3);
    const pieces = shop.state.pieces('B1');
    const drawn = [pieces, pieces.toReversed()].map((inOrder) => {
      const state = new ShopState(shop.routes);
      state.load('batch', shop.state.get('batch', 'B1'));
      state.load('visit', shop.state.visitOf(shop.state.get('batch', 'B1')));
      for (const piece of inOrder) state.load('piece', piece);
      applyEntry(state, entry('stock.drawn', { batchId: 'B1', payload: { count: 2, forBatchId: 'B7', operationId: 'cut' } }));
      return state.all('piece').flatMap((p) => (p.state === 'drawn' ? [p.id] : []));
    });
    expect(drawn.map((ids) => ids.sort())).toEqual([
      ['B1-01', 'B1-02'],
      ['B1-01', 'B1-02'],
    ]);
  });
  test('a change of the set-up is written down and moves nothing', () => {
    const shop = new TestShop();
    const was = JSON.stringify(everything(shop.state));
    shop.recorder.record(
      'setup.changed',
      shop.nowMs,
      'ann',
      {},
      { what: 'station', id: 'S1', before: { places: 1 }, after: { places: 2 } },
    );
    expect(JSON.stringify(everything(shop.state))).toBe(was);
  });
});
