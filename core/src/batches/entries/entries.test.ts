import { describe, expect, test } from '@jest/globals';
import { Batch, Defect, Instrument, livePieces, Piece, piecesIn, Run, Visit, visitOf } from '../../batches/index.ts';
import { Coat } from '../../finishing/index.ts';
import { LEDGER, type LogbookEntry } from '../../ledger.ts';
import { Order } from '../../orders/index.ts';
import { Measure } from '../../quality/index.ts';
import { OverrideRecord, RouteBook } from '../../routing/index.ts';
import { Lot, Reading, ReadingSession } from '../../timber/index.ts';
import { DAY_MS, HOUR_MS } from '../../units/index.ts';
import { everything, START_MS, TestShop } from '../../test/shop.ts';
import { Rows } from '../../ledger/index.ts';

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
  shop.command(body, { command: 'move batch' });
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
    expect(new TestShop().rows.get(Lot, 'L1')).toMatchObject({ state: 'drying', leftM3: 1, sessions: 0, meanPct: null, version: 1 });
  });
  test('has the mean of its latest session, whatever order they are written down in', () => {
    const shop = new TestShop();
    read(shop, 's2', START_MS + DAY_MS, [8, 9]);
    read(shop, 's1', START_MS, [12, 13]);
    expect(shop.rows.get(Lot, 'L1')).toMatchObject({ sessions: 2, meanPct: 8.5, lastReadMs: START_MS + DAY_MS, version: 3 });
    expect(shop.rows.get(ReadingSession, 's1')).toMatchObject({ meanPct: 12.5, spreadPct: 1 });
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
    expect(shop.rows.get(Reading, 's1/3')).toMatchObject({ rawPct: 16, struck: 'hit a nail' });
    expect(shop.rows.get(Lot, 'L1').meanPct).toBe(8.5);
    expect(shop.rows.all(Reading)).toHaveLength(3);
  });
  test('is used up when the last of it is cut', () => {
    const shop = new TestShop();
    shop.start('body', 2, { volumeM3: 0.4 });
    expect(shop.rows.get(Lot, 'L1')).toMatchObject({ leftM3: 0.6, state: 'drying' });
    shop.start('body', 2, { volumeM3: 0.6 });
    expect(shop.rows.get(Lot, 'L1')).toMatchObject({ leftM3: 0, state: 'used up' });
  });
  test('an override of its gate stays on record', () => {
    const shop = new TestShop();
    const findings = [{ rule: 'inBand' as const, verdict: 'stop' as const, sentence: 'Too wet' }];
    shop.recorder.record('lot.released', START_MS, 'ann', { lotId: 'L1' }, { override: { reason: 'Offcuts only', findings }, findings });
    expect(shop.rows.get(Lot, 'L1')).toMatchObject({ state: 'released', releasedMs: START_MS });
    expect(shop.rows.all(OverrideRecord)).toMatchObject([{ lotId: 'L1', batchId: null, reason: 'Offcuts only', findings }]);
  });
});

