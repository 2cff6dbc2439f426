import { describe, expect, test } from '@jest/globals';
import { Batch, Defect, Instrument, Job, livePieces, Piece, piecesIn, Visit, visitOf } from '../../batches/index.ts';
import { Coat } from '../../finishing/index.ts';
import { LEDGER, type LogbookEntry } from '../../ledger.ts';
import { Order } from '../../orders/index.ts';
import { Measure } from '../../quality/index.ts';
import { OverrideRecord, RouteBook } from '../../routing/index.ts';
import { Lot, Reading, ReadingSession } from '../../timber/index.ts';
import { DAY_MS, HOUR_MS } from '../../units/index.ts';
import { everything, START_MS, TestHouse } from '../../test/house.ts';
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
  const house = new TestHouse();
  const body = house.start('body', bodies);
  const neck = house.start('neck', necks);
  house.work(body);
  house.work(neck);
  house.pass(3 * DAY_MS);
  house.command(body, { command: 'move batch' });
  return { house, body, neck };
}

describe('a lot', () => {
  const read = (house: TestHouse, sessionId: string, atMs: number, values: number[]) =>
    house.recorder.record(
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
    expect(new TestHouse().rows.get(Lot, 'L1')).toMatchObject({ state: 'drying', leftM3: 1, sessions: 0, meanPct: null, version: 1 });
  });
  test('has the mean of its latest session, whatever order they are written down in', () => {
    const house = new TestHouse();
    read(house, 's2', START_MS + DAY_MS, [8, 9]);
    read(house, 's1', START_MS, [12, 13]);
    expect(house.rows.get(Lot, 'L1')).toMatchObject({ sessions: 2, meanPct: 8.5, lastReadMs: START_MS + DAY_MS, version: 3 });
    expect(house.rows.get(ReadingSession, 's1')).toMatchObject({ meanPct: 12.5, spreadPct: 1 });
  });
  test('a struck reading stays, with its reason, and the mean follows', () => {
    const house = new TestHouse();
    read(house, 's1', START_MS, [8, 9, 16]);
    house.recorder.record(
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
    expect(house.rows.get(Reading, 's1/3')).toMatchObject({ rawPct: 16, struck: 'hit a nail' });
    expect(house.rows.get(Lot, 'L1').meanPct).toBe(8.5);
    expect(house.rows.all(Reading)).toHaveLength(3);
  });
  test('is used up when the last of it is cut', () => {
    const house = new TestHouse();
    house.start('body', 2, { volumeM3: 0.4 });
    expect(house.rows.get(Lot, 'L1')).toMatchObject({ leftM3: 0.6, state: 'drying' });
    house.start('body', 2, { volumeM3: 0.6 });
    expect(house.rows.get(Lot, 'L1')).toMatchObject({ leftM3: 0, state: 'used up' });
  });
  test('an override of its gate stays on record', () => {
    const house = new TestHouse();
    const findings = [{ rule: 'inBand' as const, verdict: 'stop' as const, sentence: 'Too wet' }];
    house.recorder.record('lot.released', START_MS, 'ann', { lotId: 'L1' }, { override: { reason: 'Offcuts only', findings }, findings });
    expect(house.rows.get(Lot, 'L1')).toMatchObject({ state: 'released', releasedMs: START_MS });
    expect(house.rows.all(OverrideRecord)).toMatchObject([{ lotId: 'L1', batchId: null, reason: 'Offcuts only', findings }]);
  });
});

