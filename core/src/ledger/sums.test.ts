import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { rowKind } from './rowKind.ts';
import { Rows } from './rows.ts';

interface Tally {
  id: string;
  of: string;
  n: number;
  m: number;
}
const Tally = rowKind<Tally>('tally', { key: 'id', sums: ['n', 'm'] });
const tally = (id: string, n: number, m = 0): Tally => ({ id, of: `what ${id} is of`, n, m });

describe.each([false, true])('rows that are only added to, changed where they stand: %s', (inPlace) => {
  test('begin with what is added first, and hold the sum of all', () => {
    const rows = new Rows(inPlace);
    rows.add(Tally, tally('a', 2, 1));
    rows.add(Tally, tally('b', 5));
    rows.add(Tally, tally('a', 3, -4));
    expect(rows.all(Tally)).toEqual([tally('a', 5, -3), tally('b', 5)]);
  });
  test('leave alone what they were given', () => {
    const rows = new Rows(inPlace);
    const given = tally('a', 1);
    rows.add(Tally, given);
    rows.add(Tally, given);
    expect(given).toEqual(tally('a', 1));
    expect(rows.get(Tally, 'a').n).toBe(2);
  });
});

test('what is to be written is what was added, in the order of the keys, once', () => {
  const rows = new Rows();
  rows.load(Tally, tally('b', 100));
  rows.add(Tally, tally('b', 2));
  rows.add(Tally, tally('a', 7));
  rows.add(Tally, tally('b', -5));
  expect(rows.takeTouched(Tally)).toEqual([tally('a', 7), tally('b', -3)]);
  expect(rows.takeTouched(Tally)).toEqual([]);
  expect(rows.get(Tally, 'b').n).toBe(97);
  rows.add(Tally, tally('b', 1));
  expect(rows.takeTouched(Tally)).toEqual([tally('b', 1)]);
});

test('whoever adds first, the sums are the same', () => {
  const additions = fc.array(fc.tuple(fc.constantFrom('a', 'b', 'c'), fc.integer({ min: -1e12, max: 1e12 })), { maxLength: 40 });
  fc.assert(
    fc.property(additions, fc.func(fc.integer()), (told, shuffle) => {
      const summed = (of: typeof told) => {
        const rows = new Rows();
        for (const [id, n] of of) rows.add(Tally, tally(id, n));
        return new Map(rows.all(Tally).map((row) => [row.id, row.n]));
      };
      expect(summed(told.toSorted((x, y) => shuffle(x) - shuffle(y)))).toEqual(summed(told));
    }),
  );
});
