import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { partOf, rowKind } from './rowKind.ts';
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

describe('sums that rows add up to', () => {
  interface Thing {
    id: string;
    of: string;
    size: number;
    note: string;
  }
  const Thing = rowKind<Thing>('thing', {
    key: 'id',
    tally: { from: ['of', 'size'], of: ({ of, size }) => (size === 0 ? [] : [partOf(Tally, tally(of, 1, size))]) },
  });
  const acts = fc.array(
    fc.record({
      act: fc.constantFrom('put' as const, 'change' as const, 'note' as const, 'drop' as const),
      id: fc.constantFrom('1', '2', '3'),
      of: fc.constantFrom('a', 'b'),
      size: fc.integer({ min: 0, max: 9 }),
    }),
    { maxLength: 40 },
  );
  const told = (rows: Rows, list: readonly { act: string; id: string; of: string; size: number }[]) => {
    for (const { act, id, of, size } of list) {
      if (act === 'put') rows.put(Thing, { id, of, size, note: '' });
      else if (act === 'drop') rows.drop(Thing, id);
      else if (rows.find(Thing, id)) rows.change(Thing, id, act === 'note' ? { note: 'seen' } : { of, size });
    }
    return rows;
  };
  const sumsOf = (rows: Rows) =>
    new Map(
      rows
        .all(Tally)
        .filter((t) => t.n !== 0 || t.m !== 0)
        .map((t) => [t.id, { n: t.n, m: t.m }]),
    );
  test.each([false, true])('are those of the rows there are, whatever came, changed and went; changed where they stand: %s', (inPlace) => {
    fc.assert(
      fc.property(acts, (list) => {
        const rows = told(new Rows(inPlace), list);
        const expected = new Map<string, { n: number; m: number }>();
        for (const { of, size } of rows.all(Thing)) {
          const sum = expected.get(of) ?? { n: 0, m: 0 };
          if (size > 0) expected.set(of, { n: sum.n + 1, m: sum.m + size });
        }
        expect(sumsOf(rows)).toEqual(expected);
      }),
    );
  });
  test('told in one go and in two, with what was there loaded between, are the same', () => {
    fc.assert(
      fc.property(acts, acts, (before, after) => {
        const once = told(told(new Rows(), before), after);
        const first = told(new Rows(), before);
        const second = new Rows();
        for (const thing of first.all(Thing)) second.load(Thing, thing);
        told(second, after);
        const both = new Map<string, { n: number; m: number }>();
        for (const { id, n, m } of [...first.takeTouched(Tally), ...second.takeTouched(Tally)]) {
          const sum = both.get(id) ?? { n: 0, m: 0 };
          both.set(id, { n: sum.n + n, m: sum.m + m });
        }
        for (const [id, { n, m }] of both) if (n === 0 && m === 0) both.delete(id);
        expect(both).toEqual(sumsOf(once));
      }),
    );
  });
  test('are not touched by a change of what they do not depend on', () => {
    const rows = new Rows();
    rows.load(Thing, { id: '1', of: 'a', size: 3, note: '' });
    rows.change(Thing, '1', { note: 'seen' });
    rows.change(Thing, '1', { size: 3 });
    expect(rows.takeTouched(Tally)).toEqual([]);
    rows.change(Thing, '1', { of: 'b' });
    expect(rows.takeTouched(Tally)).toEqual([tally('a', -1, -3), tally('b', 1, 3)]);
  });
});
