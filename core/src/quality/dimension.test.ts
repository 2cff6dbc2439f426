import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  chartedOf,
  individualsLimits,
  LIMITS_FROM,
  newDimension,
  openSignalInWords,
  signalsOn,
  VALUES_KEPT,
  withValues,
  type Dimension,
  type DimensionValue,
} from './index.ts';

/** What must be there. */
function there<T>(found: T | null | undefined): T {
  if (found === null || found === undefined) throw new Error('It is not there');
  return found;
}

const OF = { modelId: 'skiff', operationId: 'pocket', characteristicId: 'width' };
const HOUR = 3_600_000;
/** One value an hour, each of a piece of its own. */
const values = (all: readonly number[], from = 0): DimensionValue[] =>
  all.map((value, i) => ({ pieceId: `p${from + i}`, batchId: 'B1', visitId: 'v1', value, atMs: (from + i + 1) * HOUR }));
/** In control: around 10, a tenth to each side. */
const USUAL = Array.from({ length: LIMITS_FROM }, (_, i) => 10 + ([0, 0.1, -0.1, 0.05, -0.05][i % 5] ?? 0));
const after = (more: readonly number[]) => withValues(newDimension(OF), values([...USUAL, ...more]));

describe('limits', () => {
  test('come of the first values, and stay', () => {
    const few = withValues(newDimension(OF), values(USUAL.slice(1)));
    expect(few.limits).toBeNull();
    const { values: made, sigmaWithin } = individualsLimits(USUAL);
    expect(after([]).limits).toEqual({ centre: made.centre, sigma: sigmaWithin });
    expect(after([10.05, 9.95, 10.1]).limits).toEqual(after([]).limits);
  });
  test('the values that made them are not judged by them', () => {
    const rising = withValues(newDimension(OF), values(USUAL.map((_, i) => 10 + i / 100)));
    expect(rising.limits).not.toBeNull();
    expect(rising.signal).toBeNull();
  });
});

describe('a signal', () => {
  test('is told of the value that fires it, and stays', () => {
    const fired = after([11, 10]);
    expect(fired.signal).toMatchObject({ rule: 'beyond', side: 'above', of: 1, last: { value: 11 } });
    expect(openSignalInWords(there(fired.signal))).toBe('one value above the upper limit');
    expect(withValues(fired, values([9], 40)).signal).toEqual(fired.signal);
  });
  test('a slip that is put right leaves none', () => {
    const slip = after([101]);
    const piece = there(values([10.05], USUAL.length)[0]);
    const right = withValues(slip, [{ ...piece, atMs: piece.atMs + HOUR }]);
    expect(slip.signal).not.toBeNull();
    expect(right.signal).toBeNull();
    expect(right.count).toBe(slip.count);
    // A good value that is put wrong fires as one that came.
    expect(withValues(after([10.05]), [{ ...piece, value: 11 }]).signal).toMatchObject({ rule: 'beyond' });
  });
  test('the same piece in another visit is another value', () => {
    const piece = there(values([10.05], USUAL.length)[0]);
    expect(withValues(after([10.05]), [{ ...piece, visitId: 'v2' }]).count).toBe(USUAL.length + 2);
  });
  test('values that are settled make no run', () => {
    const seven = Array.from({ length: 7 }, () => 10.03);
    const settled: Dimension = { ...after(seven), settledMs: 1000 * HOUR };
    expect(after([...seven, 10.03]).signal).toMatchObject({ rule: 'one side', of: 8 });
    expect(withValues(settled, values([10.03], 1000)).signal).toBeNull();
  });
});

test('what is measured again stands on the chart once, where it stood', () => {
  const [first, second] = values([10, 11]).map(there);
  const again = { ...there(first), value: 10.5, atMs: 9 * HOUR };
  expect(chartedOf([again, there(second), there(first)])).toEqual([{ ...there(first), value: 10.5 }, second]);
});

const anyValue = fc.double({ min: 9.6, max: 10.4, noNaN: true });

test('values one by one are told as the whole chart tells them', () => {
  fc.assert(
    fc.property(fc.array(anyValue, { maxLength: 35 }), (more) => {
      const dimension = after(more);
      const { centre, sigma } = there(dimension.limits);
      const [first] = signalsOn(more, { centre, sigma, lower: 0, upper: 0 });
      expect(dimension.signal === null).toBe(first === undefined);
      if (first)
        expect(dimension.signal).toMatchObject({ rule: first.rule, side: first.side, last: { value: more[there(first.at.at(-1))] } });
    }),
  );
});

test('values are kept in order of time, the latest of them, however they come', () => {
  fc.assert(
    fc.property(fc.shuffledSubarray(values(Array.from({ length: 80 }, (_, i) => i)), { minLength: 80 }), (came) => {
      const { latest, count } = withValues(newDimension(OF), came);
      expect(count).toBe(80);
      expect(latest.length).toBe(VALUES_KEPT);
      expect(latest.map((v) => v.atMs)).toEqual([...latest.map((v) => v.atMs)].sort((a, b) => a - b));
    }),
  );
});
