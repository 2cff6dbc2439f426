import { describe, expect, test } from '@jest/globals';
import { Rows } from '../../ledger/index.ts';
import { Order } from '../../orders/index.ts';
import { TestHouse } from '../../test/house.ts';
import { against } from '../../test/judged.ts';
import { blankObjection, KeptWood, keptByOthers, Lot, ordersKeeping, type KeepWoodRequest } from '../index.ts';
import { KeepWood } from './keepWood.ts';

// The house has one released lot of mahogany for bodies and one order, for a model whose bodies are made of it.
const keep = (house: TestHouse, over: Partial<KeepWoodRequest> = {}) =>
  against(house.give(KeepWood, { lotId: 'L1', orderId: 'O1', volumeM3: 0.02, ...over }));
const kept = (house: TestHouse) => house.rows.all(KeptWood).map(({ orderId, volumeM3 }) => `${orderId} ${volumeM3}`);

describe('wood is kept for an order', () => {
  test('so much of a lot, until it is another amount or none', () => {
    const house = new TestHouse();
    expect(keep(house)).toEqual(['wood.kept']);
    expect(kept(house)).toEqual(['O1 0.02']);
    expect(keep(house, { volumeM3: 0.03 })).toEqual(['wood.kept']);
    expect(kept(house)).toEqual(['O1 0.03']);
    expect(keep(house, { volumeM3: 0 })).toEqual(['wood.kept']);
    expect(kept(house)).toEqual([]);
    expect(keep(house, { volumeM3: 0 })).toEqual(['Nothing of lot L1 is kept for O1']);
  });

  test('and lessens by what is cut for it', () => {
    const house = new TestHouse();
    keep(house, { volumeM3: 0.015 });
    house.start('body', 1);
    expect(kept(house)).toEqual(['O1 0.005']);
    house.start('body', 1);
    expect(kept(house)).toEqual([]);
  });

  test('which must be there, and ask for such wood', () => {
    const house = new TestHouse();
    expect(keep(house, { orderId: 'O9' })).toEqual(['orderId | There is no order O9']);
    const left = house.rows.get(Lot, 'L1').leftM3;
    expect(keep(house, { volumeM3: left + 0.001 })).toEqual([`volumeM3 | ${left.toFixed(3)}\u00a0m³ of lot L1 is free`]);
    const { rows } = house;
    rows.load(Lot, { ...rows.get(Lot, 'L1'), species: 'wenge' });
    expect(keep(house)).toEqual(['O1 asks for no wenge for body']);
    rows.load(Order, { ...rows.get(Order, 'O1'), shipped: rows.get(Order, 'O1').quantity });
    expect(keep(house)).toEqual(['O1 has been sent']);
  });

  test('out of what others do not keep', () => {
    const house = new TestHouse();
    const left = house.rows.get(Lot, 'L1').leftM3;
    house.rows.load(KeptWood, { id: 'L1 O2', lotId: 'L1', orderId: 'O2', volumeM3: left - 0.01 });
    expect(keep(house)).toEqual([`volumeM3 | 0.010\u00a0m³ of lot L1 is free; ${(left - 0.01).toFixed(3)}\u00a0m³ of it is kept for O2`]);
    expect(keep(house, { volumeM3: 0.01 })).toEqual(['wood.kept']);
  });
});

test('what judges by kept wood asks whether its orders still wait', () => {
  const rows = new Rows();
  rows.load(KeptWood, { id: 'L1 O2', lotId: 'L1', orderId: 'O2', volumeM3: 1 });
  expect([...ordersKeeping(rows, ['L1', 'L2']).values]).toEqual(['O2']);
  expect(keptByOthers(rows, 'L1', 'O2')).toEqual([]);
  expect(keptByOthers(rows, 'L1', null)).toHaveLength(1);
});

describe('a blank becomes any part that it fits', () => {
  const need = { species: 'mahogany', use: 'body', volumeM3: 0.004, thicknessMm: 50 } as const;
  const sized = { ...need, blank: { lengthMm: 500, widthMm: 180, thicknessMm: 50, leavesEach: 0 } };
  const blank = { id: 'a', lengthMm: 500, widthMm: 180, thicknessMm: 50 };
  test.each([
    ['of the same wood and size', {}, {}, null],
    ['larger', { lengthMm: 900, widthMm: 200, thicknessMm: 55 }, {}, null],
    ['within what a saw leaves', { widthMm: 179.6 }, {}, null],
    ['too narrow', { widthMm: 179 }, {}, 'Blank a is 179\u00a0mm wide; 180\u00a0mm are needed'],
    ['too short', { lengthMm: 400 }, {}, 'Blank a is 400\u00a0mm long; 500\u00a0mm are needed'],
    ['too thin', { thicknessMm: 45 }, {}, 'Blank a is 45\u00a0mm thick; 50\u00a0mm are needed'],
    ['of another wood', {}, { species: 'wenge' }, 'Blank a is wenge for body; mahogany for body is needed'],
    ['bought for something else', {}, { use: 'neck' }, 'Blank a is mahogany for neck; mahogany for body is needed'],
  ] as const)('%s', (_, size, wood, said) => {
    expect(blankObjection({ ...blank, ...size }, { species: 'mahogany', use: 'body', ...wood }, sized)).toBe(said);
  });
  test('of any size where none is asked for', () => {
    expect(blankObjection({ ...blank, widthMm: 10 }, { species: 'mahogany', use: 'body' }, need)).toBeNull();
  });
});
