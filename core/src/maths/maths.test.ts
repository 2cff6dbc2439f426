import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  approach,
  assign,
  daysToReach,
  groupBy,
  mean,
  overlapMs,
  quantile,
  seededRandom,
  shiftWindows,
  slope,
  standardDeviation,
  unite,
  WorkingTime,
} from './index.ts';

const HOUR = 3_600_000;

test('groups keep the order of their rows and of their first ones', () => {
  const groups = groupBy(['oak', 'ash', 'elm', 'alder', 'ebony'], (word) => word[0]);
  expect([...groups]).toEqual([
    ['o', ['oak']],
    ['a', ['ash', 'alder']],
    ['e', ['elm', 'ebony']],
  ]);
  expect(groupBy([], String).size).toBe(0);
});

describe('statistics', () => {
  test('textbook values', () => {
    const values = [2, 4, 4, 4, 5, 5, 7, 9];
    expect(mean(values)).toBe(5);
    expect(standardDeviation(values)).toBeCloseTo(2.13809, 5);
    expect(quantile([1, 2, 3, 4], 0.5)).toBe(2.5);
    expect(quantile([1, 2, 3, 4], 0.85)).toBeCloseTo(3.55, 12);
    expect(slope([0, 1, 2], [5, 3, 1])).toBe(-2);
  });
  test('edges', () => {
    expect(() => mean([])).toThrow(RangeError);
    expect(() => quantile([1], 1.1)).toThrow(RangeError);
    expect(() => slope([1], [])).toThrow(RangeError);
    expect(standardDeviation([3])).toBe(0);
    expect(slope([2, 2], [1, 5])).toBe(0);
  });
});

describe('approach', () => {
  test('after the days it says, the value is reached', () => {
    fc.assert(
      fc.property(fc.double({ min: 10, max: 30, noNaN: true }), fc.double({ min: 0.005, max: 0.2, noNaN: true }), (start, k) => {
        expect(approach(start, 8, k, daysToReach(start, 8, k, 9))).toBeCloseTo(9, 6);
      }),
    );
  });
  test('past it is now, beyond the equilibrium is never', () => {
    expect(daysToReach(8.5, 8, 0.05, 9)).toBe(0);
    expect(daysToReach(12, 8, 0.05, 7)).toBe(Infinity);
    expect(daysToReach(12, 8, 0, 9)).toBe(Infinity);
  });
});

describe('assignment', () => {
  test('a textbook case', () => {
    // Each row to its column: 2 + 6 + 1 + 4 is the least.
    const cost = [
      [9, 2, 7, 8],
      [6, 4, 3, 7],
      [5, 8, 1, 8],
      [7, 6, 9, 4],
    ];
    expect(assign(cost)).toEqual([1, 0, 2, 3]);
  });
  test('as many as may go together, then the least cost', () => {
    expect(
      assign([
        [1, Infinity],
        [1, Infinity],
      ]).filter((c) => c >= 0),
    ).toHaveLength(1);
    expect(
      assign([
        [0, 5],
        [1, Infinity],
      ]),
    ).toEqual([1, 0]);
    expect(assign([])).toEqual([]);
    expect(assign([[Infinity]])).toEqual([-1]);
  });
  test('as many pairs as can be, and of those the least sum, more rows than columns or fewer, some forbidden', () => {
    const cell = fc.oneof({ weight: 4, arbitrary: fc.integer({ min: 0, max: 50 }) }, { weight: 1, arbitrary: fc.constant(Infinity) });
    const side = fc.integer({ min: 1, max: 5 });
    const costs = fc
      .tuple(side, side)
      .chain(([n, m]) => fc.array(fc.array(cell, { minLength: m, maxLength: m }), { minLength: n, maxLength: n }));
    type Sum = readonly [pairs: number, cost: number];
    const better = (a: Sum, b: Sum) => (a[0] !== b[0] ? a[0] > b[0] : a[1] < b[1]);
    fc.assert(
      fc.property(costs, (cost) => {
        const best = (row: number, taken: readonly number[]): Sum => {
          if (row === cost.length) return [0, 0];
          let found = best(row + 1, taken);
          (cost[row] ?? []).forEach((c, j) => {
            if (!Number.isFinite(c) || taken.includes(j)) return;
            const [pairs, sum] = best(row + 1, [...taken, j]);
            if (better([pairs + 1, sum + c], found)) found = [pairs + 1, sum + c];
          });
          return found;
        };
        const chosen = assign(cost);
        const given = chosen.flatMap((j, i) => (j < 0 ? [] : [cost[i]?.[j] ?? NaN]));
        expect([given.length, given.reduce((sum, c) => sum + c, 0)]).toEqual(best(0, []));
        expect(new Set(chosen.filter((j) => j >= 0)).size).toBe(given.length);
      }),
    );
  });
});

