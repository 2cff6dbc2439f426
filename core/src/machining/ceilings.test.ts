import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { ceilingOf, cheaperFrom, CYCLES, EACH_PLACE, methodCost, ONE_SPINDLE, OWN_SPINDLES, TOGETHER, type Rig } from './ceilings.ts';

const rig = (over: Partial<Rig>): Rig => ({ cycle: EACH_PLACE, places: 1, tables: 1, dwellMinutes: 30, handsMinutes: 0, ...over });

describe('the ceiling of a rig', () => {
  test('six places of half an hour give twelve an hour, a rack of twelve at 45 minutes sixteen', () => {
    expect(ceilingOf(rig({ places: 6 })).piecesAnHour).toBe(12);
    expect(ceilingOf(rig({ places: 12, dwellMinutes: 45 })).piecesAnHour).toBe(16);
  });
  test('two tables of ten at 35 minutes, twelve to fill: one spindle never waits, hands do', () => {
    const found = ceilingOf(rig({ cycle: ONE_SPINDLE, places: 10, tables: 2, dwellMinutes: 35, handsMinutes: 12 }));
    expect(found).toMatchObject({ cycleMinutes: 35, handsWaitMinutes: 23, idleMinutes: 0 });
    expect(found.piecesAnHour).toBeCloseTo(17.14, 2);
  });
  test('with a spindle each and one who fills them, each spindle waits', () => {
    const found = ceilingOf(rig({ cycle: OWN_SPINDLES, places: 10, tables: 2, dwellMinutes: 35, handsMinutes: 12 }));
    expect(found).toMatchObject({ cycleMinutes: 47, idleMinutes: 12, handsWaitMinutes: 23 });
    expect(found.piecesAnHour).toBeCloseTo(25.53, 2);
  });
  test('one who fills many places is what holds them up, when there are enough', () => {
    expect(ceilingOf(rig({ places: 12, dwellMinutes: 30, handsMinutes: 5 }))).toMatchObject({
      piecesAnHour: 12,
      handsWaitMinutes: 0,
      idleMinutes: 30,
    });
    expect(ceilingOf(rig({ cycle: ONE_SPINDLE, places: 4, tables: 2, dwellMinutes: 5, handsMinutes: 12 }))).toMatchObject({
      idleMinutes: 7,
    });
    expect(ceilingOf(rig({ cycle: TOGETHER, places: 100, dwellMinutes: 480, handsMinutes: 20 })).piecesAnHour).toBe(12);
  });
  test.each([{ places: 0 }, { tables: 1.5 }, { dwellMinutes: 0 }, { handsMinutes: -1 }])('%j cannot be', (over) => {
    expect(() => ceilingOf(rig(over))).toThrow(RangeError);
  });
  test('nobody is busier than the round is long, and more places never give less', () => {
    const any = fc.record({
      cycle: fc.constantFrom(...CYCLES),
      places: fc.integer({ min: 1, max: 60 }),
      tables: fc.integer({ min: 1, max: 4 }),
      dwellMinutes: fc.double({ min: 0.5, max: 900, noNaN: true }),
      handsMinutes: fc.double({ min: 0, max: 60, noNaN: true }),
    });
    fc.assert(
      fc.property(any, (one) => {
        const found = ceilingOf(one);
        expect(Math.min(found.handsWaitMinutes, found.idleMinutes)).toBeGreaterThanOrEqual(-1e-9);
        expect(ceilingOf({ ...one, places: one.places + 1 }).piecesAnHour).toBeGreaterThanOrEqual(found.piecesAnHour - 1e-9);
      }),
    );
  });
});

describe('two ways to the same end', () => {
  const machine = { setUpMinutes: 12, minutesEach: 10, toolPrice: 90, toolPieces: 60 };
  const gang = { setUpMinutes: 25, minutesEach: 1.5, toolPrice: 240, toolPieces: 400 };
  test('cost their time and what they wear', () => {
    expect(methodCost(machine, 8, 48)).toBeCloseTo(92 * 0.8 + 12, 9);
    expect(methodCost(gang, 8, 48)).toBeCloseTo(37 * 0.8 + 4.8, 9);
  });
  test('the gang saw pays as soon as its longer setting up is won back', () => {
    const from = cheaperFrom(gang, machine, 48);
    expect(from).toBe(2);
    for (let n = 1; n < 20; n++) expect(methodCost(gang, n, 48) < methodCost(machine, n, 48)).toBe(n >= (from ?? Infinity));
    expect(cheaperFrom(machine, gang, 48)).toBeNull();
    expect(cheaperFrom({ ...machine, minutesEach: 9 }, machine, 48)).toBe(1);
  });
});
