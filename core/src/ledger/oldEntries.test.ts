import { readFileSync } from 'node:fs';
import { expect, test } from '@jest/globals';
import { LEDGER } from '../ledger.ts';
import { Rows, type Entry } from '../ledger/index.ts';
import { RouteBook, type Route } from '../routing/index.ts';
import { everything } from '../test/house.ts';

/** Entries as a running factory wrote them, at least one of every kind there was, and the rows they made there. */
const written = JSON.parse(readFileSync(new URL('../test/fixtures/entries-1.json', import.meta.url), 'utf8')) as {
  routes: Route[];
  entries: Entry[];
  rows: Record<string, object[]>;
};

for (const inPlace of [false, true])
  test(`a logbook of the first version makes the rows it made then, ${inPlace ? 'told again' : 'entry by entry'}`, () => {
    const routes = new RouteBook(new Map(written.routes.map((r) => [r.id, r])));
    const told = everything(LEDGER.replay(structuredClone(written.entries), routes, new Rows(inPlace)));
    for (const [kind, rows] of Object.entries(written.rows)) expect([kind, told[kind]]).toEqual([kind, rows]);
  });

test('the fixture holds every kind of entry of the first version', () => {
  expect(new Set(written.entries.map((e) => e.kind)).size).toBe(40);
  expect(written.entries.every((e) => e.schemaVersion === 1)).toBe(true);
});