describe('a batch', () => {
  test('starts at the first step of its stream, its pieces numbered', () => {
    const house = new TestHouse();
    house.start('body', 3);
    expect(house.batch('B1')).toMatchObject({ operationId: 'cut', status: 'queued', quantity: 3, pass: 1, stationCode: 'S-cut' });
    expect(piecesIn(house.rows, 'B1').map((p) => p.id)).toEqual(['B1-01', 'B1-02', 'B1-03']);
  });
  test('touch is the time worked, pauses not counted', () => {
    const house = new TestHouse();
    house.start('neck', 2);
    house.command('B1', { command: 'start work', personId: 'ann' });
    house.pass(HOUR_MS);
    house.command('B1', { command: 'pause work', cause: 'break' });
    house.pass(5 * HOUR_MS);
    house.command('B1', { command: 'resume work', personId: 'bob' });
    house.pass(2 * HOUR_MS);
    house.command('B1', { command: 'finish work', good: 2, rework: 0, scrap: 0, outcomes: [] });
    expect(house.rows.get(Visit, 'B1/carve/1')).toMatchObject({ touchMs: 3 * HOUR_MS, good: 2, personId: 'ann' });
    expect(house.rows.all(Job).map((job) => [job.personIds, (job.toMs ?? 0) - job.fromMs])).toEqual([
      [['ann'], HOUR_MS],
      [['bob'], 2 * HOUR_MS],
    ]);
  });
  test('rework brings the same step again, for what came back alone', () => {
    const house = new TestHouse();
    house.start('body', 3);
    house.work('B1', { rework: ['B1-02'] });
    expect(house.batch('B1')).toMatchObject({ operationId: 'cut', pass: 2, status: 'queued', quantity: 3 });
    expect(house.rows.get(Visit, 'B1/cut/2').quantity).toBe(1);
    house.work('B1');
    expect(house.batch('B1')).toMatchObject({ operationId: 'rest', pass: 1, status: 'dwelling' });
    expect(house.rows.all(Defect)).toMatchObject([{ pieceId: 'B1-02', kind: 'tear-out', disposition: 'rework', originOperationId: 'cut' }]);
    expect(livePieces(piecesIn(house.rows, 'B1'))).toHaveLength(3);
  });
  test('ends when its last piece is scrapped', () => {
    const house = new TestHouse();
    house.start('body', 1);
    house.work('B1', { scrap: ['B1-01'] });
    expect(house.batch('B1')).toMatchObject({ status: 'done', quantity: 0, endedMs: house.nowMs });
    expect(house.rows.get(Visit, 'B1/cut/1').leftMs).toBe(house.nowMs);
  });
  test('a hold gives back the status it took', () => {
    const house = new TestHouse();
    house.start('body', 2);
    house.work('B1');
    house.command('B1', { command: 'hold batch', reason: 'Grain in doubt' });
    expect(house.batch('B1')).toMatchObject({ status: 'held', heldStatus: 'dwelling', holdReason: 'Grain in doubt' });
    house.command('B1', { command: 'release batch' });
    expect(house.batch('B1')).toMatchObject({ status: 'dwelling', heldStatus: null, holdReason: null });
  });
  test('the dwell it leaves counts all its pieces as good', () => {
    const { house, body } = atTheBench();
    expect(house.rows.get(Visit, `${body}/rest/1`)).toMatchObject({ good: 3, leftMs: house.nowMs, finishedMs: house.nowMs });
    expect(house.batch(body)).toMatchObject({ operationId: 'fit', status: 'queued' });
  });
});

