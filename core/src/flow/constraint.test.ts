import { describe, expect, test } from '@jest/globals';
import { HOUR_MS } from '../units/index.ts';
import { shiftingConstraint } from './constraint.ts';

describe('the shifting constraint', () => {
  const h = (hours: number) => hours * HOUR_MS;
  const period = (station: string, from: number, to: number) => ({ station, fromMs: h(from), toMs: h(to), workedMs: h(to - from) });
  test('is the longest current active period alone; it shifts', () => {
    expect(shiftingConstraint([period('A', 0, 10), period('B', 8, 30), period('C', 12, 14)])).toEqual([
      { station: 'A', fromMs: h(0), toMs: h(8) },
      { station: 'B', fromMs: h(8), toMs: h(30) },
    ]);
  });
  test('is none between periods', () => {
    expect(shiftingConstraint([period('A', 0, 1), period('B', 5, 6)])).toEqual([
      { station: 'A', fromMs: h(0), toMs: h(1) },
      { station: 'B', fromMs: h(5), toMs: h(6) },
    ]);
    expect(shiftingConstraint([])).toEqual([]);
  });
});
