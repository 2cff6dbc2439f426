import { describe, expect, test } from '@jest/globals';
import { rowKind } from './rowKind.ts';
import { Table } from './table.ts';

describe.each([false, true])('a table that puts rows aside: %s', (putsAside) => {
  const filled = () => {
    const table = new Table(rowKind<{ id: string; n: number }>('thing', { key: 'id' }), putsAside);
    for (const [n, id] of ['a', 'b', 'a', 'c'].entries()) table.put({ id, n });
    return table;
  };
  test('finds a row by its key, the last one put', () => {
    expect(filled().find('a')).toEqual({ id: 'a', n: 2 });
    expect(filled().find('z')).toBeUndefined();
  });
  test('lists each key once, also of rows put after it was asked', () => {
    const table = filled();
    expect(table.all().map((row) => row.n)).toEqual([2, 1, 3]);
    table.put({ id: 'd', n: 4 });
    table.put({ id: 'b', n: 5 });
    expect(table.all().map((row) => row.n)).toEqual([2, 5, 3, 4]);
  });
  test('forgets what is deleted, and takes it in anew', () => {
    const table = filled();
    table.delete('a');
    expect(table.find('a')).toBeUndefined();
    table.put({ id: 'a', n: 6 });
    expect(table.all().map((row) => row.n)).toEqual([1, 3, 6]);
  });
});
