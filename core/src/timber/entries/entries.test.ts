import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { piecesIn } from '../../batches/index.ts';
import { LEDGER } from '../../ledger.ts';
import { seededRandom } from '../../maths/index.ts';
import { Blank, blanksOf, type BoardPlan, Lot, Reading, StockBoard } from '../../timber/index.ts';
import { DAY_MS } from '../../units/index.ts';
import { START_MS, TestHouse } from '../../test/house.ts';
import { NO_FACTS } from '../../routing/index.ts';

const BOARD = { lengthMm: 2300, widthMm: 210, widthEndMm: 210, thicknessMm: 55, faults: [], grade: 'A', massG: null, setId: null };
const board = (ordinal: number) => ({ ...BOARD, id: `L1-${ordinal}`, ordinal });
const placed = { blankId: 'body', xMm: 30, yMm: 5, lengthMm: 1050, widthMm: 178, pieces: 2 };
const PLANS: BoardPlan[] = [
  { boardId: 'L1-1', placed: [placed, { ...placed, xMm: 1084, pieces: 1 }] },
  { boardId: 'L1-2', placed: [{ ...placed, blankId: 'unknown' }] },
];
const KINDS = [{ id: 'body', modelId: 'm', component: 'body', thicknessMm: 50 }];

function withBlanks() {
  const house = new TestHouse();
  const { recorder } = house;
  recorder.record('boards.measured', START_MS, 'ann', { lotId: 'L1' }, { boards: [board(1), board(2)] });
  recorder.record(
    'boards.cut',
    START_MS + DAY_MS,
    'ann',
    { lotId: 'L1' },
    {
      boardIds: ['L1-1'],
      volumeM3: 0.025,
      blanks: blanksOf(PLANS.slice(0, 1), KINDS, 'A'),
    },
  );
  return house;
}

describe('blanks of a plan', () => {
  test('are numbered along their board, and slices of one billet stay a set', () => {
    const blanks = blanksOf(PLANS, KINDS, 'B');
    expect(blanks.map((b) => [b.id, b.setId, b.look])).toEqual([
      ['L1-1.1', 'L1-1 body', 'solid'],
      ['L1-1.2', 'L1-1 body', 'solid'],
      ['L1-1.3', 'L1-1 body', 'solid'],
    ]);
  });
});

describe('a lot that moves', () => {
  const move = (house: TestHouse, zoneId: string, place: string | null, day: number) =>
    house.recorder.record('lot.moved', START_MS + day * DAY_MS, 'ann', { lotId: 'L1' }, { zoneId, place, scheduleId: null });
  test('remembers where it lay, from when', () => {
    const house = new TestHouse();
    move(house, 'shed', null, 3);
    move(house, 'cabinet', 'Shelf 2', 9);
    const lot = house.rows.get(Lot, 'L1');
    expect(lot).toMatchObject({ zoneId: 'cabinet', place: 'Shelf 2', version: 3 });
    expect(lot.stays.map((s) => [s.zoneId, (s.fromMs - START_MS) / DAY_MS])).toEqual([
      [lot.stays[0]?.zoneId, 0],
      ['shed', 3],
      ['cabinet', 9],
    ]);
  });
  test('within its room keeps one stay', () => {
    const house = new TestHouse();
    const { zoneId } = house.rows.get(Lot, 'L1');
    move(house, zoneId, 'Bay 4', 3);
    expect(house.rows.get(Lot, 'L1')).toMatchObject({ place: 'Bay 4', stays: [{ zoneId }] });
  });
  test('described better keeps what was not said', () => {
    const house = new TestHouse();
    house.recorder.record('lot.described', START_MS, 'ann', { lotId: 'L1' }, { grade: 'A', papersPct: 10 });
    house.recorder.record('lot.described', START_MS, 'ann', { lotId: 'L1' }, { papersPct: null });
    expect(house.rows.get(Lot, 'L1')).toMatchObject({ grade: 'A', papersPct: null, species: 'mahogany' });
  });
  test('keeps the dry masses of its sample boards', () => {
    const house = new TestHouse();
    const read = (n: number, samples: Record<string, number>) =>
      house.recorder.record(
        'lot.read',
        START_MS + n,
        'ann',
        { lotId: 'L1' },
        {
          sessionId: `L1/${n}`,
          meter: 'sample board',
          woodTempC: 20,
          readings: [{ depth: 'shell', rawPct: 19, correctedPct: 19, massG: 1190, dryMassG: 1000 }],
          samples,
        },
      );
    read(1, { S1: 1000 });
    read(2, { S2: 900 });
    expect(house.rows.get(Lot, 'L1').samples).toEqual({ S1: 1000, S2: 900 });
    expect(house.rows.get(Reading, 'L1/1/1')).toMatchObject({ massG: 1190, dryMassG: 1000 });
  });
});

