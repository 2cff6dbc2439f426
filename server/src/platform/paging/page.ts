import type { Type } from '@nestjs/common';
import { Type as As } from 'class-transformer';
import type { DataSource } from 'typeorm';
import { InCount, InText, Out, OutList, OutOrNull } from '../http/fields.ts';
import { badInput } from '../problems/problems.ts';

const USUAL_SIZE = 50;
const LARGEST_SIZE = 200;
/** Up to here what is found is counted; beyond it is said that there are more. */
const COUNTED_MOST = 1000;

/** Which part of a long list is asked for, and in what order. */
export class PageQuery {
  @As(() => Number) @InCount({ min: 1, max: LARGEST_SIZE, optional: true }) size?: number;
  /** a column that the list can be sorted by; with a minus before it the largest comes first */
  @InText({ max: 40, optional: true }) sort?: string;
  /** the `next` of the page before */
  @InText({ max: 400, optional: true }) after?: string;
}

/** How a list is asked for by the program itself, which may not care how long it is. */
export type Asked = PageQuery & { uncounted?: boolean };

/** A part of a long list. */
export interface Page<T> {
  rows: T[];
  /** what to ask for the page after it with; null on the last */
  next: string | null;
  /** how many the whole list has, exactly or at least */
  found: number;
  foundExactly: boolean;
}

/** The answer of a list that is read by the page, described. */
export function pageOf<T>(of: Type<T>): Type<Page<T>> {
  class PageView implements Page<T> {
    @OutList(() => of) rows: T[];
    @OutOrNull(String) next: string | null;
    @Out() found: number;
    @Out() foundExactly: boolean;
  }
  Object.defineProperty(PageView, 'name', { value: `${of.name.replace(/View$/, '')}Page` });
  return PageView;
}

/** A long list: where it is, and what it can be sorted by. */
export interface Listing {
  table: string;
  key: string;
  /** an SQL expression each, never null, with an index on it and the key */
  sorts: Readonly<Record<string, string>>;
  /** as in {@link PageQuery} */
  usually: string;
}

/** What rows must meet to be in the list: an SQL condition, where each ? stands for the next value. */
export type Condition = readonly [sql: string, ...values: unknown[]];

/**
 * Reads the keys of one page, by the index of its order: a page in the middle costs no more than the first.
 *
 * @throws Problem 400 when it cannot be sorted so, or `after` is no end of a page in that order
 */
export async function readPage(
  database: DataSource,
  listing: Listing,
  asked: Asked,
  conditions: readonly Condition[],
): Promise<Page<string>> {
  const { table, key, sorts } = listing;
  const { size = USUAL_SIZE, sort = listing.usually } = asked;
  const falls = sort.startsWith('-');
  const by = sorts[falls ? sort.slice(1) : sort];
  if (by === undefined) throw badInput('sort', `Can be sorted by ${Object.keys(sorts).join(', ')}`);
  const where = new Where(conditions);
  const whole = where.sql;
  const wholeValues = [...where.values];
  if (asked.after !== undefined) {
    const end = endOf(asked.after, sort);
    where.add(by === key ? [`${key} ${falls ? '<' : '>'} ?`, end.key] : [`(${by}, ${key}) ${falls ? '<' : '>'} (?, ?)`, end.at, end.key]);
  }
  const way = falls ? 'desc' : 'asc';
  const [keys, [counted]] = await Promise.all([
    database.query<{ key: string; at: string }[]>(
      `select ${key} as key, (${by})::text as at from ${table} where ${where.sql} order by ${by} ${way}, ${key} ${way} limit ${size + 1}`,
      where.values,
    ),
    asked.uncounted
      ? []
      : database.query<{ n: number }[]>(
          `select count(*)::int as n from (select from ${table} where ${whole} limit ${COUNTED_MOST + 1}) found`,
          wholeValues,
        ),
  ]);
  const page = keys.slice(0, size);
  const last = page.at(-1);
  const found = counted?.n ?? 0;
  return {
    rows: page.map((row) => row.key),
    next: last && keys.length > size ? Buffer.from(JSON.stringify([sort, last.at, last.key])).toString('base64url') : null,
    found: Math.min(found, COUNTED_MOST),
    foundExactly: found <= COUNTED_MOST,
  };
}

/** A page of views, in the order of the page of their keys. */
export function inOrder<T>(page: Page<string>, views: readonly T[], keyOf: (view: T) => string): Page<T> {
  const byKey = new Map(views.map((view) => [keyOf(view), view]));
  return { ...page, rows: page.rows.flatMap((key) => byKey.get(key) ?? []) };
}

/**
 * Everything of a list, read page after page: for files that are written while they are read. The first page is read
 * before anything is written, so that what was asked amiss can still be said.
 */
export async function everyRow<T, Line>(read: (asked: Asked) => Promise<Page<T>>, line: (row: T) => Line): Promise<AsyncGenerator<Line>> {
  const asked = { size: LARGEST_SIZE, uncounted: true };
  const first = await read(asked);
  async function* lines(): AsyncGenerator<Line> {
    for (let page = first; ; page = await read({ ...asked, after: page.next })) {
      yield* page.rows.map(line);
      if (page.next === null) return;
    }
  }
  return lines();
}

class Where {
  private parts: string[] = [];
  readonly values: unknown[] = [];

  constructor(conditions: readonly Condition[]) {
    for (const condition of conditions) this.add(condition);
  }
  get sql(): string {
    return this.parts.length === 0 ? 'true' : this.parts.map((part) => `(${part})`).join(' and ');
  }
  add([sql, ...values]: Condition): void {
    let i = 0;
    this.parts.push(
      sql.replace(/\?/g, () => {
        this.values.push(values[i++]);
        return `$${this.values.length}`;
      }),
    );
  }
}

function endOf(after: string, sort: string): { at: string; key: string } {
  try {
    const told: unknown = JSON.parse(Buffer.from(after, 'base64url').toString());
    if (Array.isArray(told) && told[0] === sort && typeof told[1] === 'string' && typeof told[2] === 'string')
      return { at: told[1], key: told[2] };
  } catch {
    // Said below, whatever is wrong with it.
  }
  throw badInput('after', 'Is no end of a page of this list, in this order');
}
