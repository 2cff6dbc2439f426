import { readFileSync } from 'node:fs';
import { expect, test } from '@jest/globals';
import type { Route } from '../routing/index.ts';
import { applyEntry, keyOf, ShopState, type LogbookEntry, type RowKind } from './index.ts';

/** Entries as a running factory wrote them, at least one of every kind there was, and the rows they made there. */
const written = JSON.parse(readFileSync(new URL('../test/fixtures/entries-1.json', import.meta.url), 'utf8')) as {
  routes: Route[];
  entries: LogbookEntry[];
  rows: Record<RowKind, { id: string }[]>;
};

for (const replaying of [false, true])
  test(`a logbook of the first version makes the rows it made then, ${replaying ? 'told again' : 'entry by entry'}`, () => {
    const state = new ShopState(new Map(written.routes.map((r) => [r.id, r])), replaying);
    for (const entry of structuredClone(written.entries)) applyEntry(state, entry);
    for (const kind of Object.keys(keyOf) as RowKind[]) {
      const told = new Map(state.all(kind).map((row) => [keyOf[kind](row as never), row]));
      expect([...told.keys()].sort()).toEqual(written.rows[kind].map((row) => keyOf[kind](row as never)));
      for (const row of written.rows[kind]) expect(told.get(keyOf[kind](row as never))).toEqual(row);
    }
  });

test('the fixture holds every kind of entry of the first version', () => {
  expect(new Set(written.entries.map((e) => e.kind)).size).toBe(40);
});
