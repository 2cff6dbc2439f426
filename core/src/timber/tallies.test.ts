import { describe, expect, test } from '@jest/globals';
import { START_MS, TestHouse } from '../test/house.ts';
import { DAY_MS, HOUR_MS } from '../units/index.ts';
import { CutYield, dayOf, Lot, SupplierRecord, WoodUse, yieldOf, type LotReceipt } from './index.ts';

const LOT: LotReceipt = {
  id: 'L7',
  number: 7,
  species: 'ash',
  form: 'boards',
  use: 'body',
  thicknessMm: 45,
  volumeM3: 1,
  supplier: 'Calder',
  origin: '',
  permit: null,
  restricted: false,
  zoneId: 'wood',
  papersPct: 10,
};

/** A house with another lot, and what can happen to that. */
function withLot(receipt: Partial<LotReceipt> = {}) {
  const house = new TestHouse();
  const { recorder, rows } = house;
  let sessions = 0;
  recorder.record('lot.received', START_MS, 'ann', { lotId: 'L7' }, { lot: { ...LOT, ...receipt } });
  return {
    rows,
    read: (atMs: number, ...pct: number[]) => {
      const sessionId = `L7/${++sessions}`;
      const readings = pct.map((p) => ({ depth: 'shell' as const, rawPct: p, correctedPct: p }));
      recorder.record('lot.read', atMs, 'ann', { lotId: 'L7' }, { sessionId, meter: 'pin', woodTempC: 20, readings });
    },
    strike: (sessionId: string, meanPct: number) =>
      recorder.record('reading.struck', START_MS, 'ann', { lotId: 'L7' }, { sessionId, seq: 1, reason: 'slipped', meanPct, spreadPct: 0 }),
    describe: (papersPct: number | null) => recorder.record('lot.described', START_MS, 'ann', { lotId: 'L7' }, { papersPct }),
    record: () => rows.find(SupplierRecord, 'Calder'),
    recorder,
  };
}

describe('how a supplier’s lots came', () => {
  test('is known from the first time one is read, and later readings change nothing', () => {
    const lot = withLot();
    expect(lot.record()).toBeUndefined();
    lot.read(START_MS + HOUR_MS, 12, 13);
    expect(lot.record()).toEqual({ supplier: 'Calder', lots: 1, wetterMilliPct: 2500 });
    lot.read(START_MS + DAY_MS, 9);
    expect(lot.record()).toEqual({ supplier: 'Calder', lots: 1, wetterMilliPct: 2500 });
    expect(lot.rows.get(Lot, 'L7')).toMatchObject({ firstPct: 12.5, meanPct: 9 });
  });
  test('is put right by a reading of earlier that comes late, and by one struck out', () => {
    const lot = withLot();
    lot.read(START_MS + DAY_MS, 12);
    lot.read(START_MS + HOUR_MS, 14, 16);
    expect(lot.record()?.wetterMilliPct).toBe(5000);
    lot.strike('L7/2', 14);
    expect(lot.record()).toEqual({ supplier: 'Calder', lots: 1, wetterMilliPct: 4000 });
    lot.strike('L7/1', 11);
    expect(lot.record()?.wetterMilliPct).toBe(4000);
  });
  test('counts only lots with papers, which may come later, or be found to be of another', () => {
    const lot = withLot({ papersPct: null });
    lot.read(START_MS + HOUR_MS, 12);
    expect(lot.record()).toBeUndefined();
    lot.describe(11);
    expect(lot.record()).toEqual({ supplier: 'Calder', lots: 1, wetterMilliPct: 1000 });
    lot.describe(13);
    expect(lot.record()).toEqual({ supplier: 'Calder', lots: 1, wetterMilliPct: -1000 });
    lot.describe(null);
    expect(lot.record()).toEqual({ supplier: 'Calder', lots: 0, wetterMilliPct: 0 });
  });
});

test('boards that are cut are wood used on that day, and yield to their lot, their supplier and all', () => {
  const { recorder, rows } = withLot();
  const board = { widthMm: 200, widthEndMm: 100, thicknessMm: 50, faults: [], grade: null, massG: null, setId: null };
  const boards = [1, 2].map((ordinal) => ({ ...board, id: `L7-${ordinal}`, ordinal, lengthMm: 1000 * ordinal }));
  recorder.record('boards.measured', START_MS, 'ann', { lotId: 'L7' }, { boards });
  const blank = { modelId: 'm', component: 'body', lengthMm: 400, widthMm: 100, thicknessMm: 50, setId: 's', look: 'solid' as const };
  const cut = (atMs: number, id: string, volumeM3: number) =>
    recorder.record(
      'boards.cut',
      atMs,
      'ann',
      { lotId: 'L7' },
      { boardIds: [id], volumeM3, blanks: [1, 2].map((n) => ({ ...blank, id: `${id}.${n}`, boardId: id })) },
    );
  cut(START_MS + HOUR_MS, 'L7-1', 0.0075);
  cut(START_MS + 2 * DAY_MS, 'L7-2', 0.015);
  const day = dayOf(START_MS + HOUR_MS);
  expect(rows.all(WoodUse).map(({ day: on, species, use, volumeCm3 }) => [on - day, species, use, volumeCm3])).toEqual([
    [0, 'ash', 'body', 7_500],
    [2, 'ash', 'body', 15_000],
  ]);
  // 1 m and 2 m of board that narrows from 200 to 100 mm.
  const all = { boards: 2, boardsMm3: 22_500_000, blanksMm3: 8_000_000 };
  for (const id of [yieldOf.all, yieldOf.lot('L7'), yieldOf.supplier('Calder')]) expect(rows.get(CutYield, id)).toEqual({ id, ...all });
});