describe('intervals', () => {
  test('touching ones are one, and a short gap may be closed', () => {
    const parts = [
      { fromMs: 10, toMs: 20 },
      { fromMs: 0, toMs: 10 },
      { fromMs: 25, toMs: 30 },
    ];
    expect(unite(parts)).toEqual([
      { fromMs: 0, toMs: 20 },
      { fromMs: 25, toMs: 30 },
    ]);
    expect(unite(parts, 5)).toEqual([{ fromMs: 0, toMs: 30 }]);
    expect(overlapMs({ fromMs: 0, toMs: 10 }, { fromMs: 5, toMs: 20 })).toBe(5);
    expect(overlapMs({ fromMs: 0, toMs: 10 }, { fromMs: 10, toMs: 20 })).toBe(0);
  });
});

describe('random', () => {
  test('the same seed tells the same story, a fork another', () => {
    const draw = (seed: number) => {
      const random = seededRandom(seed);
      return Array.from({ length: 5 }, () => random.next());
    };
    expect(draw(7)).toEqual(draw(7));
    expect(draw(7)).not.toEqual(draw(8));
    const forked = seededRandom(7).fork('a');
    expect(forked.next()).not.toBe(seededRandom(7).fork('b').next());
  });
  test('draws have the mean and spread they should', () => {
    const random = seededRandom(3);
    const normals = Array.from({ length: 20_000 }, () => random.normal(5, 2));
    expect(mean(normals)).toBeCloseTo(5, 1);
    expect(standardDeviation(normals)).toBeCloseTo(2, 1);
    const weighted = Array.from({ length: 10_000 }, () => random.weighted([1, 3], (w) => w));
    expect(weighted.filter((w) => w === 3).length / 10_000).toBeCloseTo(0.75, 1);
    expect(() => random.pick([])).toThrow(RangeError);
  });
});

describe('working time', () => {
  const week = {
    timeZone: 'Europe/Dublin',
    days: [1, 2, 3, 4, 5],
    startsAt: '07:00',
    endsAt: '15:30',
    holidays: ['2026-03-17'],
  };
  const windows = shiftWindows(Date.parse('2026-03-13T00:00:00Z'), Date.parse('2026-04-01T00:00:00Z'), week);
  const time = new WorkingTime(windows);

  test('weekends and holidays are not worked', () => {
    const days = windows.map((w) => new Date(w.fromMs).toISOString().slice(0, 10));
    expect(days).toHaveLength(12);
    for (const off of ['2026-03-14', '2026-03-15', '2026-03-17']) expect(days).not.toContain(off);
  });
  test('the clock change moves the shift with the factory', () => {
    expect(windows.some((w) => w.fromMs === Date.parse('2026-03-27T07:00:00Z'))).toBe(true);
    expect(windows.some((w) => w.fromMs === Date.parse('2026-03-30T06:00:00Z'))).toBe(true);
  });
  test('between Friday noon and Monday noon lies one shift', () => {
    expect(time.between(Date.parse('2026-03-13T12:00:00Z'), Date.parse('2026-03-16T12:00:00Z'))).toBe(8.5 * HOUR);
  });
  test('nights end at the next shift', () => {
    const saturday = Date.parse('2026-03-14T10:00:00Z');
    expect(time.isWorking(saturday)).toBe(false);
    expect(time.nextWorking(saturday)).toBe(Date.parse('2026-03-16T07:00:00Z'));
    expect(time.windowOf(saturday)).toBeUndefined();
    expect(time.nextWorking(Date.parse('2027-01-01T00:00:00Z'))).toBe(Infinity);
  });
  test('position and instant are each other’s inverse while work goes on', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 12 * 8.5 * HOUR - 1 }), (position) => {
        expect(time.position(time.instant(position))).toBe(position);
        expect(time.position(time.reached(position))).toBe(position);
        expect(time.reached(position)).toBeLessThanOrEqual(time.instant(position));
        expect(time.isWorking(time.instant(position))).toBe(true);
      }),
    );
  });
  test('a shift that ends at an earlier hour than it starts ends on the next day', () => {
    const fromMs = Date.parse('2026-03-16T12:00:00Z');
    const night = new WorkingTime(shiftWindows(fromMs, fromMs + 24 * HOUR, { ...week, startsAt: '22:00', endsAt: '06:00' }));
    expect(night.between(fromMs, fromMs + 24 * HOUR)).toBe(8 * HOUR);
    expect(night.instant(4 * HOUR)).toBe(Date.parse('2026-03-17T02:00:00Z'));
  });
});