describe('instruments', () => {
  test('are one body and one neck each, and what is left over stays', () => {
    const { house, body, neck } = atTheBench(3, 2);
    const id = house.fit(body, neck) as string;
    expect(house.batch(id)).toMatchObject({ component: 'instrument', operationId: 'spray', quantity: 2, orderId: 'O1' });
    expect(house.batch(neck)).toMatchObject({ status: 'done', quantity: 0 });
    expect(house.batch(body)).toMatchObject({ status: 'queued', quantity: 1 });
    expect(house.rows.get(Instrument, 'S01')).toMatchObject({ bodyId: 'B1-01', neckId: 'B2-01', startedMs: START_MS, state: 'in work' });
    expect(house.rows.get(Piece, 'B1-01')).toMatchObject({ state: 'fitted', serial: 'S01' });
    expect(house.rows.get(Piece, 'S01')).toMatchObject({ component: 'instrument', lotId: 'L1', batchId: id });
  });
  test('ship one by one; the last ends the batch and the order knows', () => {
    const { house, body, neck } = atTheBench(2, 2);
    const id = house.fit(body, neck) as string;
    house.work(id);
    house.pass(2 * DAY_MS);
    house.command(id, { command: 'move batch' });
    house.ship('S01');
    expect(house.batch(id)).toMatchObject({ quantity: 1, status: 'queued', operationId: 'ship' });
    house.ship('S02');
    expect(house.batch(id)).toMatchObject({ quantity: 0, status: 'done' });
    expect(house.rows.get(Order, 'O1').shipped).toBe(2);
    expect(house.rows.get(Instrument, 'S02')).toMatchObject({ state: 'shipped', consignee: 'Shop', shipper: 'Van' });
  });
  test('one scrapped at the bench is scrapped as an instrument', () => {
    const { house, body, neck } = atTheBench(2, 2);
    const id = house.fit(body, neck) as string;
    house.work(id, { scrap: ['S02'] });
    expect(house.rows.get(Instrument, 'S02').state).toBe('scrapped');
    expect(house.batch(id).quantity).toBe(1);
  });
  test('coats keep their film and when they may be touched', () => {
    const { house, body, neck } = atTheBench(1, 1);
    const id = house.fit(body, neck) as string;
    house.command(id, { command: 'start work', personId: 'ann' });
    const at = house.nowMs;
    house.coat(id);
    expect(house.rows.all(Coat)).toMatchObject([{ batchId: id, wetUm: 100, dryUm: 25, flashUntilMs: at + HOUR_MS, personId: 'ann' }]);
  });
  test('measures know whether they lie in band', () => {
    const house = new TestHouse();
    house.start('body', 2);
    const measure = { characteristicId: 'pocket', low: 56, high: 56.1 };
    house.recorder.record(
      'measures.taken',
      house.nowMs,
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
    expect(house.rows.all(Measure).map((m) => m.inBand)).toEqual([true, false]);
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
    const house = new TestHouse();
    expect(house.rows.takeTouched(Lot).map((l) => l.id)).toEqual(['L1']);
    expect(house.rows.takeTouched(Lot)).toEqual([]);
    house.start('body', 2);
    expect(house.rows.takeTouched(Lot)).toHaveLength(1);
    expect(house.rows.takeTouched(Piece)).toHaveLength(2);
  });
  test('orders that ask for the same share their facts, and each batch counts its own passes', () => {
    const house = new TestHouse();
    const replay = new Rows(true);
    const facts = () => ({ choices: { binding: 'both' }, species: {}, construction: 'bolt-on' });
    house.start('body', 3, { facts: facts() });
    house.start('body', 3, { facts: facts() });
    house.command('B1', { command: 'split batch', pieceIds: ['B1-01'] });
    house.work('B1');
    LEDGER.replay(house.recorder.entries, house.routes, replay);
    const [first, second, part] = replay.all(Batch);
    expect(second?.facts).toBe(first?.facts);
    expect(part?.parentId).toBe('B1');
    expect(Object.keys(first?.passes ?? {}).length).toBeGreaterThan(1);
    expect(Object.keys(part?.passes ?? {})).toHaveLength(1);
  });
  test('small parts are drawn in the order of the box, however they were read from storage', () => {
    const house = new TestHouse();
    house.start('body', 3);
    const pieces = piecesIn(house.rows, 'B1');
    const drawn = [pieces, pieces.toReversed()].map((inOrder) => {
      const rows = new Rows();
      rows.load(Batch, house.rows.get(Batch, 'B1'));
      rows.load(Visit, visitOf(house.rows, house.rows.get(Batch, 'B1')));
      for (const piece of inOrder) rows.load(Piece, piece);
      LEDGER.apply(
        rows,
        entry('stock.drawn', { batchId: 'B1', payload: { count: 2, forBatchId: 'B7', operationId: 'cut' } }),
        house.routes,
      );
      return rows.all(Piece).flatMap((p) => (p.state === 'drawn' ? [p.id] : []));
    });
    expect(drawn.map((ids) => ids.sort())).toEqual([
      ['B1-01', 'B1-02'],
      ['B1-01', 'B1-02'],
    ]);
  });
  test('a change of the set-up is written down and moves nothing', () => {
    const house = new TestHouse();
    const was = JSON.stringify(everything(house.rows));
    house.recorder.record(
      'setup.changed',
      house.nowMs,
      'ann',
      {},
      { what: 'station', id: 'S1', before: { places: 1 }, after: { places: 2 } },
    );
    expect(JSON.stringify(everything(house.rows))).toBe(was);
  });
});
