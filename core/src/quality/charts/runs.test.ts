import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { LONGEST_RUN, RUN_RULES, signalAtEnd, signalInWords, signalsOn } from './index.ts';

const LIMITS = { centre: 0, sigma: 1, lower: -3, upper: 3 };
const rules = (points: readonly number[]) => signalsOn(points, LIMITS).map(({ rule, side, at }) => [rule, side, at.at(-1)]);

describe('each rule fires at its last point, and only then', () => {
  test.each<[string, number[], unknown[]]>([
    ['beyond', [0.1, 3.1, -0.2], [['beyond', 'above', 1]]],
    ['on the limit is within', [3, -3], []],
    ['two of three', [2.1, 0, 2.2, -0.1], [['two of three', 'above', 2]]],
    ['two of three, on two sides', [2.1, -2.2, 0], []],
    ['four of five', [-1.1, -1.2, 0.3, -1.4, -1.3], [['four of five', 'below', 4]]],
    ['one side', [0.1, 0.4, 0.2, 0.5, 0.3, 0.4, 0.2, 0.3], [['one side', 'above', 7]]],
    ['on the middle is on no side', [0.1, 0.4, 0.2, 0, 0.3, 0.4, 0.2, 0.3], []],
    ['a rising trend', [-0.5, -0.4, -0.3, 0.2, 0.3, 0.4], [['trend', 'above', 5]]],
    ['a falling trend', [0.5, 0.4, 0.3, -0.2, -0.3, -0.4], [['trend', 'below', 5]]],
    ['five are no trend', [-0.5, -0.4, -0.3, 0.2, 0.3, 0.2], []],
  ])('%s', (_, points, found) => {
    expect(rules(points)).toEqual(found);
  });
});

test('the plainest of several is told', () => {
  const points = [2.1, 2.2, 3.4];
  expect(signalAtEnd(points, LIMITS)).toEqual({ rule: 'beyond', side: 'above', at: [2] });
  expect(signalAtEnd([], LIMITS)).toBeUndefined();
  expect(signalAtEnd([0.5], LIMITS)).toBeUndefined();
});

/** The same rules as plainly as they can be said, looking at every window. */
function plainly(points: readonly number[]): string[] {
  const found: string[] = [];
  points.forEach((_, last) => {
    for (const side of ['above', 'below'] as const) {
      const z = points.slice(0, last + 1).map((p) => (side === 'above' ? p : -p));
      const end = z[last] ?? 0;
      const many = (of: number, beyond: number) => z.slice(-of).filter((p) => p > beyond).length;
      if (end > 3) found.push(`${last} beyond ${side}`);
      if (end > 2 && many(3, 2) >= 2) found.push(`${last} two of three ${side}`);
      if (end > 1 && many(5, 1) >= 4) found.push(`${last} four of five ${side}`);
      if (z.length >= 8 && many(8, 0) === 8) found.push(`${last} one side ${side}`);
      const six = z.slice(-6);
      if (six.length === 6 && six.every((p, i) => i === 0 || p > (six[i - 1] ?? p))) found.push(`${last} trend ${side}`);
    }
  });
  return found.sort();
}

test('a second reckoning of the rules finds the same', () => {
  const point = fc.double({ min: -4, max: 4, noNaN: true });
  fc.assert(
    fc.property(fc.array(point, { maxLength: 40 }), (points) => {
      const found = signalsOn(points, LIMITS).map(({ rule, side, at }) => `${at.at(-1)} ${rule} ${side}`);
      expect(found.sort()).toEqual(plainly(points));
    }),
  );
});

test('the last points tell the end as well as all of them', () => {
  const point = fc.double({ min: -4, max: 4, noNaN: true });
  fc.assert(
    fc.property(fc.array(point, { minLength: 1, maxLength: 40 }), (points) => {
      const [whole, tail] = [signalAtEnd(points, LIMITS), signalAtEnd(points.slice(-LONGEST_RUN), LIMITS)];
      expect([tail?.rule, tail?.side]).toEqual([whole?.rule, whole?.side]);
    }),
  );
});

test('every rule has its words', () => {
  const words = RUN_RULES.flatMap((rule) => (['above', 'below'] as const).map((side) => signalInWords({ rule, side, at: [1, 2] })));
  expect(new Set(words).size).toBe(words.length);
});
