import { describe, expect, test } from '@jest/globals';
import { cheaperFrom, methodCost } from './workMethods.ts';

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