describe('a batch', () => {
  test('starts at the first step of its stream, its pieces numbered', () => {
    const shop = new TestShop();
    shop.start('body', 3);
    expect(shop.batch('B1')).toMatchObject({ operationId: 'cut', status: 'queued', quantity: 3, pass: 1, stationCode: 'S-cut' });
    expect(piecesIn(shop.rows, 'B1').map((p) => p.id)).toEqual(['B1-01', 'B1-02', 'B1-03']);
  });
  test('touch is the time worked, pauses not counted', () => {
    const shop = new TestShop();
    shop.start('neck', 2);
    shop.command('B1', { command: 'start work', personId: 'ann' });
    shop.pass(HOUR_MS);
    shop.command('B1', { command: 'pause work', cause: 'break' });
    shop.pass(5 * HOUR_MS);
    shop.command('B1', { command: 'resume work', personId: 'bob' });
    shop.pass(2 * HOUR_MS);
    shop.command('B1', { command: 'finish work', good: 2, rework: 0, scrap: 0, outcomes: [] });
    expect(shop.rows.get(Visit, 'B1/carve/1')).toMatchObject({ touchMs: 3 * HOUR_MS, good: 2, personId: 'ann' });
    expect(shop.rows.all(Run).map((r) => [r.personId, (r.toMs ?? 0) - r.fromMs])).toEqual([
      ['ann', HOUR_MS],
      ['bob', 2 * HOUR_MS],
    ]);
  });
  test('rework brings the same step again, for what came back alone', () => {
    const shop = new TestShop();
    shop.start('body', 3);
    shop.work('B1', { rework: ['B1-02'] });
    expect(shop.batch('B1')).toMatchObject({ operationId: 'cut', pass: 2, status: 'queued', quantity: 3 });
    expect(shop.rows.get(Visit, 'B1/cut/2').quantity).toBe(1);
    shop.work('B1');
    expect(shop.batch('B1')).toMatchObject({ operationId: 'rest', pass: 1, status: 'dwelling' });
    expect(shop.rows.all(Defect)).toMatchObject([{ pieceId: 'B1-02', kind: 'tear-out', disposition: 'rework', originOperationId: 'cut' }]);
    expect(livePieces(piecesIn(shop.rows, 'B1'))).toHaveLength(3);
  });
  test('ends when its last piece is scrapped', () => {
    const shop = new TestShop();
    shop.start('body', 1);
    shop.work('B1', { scrap: ['B1-01'] });
    expect(shop.batch('B1')).toMatchObject({ status: 'done', quantity: 0, endedMs: shop.nowMs });
    expect(shop.rows.get(Visit, 'B1/cut/1').leftMs).toBe(shop.nowMs);
  });
  test('a hold gives back the status it took', () => {
    const shop = new TestShop();
    shop.start('body', 2);
    shop.work('B1');
    shop.command('B1', { command: 'hold batch', reason: 'Grain in doubt' });
    expect(shop.batch('B1')).toMatchObject({ status: 'held', heldStatus: 'dwelling', holdReason: 'Grain in doubt' });
    shop.command('B1', { command: 'release batch' });
    expect(shop.batch('B1')).toMatchObject({ status: 'dwelling', heldStatus: null, holdReason: null });
  });
  test('the dwell it leaves counts all its pieces as good', () => {
    const { shop, body } = atTheBench();
    expect(shop.rows.get(Visit, `${body}/rest/1`)).toMatchObject({ good: 3, leftMs: shop.nowMs, finishedMs: shop.nowMs });
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
    expect(shop.rows.get(Instrument, 'S01')).toMatchObject({ bodyId: 'B1-01', neckId: 'B2-01', startedMs: START_MS, state: 'in work' });
    expect(shop.rows.get(Piece, 'B1-01')).toMatchObject({ state: 'fitted', serial: 'S01' });
    expect(shop.rows.get(Piece, 'S01')).toMatchObject({ component: 'instrument', lotId: 'L1', batchId: id });
  });
  test('ship one by one; the last ends the batch and the order knows', () => {
    const { shop, body, neck } = atTheBench(2, 2);
    const id = shop.fit(body, neck) as string;
    shop.work(id);
    shop.pass(2 * DAY_MS);
    shop.command(id, { command: 'move batch' });
    shop.ship('S01');
    expect(shop.batch(id)).toMatchObject({ quantity: 1, status: 'queued', operationId: 'ship' });
    shop.ship('S02');
    expect(shop.batch(id)).toMatchObject({ quantity: 0, status: 'done' });
    expect(shop.rows.get(Order, 'O1').shipped).toBe(2);
    expect(shop.rows.get(Instrument, 'S02')).toMatchObject({ state: 'shipped', consignee: 'Shop', shipper: 'Van' });
  });
  test('one scrapped at the bench is scrapped as an instrument', () => {
    const { shop, body, neck } = atTheBench(2, 2);
    const id = shop.fit(body, neck) as string;
    shop.work(id, { scrap: ['S02'] });
    expect(shop.rows.get(Instrument, 'S02').state).toBe('scrapped');
    expect(shop.batch(id).quantity).toBe(1);
  });
  test('coats keep their film and when they may be touched', () => {
    const { shop, body, neck } = atTheBench(1, 1);
    const id = shop.fit(body, neck) as string;
    shop.command(id, { command: 'start work', personId: 'ann' });
    const at = shop.nowMs;
    shop.coat(id);
    expect(shop.rows.all(Coat)).toMatchObject([{ batchId: id, wetUm: 100, dryUm: 25, flashUntilMs: at + HOUR_MS, personId: 'ann' }]);
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
    expect(shop.rows.all(Measure).map((m) => m.inBand)).toEqual([true, false]);
  });
});

