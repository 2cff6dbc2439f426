import { describe, expect, test } from '@jest/globals';
import { readFileSync } from 'node:fs';
import { mean, standardDeviation } from './statistics.ts';

// Reference sets of a national institute of standards with certified values; the digits are those it certifies.
const speedOfLight = readFileSync(new URL('../test/fixtures/michelson.csv', import.meta.url), 'utf8')
  .trim()
  .split('\n')
  .slice(1)
  .map(Number);

/** 1001 values around a middle: it once, then a tenth less and a tenth more in turn. */
const around = (middle: string, less: string, more: string) => [
  Number(middle),
  ...Array.from({ length: 1000 }, (_, i) => Number(i % 2 === 0 ? less : more)),
];

/** How many digits agree; what agrees wholly agrees in all that a double holds. */
const digits = (found: number, certified: number) =>
  found === certified ? 17 : -Math.log10(Math.abs(found - certified) / Math.abs(certified));

describe('certified statistics', () => {
  test.each([
    ['three whole numbers', [10_000_001, 10_000_003, 10_000_002], 10_000_002, 1, 14],
    ['a tenth at 1', around('1.2', '1.1', '1.3'), 1.2, 0.1, 14],
    ['a tenth at a million', around('1000000.2', '1000000.1', '1000000.3'), 1_000_000.2, 0.1, 9],
    ['a tenth at ten million', around('10000000.2', '10000000.1', '10000000.3'), 10_000_000.2, 0.1, 8],
    ['a hundred measured values', speedOfLight, 299.8524, 0.0790105478190518, 14],
  ])('%s', (_, values, middle, deviation, least) => {
    expect(digits(mean(values), middle)).toBeGreaterThanOrEqual(14);
    expect(digits(standardDeviation(values), deviation)).toBeGreaterThanOrEqual(least);
  });
  test('all hundred of them are there', () => {
    expect(speedOfLight).toHaveLength(100);
  });
});