describe('boards that are cut', () => {
  test('leave the lot with their wood, once', () => {
    const house = withBlanks();
    expect(house.rows.get(Lot, 'L1').leftM3).toBeCloseTo(0.975, 9);
    expect(house.rows.all(StockBoard).map((b) => b.state)).toEqual(['cut', 'whole']);
    expect(house.rows.all(Blank).map((b) => [b.id, b.state, b.massG, b.orderId])).toEqual([
      ['L1-1.1', 'free', null, null],
      ['L1-1.2', 'free', null, null],
      ['L1-1.3', 'free', null, null],
    ]);
  });
  test('become pieces that know their blank, and take no wood twice', () => {
    const house = withBlanks();
    const route = [...house.versions.values()][0];
    if (!route) throw new Error('No route');
    house.recorder.record(
      'batch.started',
      START_MS + 2 * DAY_MS,
      'ann',
      { batchId: 'B50', lotId: 'L1' },
      {
        number: 50,
        facts: NO_FACTS,
        modelId: route.modelId,
        component: 'body',
        routeId: route.id,
        orderId: null,
        lotId: 'L1',
        quantity: 2,
        dueMs: null,
        volumeM3: 0.4,
        blankIds: ['L1-1.1', 'L1-1.3'],
      },
    );
    const { rows } = house;
    expect(rows.get(Lot, 'L1').leftM3).toBeCloseTo(0.975, 9);
    expect(piecesIn(rows, 'B50').map((p) => p.blankId)).toEqual(['L1-1.1', 'L1-1.3']);
    expect(rows.all(Blank).map((b) => b.pieceId)).toEqual(['B50-01', null, 'B50-02']);
  });
  test('to the last are a lot used up', () => {
    const house = withBlanks();
    house.recorder.record('boards.cut', START_MS + 2 * DAY_MS, 'ann', { lotId: 'L1' }, { boardIds: ['L1-2'], volumeM3: 5, blanks: [] });
    expect(house.rows.get(Lot, 'L1')).toMatchObject({ leftM3: 0, state: 'used up' });
  });
  test('weighed and kept count their versions', () => {
    const { recorder, rows } = withBlanks();
    recorder.record('blanks.weighed', START_MS, 'ann', { lotId: 'L1' }, { blanks: [{ id: 'L1-1.1', massG: 4900, moisturePct: 8.4 }] });
    recorder.record('blanks.reserved', START_MS, 'ann', { lotId: 'L1' }, { blankIds: ['L1-1.1', 'L1-1.2'], orderId: 'O1' });
    recorder.record('blanks.reserved', START_MS, 'ann', { lotId: 'L1' }, { blankIds: ['L1-1.2'], orderId: null });
    expect(rows.all(Blank).map((b) => [b.massG, b.moisturePct, b.orderId, b.version])).toEqual([
      [4900, 8.4, 'O1', 3],
      [null, null, null, 3],
      [null, null, null, 1],
    ]);
  });
});

test('whatever happens to wood, none is made or lost, and replay tells the same', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 1e6 }), (seed) => {
      const random = seededRandom(seed);
      const house = new TestHouse();
      let boards = 0;
      let cutM3 = 0;
      for (let step = 0; step < 30; step++) {
        const whole = house.rows.all(StockBoard).filter((b) => b.state === 'whole');
        const act = random.integer(0, 3);
        if (act === 0) house.recorder.record('boards.measured', START_MS + step, 'ann', { lotId: 'L1' }, { boards: [board(++boards)] });
        else if (act === 1 && whole.length > 0) {
          const { id } = random.pick(whole);
          cutM3 += 0.02;
          const blanks = blanksOf([{ boardId: id, placed: [placed] }], KINDS, null);
          house.recorder.record('boards.cut', START_MS + step, 'ann', { lotId: 'L1' }, { boardIds: [id], volumeM3: 0.02, blanks });
        } else if (act === 2 && house.rows.all(Blank).length > 0) {
          const { id } = random.pick(house.rows.all(Blank));
          house.recorder.record(
            'blanks.reserved',
            START_MS + step,
            'ann',
            { lotId: 'L1' },
            { blankIds: [id], orderId: random.chance(0.5) ? 'O1' : null },
          );
        } else
          house.recorder.record(
            'lot.moved',
            START_MS + step,
            'ann',
            { lotId: 'L1' },
            { zoneId: random.pick(['wood', 'shed']), place: null, scheduleId: null },
          );
      }
      const { leftM3, stays } = house.rows.get(Lot, 'L1');
      expect(leftM3 + cutM3).toBeCloseTo(1, 6);
      expect(house.rows.all(Blank)).toHaveLength(2 * house.rows.all(StockBoard).filter((b) => b.state === 'cut').length);
      expect(stays.every((s, i) => i === 0 || s.zoneId !== stays[i - 1]?.zoneId)).toBe(true);
      const again = LEDGER.replay(house.recorder.entries, house.routes);
      for (const kind of [Lot, StockBoard, Blank]) expect(again.all<object>(kind)).toEqual(house.rows.all<object>(kind));
    }),
    { numRuns: 60 },
  );
});