describe('the state', () => {
  test('an entry about something never introduced is told, not guessed at', () => {
    expect(() =>
      LEDGER.apply(new Rows(), entry('batch.held', { batchId: 'B9', payload: { reason: 'x' } }), new RouteBook(new Map())),
    ).toThrow(/batch B9/);
    expect(() => new Rows().get(Lot, null)).toThrow(/\(none\)/);
    expect(() => new RouteBook(new Map()).route('nowhere')).toThrow(/No route/);
  });
  test('knows which rows were touched since it was last asked', () => {
    const shop = new TestShop();
    expect(shop.rows.takeTouched(Lot).map((l) => l.id)).toEqual(['L1']);
    expect(shop.rows.takeTouched(Lot)).toEqual([]);
    shop.start('body', 2);
    expect(shop.rows.takeTouched(Lot)).toHaveLength(1);
    expect(shop.rows.takeTouched(Piece)).toHaveLength(2);
  });
  test('orders that ask for the same share their facts, and each batch counts its own passes', () => {
    const shop = new TestShop();
    const replay = new Rows(true);
    const facts = () => ({ choices: { binding: 'both' }, species: {}, construction: 'bolt-on' });
    shop.start('body', 3, { facts: facts() });
    shop.start('body', 3, { facts: facts() });
    shop.command('B1', { command: 'split batch', pieceIds: ['B1-01'] });
    shop.work('B1');
    LEDGER.replay(shop.recorder.entries, shop.routes, replay);
    const [first, second, part] = replay.all(Batch);
    expect(second?.facts).toBe(first?.facts);
    expect(part?.parentId).toBe('B1');
    expect(Object.keys(first?.passes ?? {}).length).toBeGreaterThan(1);
    expect(Object.keys(part?.passes ?? {})).toHaveLength(1);
  });
  test('small parts are drawn in the order of the box, however they were read from storage', () => {
    const shop = new TestShop();
    shop.start('body', 3);
    const pieces = piecesIn(shop.rows, 'B1');
    const drawn = [pieces, pieces.toReversed()].map((inOrder) => {
      const rows = new Rows();
      rows.load(Batch, shop.rows.get(Batch, 'B1'));
      rows.load(Visit, visitOf(shop.rows, shop.rows.get(Batch, 'B1')));
      for (const piece of inOrder) rows.load(Piece, piece);
      LEDGER.apply(rows, entry('stock.drawn', { batchId: 'B1', payload: { count: 2, forBatchId: 'B7', operationId: 'cut' } }), shop.routes);
      return rows.all(Piece).flatMap((p) => (p.state === 'drawn' ? [p.id] : []));
    });
    expect(drawn.map((ids) => ids.sort())).toEqual([
      ['B1-01', 'B1-02'],
      ['B1-01', 'B1-02'],
    ]);
  });
  test('a change of the set-up is written down and moves nothing', () => {
    const shop = new TestShop();
    const was = JSON.stringify(everything(shop.rows));
    shop.recorder.record(
      'setup.changed',
      shop.nowMs,
      'ann',
      {},
      { what: 'station', id: 'S1', before: { places: 1 }, after: { places: 2 } },
    );
    expect(JSON.stringify(everything(shop.rows))).toBe(was);
  });
});
