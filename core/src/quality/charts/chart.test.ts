import { expect, test } from '@jest/globals';
import { chartOf, individualsLimits, subgroupLimits } from './index.ts';

const alone = (values: readonly number[]) => values.map((value, i) => ({ value, together: `v${i}` }));
const groups = (all: readonly (readonly number[])[]) => all.flatMap((g, i) => g.map((value) => ({ value, together: `v${i}` })));

test('values one by one, with the limits they make or those that were set', () => {
  const values = [10.2, 9.8, 10.1, 10.4, 9.9];
  const own = chartOf(alone(values), 'individuals');
  expect(own?.limits).toEqual(individualsLimits(values));
  expect(own?.points.map((p) => p.spread?.toFixed(1) ?? null)).toEqual([null, '0.4', '0.3', '0.3', '0.5']);
  const set = chartOf(alone(values), 'individuals', { centre: 10, sigma: 0.1 });
  expect(set?.limits.values).toMatchObject({ lower: 9.7, upper: 10.3 });
  // D4 of two values
  expect((set?.limits.spread.upper ?? 0) / (set?.limits.spread.centre ?? 1)).toBeCloseTo(3.267, 3);
  expect(set?.signals).toMatchObject([{ rule: 'beyond', side: 'above', at: [3] }]);
});

test('what was measured together is one point; what has too few values is left out and counted', () => {
  const all = [[1, 2, 3], [2, 3, 4], [9], [3, 4, 5, 6], [1, 2, 3]];
  const chart = chartOf(groups(all), 'range');
  expect(chart?.size).toBe(3);
  expect(chart?.leftOut).toBe(1);
  expect(chart?.points.map((p) => p.value)).toEqual([2, 3, 4, 2]);
  expect(chart?.points[2]?.of).toEqual([7, 8, 9]);
  expect(chart?.limits).toEqual(
    subgroupLimits(
      [
        [1, 2, 3],
        [2, 3, 4],
        [3, 4, 5],
        [1, 2, 3],
      ],
      'range',
    ),
  );
  expect(chartOf(groups(all), 'deviation')?.points.map((p) => p.spread)).toEqual([1, 1, 1, 1]);
});

test('nothing is made of too little', () => {
  expect(chartOf(alone([1]), 'individuals')).toBeNull();
  expect(chartOf(alone([1, 2, 3]), 'range')).toBeNull();
  expect(chartOf(groups([[1, 2]]), 'deviation')).toBeNull();
  expect(chartOf([], 'range')).toBeNull();
});
