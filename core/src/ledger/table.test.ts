import { describe, expect, test } from '@jest/globals';
import { rowKind, rowsOf } from './rowKind.ts';
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

describe('rows found together', () => {
  const Thing = rowKind<{ id: string; group: string; n: number }>('thing', { key: 'id', by: ['group'], latestBy: 'group' });
  const table = () => new Table(Thing, false);
  const ids = (of: Table<{ id: string; group: string; n: number }>, group: string) => of.where('group', group).map((row) => row.id);
  test('keep their order when they stay, and go to the end of the group they come to', () => {
    const things = table();
    for (const [n, id] of ['a', 'b', 'c'].entries()) things.put({ id, group: 'x', n });
    things.put({ id: 'a', group: 'x', n: 9 });
    expect(ids(things, 'x')).toEqual(['a', 'b', 'c']);
    const b = things.find('b');
    if (!b) throw new Error('There is no b');
    things.amend(b, { n: 7 });
    expect(ids(things, 'x')).toEqual(['a', 'b', 'c']);
    things.amend(b, { group: 'y' });
    expect([ids(things, 'x'), ids(things, 'y'), ids(things, 'z')]).toEqual([['a', 'c'], ['b'], []]);
    things.delete('b');
    expect(ids(things, 'y')).toEqual([]);
  });
  test('remember which was put last, by the field the kind names', () => {
    const things = table();
    things.put({ id: 'a', group: 'x', n: 1 });
    things.put({ id: 'b', group: 'x', n: 2 });
    things.put({ id: 'c', group: 'y', n: 3 });
    expect([things.latest('x')?.id, things.latest('y')?.id, things.latest('z')]).toEqual(['b', 'c', undefined]);
    expect(new Table(rowKind<{ id: string }>('plain', { key: 'id' }), false).latest(undefined)).toBeUndefined();
  });
  test('by a field that the kind does not name are not found', () => {
    expect(() => table().where('n', 1)).toThrow('Rows of kind thing are not found by n');
  });
});

test('a kind stands under others only where it says so', () => {
  const free = rowKind<{ id: string }>('free', { key: 'id' });
  const bound = rowKind<{ id: string; over: string }>('bound', { key: 'id', under: ({ over }) => [rowsOf(free, [over])] });
  expect([free.hasParents, bound.hasParents]).toEqual([false, true]);
  expect([free.under({ id: 'a' }), free.alongWith({ id: 'a' })]).toEqual([[], []]);
  expect(bound.under({ id: 'a', over: 'b' })).toEqual([{ kind: free, field: 'id', values: ['b'] }]);
  expect([free.seldom, free.by, free.latestBy]).toEqual([false, [], null]);
});
