import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type { DataSource } from 'typeorm';
import { ownerDataSource } from '../../database.ts';
import { openFactory, type TestFactory } from '../../test/factory.ts';
import { everyRow, inOrder, readPage, type Asked, type Condition, type Listing } from './page.ts';
import { beginning, numbered, within } from './typed.ts';

// Twenty thousand rows, five of each place, every third without a time.
const ROWS = 20_000;
const LISTING: Listing = {
  table: 'long_list',
  key: 'id',
  sorts: { id: 'id', place: 'place', at: `coalesce(at, 'infinity')` },
  usually: '-at',
};

let factory: TestFactory;
let owner: DataSource;
beforeAll(async () => {
  factory = await openFactory('nothing');
  owner = await ownerDataSource().initialize();
  await owner.query(`create table long_list (id text primary key, place int not null, at timestamptz)`);
  await owner.query(
    `insert into long_list select 'R' || n, n / 5, case when n % 3 > 0 then timestamptz '2026-01-01' + n * interval '1 minute' end from generate_series(1, $1) n`,
    [ROWS],
  );
  await owner.query(`create index on long_list (place, id)`);
  await owner.query(`create index on long_list (coalesce(at, 'infinity'), id)`);
  await owner.query('analyze long_list');
});
afterAll(async () => {
  await owner.destroy();
  await factory.close();
});

const page = (asked: Asked, conditions: readonly Condition[] = []) => readPage(owner, LISTING, asked, conditions);

async function all(sort: string, conditions: readonly Condition[] = []): Promise<string[]> {
  const found: string[] = [];
  for await (const key of await everyRow(
    (asked) => page({ ...asked, sort }, conditions),
    (row) => row,
  ))
    found.push(key);
  return found;
}

describe('a long list', () => {
  test.each(['id', '-id', 'place', '-place', 'at', '-at'])('turned over to its end by %s, has each row once, in order', async (sort) => {
    const falls = sort.startsWith('-');
    const by = LISTING.sorts[sort.replace('-', '')] ?? '';
    const way = falls ? 'desc' : 'asc';
    const expected = await owner.query<{ id: string }[]>(`select id from long_list order by ${by} ${way}, id ${way}`);
    expect(await all(sort)).toEqual(expected.map((row) => row.id));
  });
  test('says how many there are up to a thousand, and then that there are more', async () => {
    expect(await page({ size: 1 })).toMatchObject({ found: 1000, foundExactly: false });
    expect(await page({ size: 1 }, [['place < ?', 200]])).toMatchObject({ found: 999, foundExactly: true });
    expect(await page({}, [['place < ?', 0]])).toEqual({ rows: [], next: null, found: 0, foundExactly: true });
  });
  test('a row that comes in between is neither doubled nor does it push another out', async () => {
    const first = await page({ size: 10, sort: 'place' });
    await owner.query(`insert into long_list values ('A', 0, null)`);
    try {
      const second = await page({ size: 10, sort: 'place', after: first.next ?? '' });
      expect(second.rows.filter((id) => first.rows.includes(id))).toEqual([]);
      expect([...first.rows, ...second.rows]).toHaveLength(20);
    } finally {
      await owner.query(`delete from long_list where id = 'A'`);
    }
  });
  test('a page in the middle reads no more rows than the first', async () => {
    const middle = (await all('-at'))[ROWS / 2] ?? '';
    const [{ at } = { at: '' }] = await owner.query<{ at: string }[]>(
      `select coalesce(at, 'infinity')::text as at from long_list where id = $1`,
      [middle],
    );
    const [plan] = await owner.query<{ 'QUERY PLAN': [{ Plan: { Plans: { 'Actual Rows': number; 'Node Type': string }[] } }] }[]>(
      `explain (analyze, format json) select id from long_list where (coalesce(at, 'infinity'), id) < ($1, $2) order by coalesce(at, 'infinity') desc, id desc limit 51`,
      [at, middle],
    );
    const [scan] = plan?.['QUERY PLAN'][0].Plan.Plans ?? [];
    expect([scan?.['Node Type'], scan?.['Actual Rows']]).toEqual(['Index Scan', 51]);
  });
  test.each([
    ['an order it does not know', { sort: 'colour' }, /^Can be sorted by id, place, at$/],
    ['no end of a page', { after: 'x' }, /no end of a page/],
    ['the end of a page in another order', { sort: 'id', after: Buffer.from('["-id","R1","R1"]').toString('base64url') }, /in this order/],
  ])('refuses %s', async (_, asked, sentence) => {
    await expect(page(asked)).rejects.toMatchObject({ status: 400, detail: expect.stringMatching(sentence) as unknown });
  });
  test('keeps the order of its keys for what is shown of them', async () => {
    const keys = await page({ size: 3, sort: 'id' });
    const views = [...keys.rows].reverse().map((id) => ({ id }));
    expect(inOrder(keys, views, (v) => v.id).rows).toEqual(keys.rows.map((id) => ({ id })));
  });
});

describe('what is typed', () => {
  test('is taken for a number of its kind where it is all figures', () => {
    expect([numbered('B', '12'), numbered('B', 'b12'), numbered('L', 'oak')]).toEqual(['B12', 'B12', 'OAK']);
  });
  test('stands for itself, whatever it holds', () => {
    expect(beginning('5%_\\')).toBe('5\\%\\_\\\\%');
    expect(within('a_b')).toBe('%a\\_b%');
  });
});
