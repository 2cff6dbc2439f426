import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { ceilingOf, CYCLES, EACH_PLACE, ONE_SPINDLE, OWN_SPINDLES, TOGETHER, type Rig } from './ceiling.ts';

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
