import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { Entry } from './entry.ts';
import { isNothing, partOf, rowKind, rowsBy, rowsOf, type Ask, type RowKind } from './rowKind.ts';
import { Rows } from './rows.ts';
import { RowsAtHand } from './rowsAtHand.ts';
import { tellStretch } from './tellStretch.ts';

interface Sum {
  id: string;
  n: number;
}
const Sum = rowKind<Sum>('sum', { key: 'id', sums: ['n'] });

interface Crate {
  id: string;
  moves: number;
}
const Crate = rowKind<Crate>('crate', { key: 'id', alongWith: ({ id }) => [rowsBy(Thing, 'crateId', [id])] });

interface Thing {
  id: string;
  crateId: string;
  /** what it met in its crate, in order */
  met: readonly string[];
}
const Thing: RowKind<Thing> = rowKind<Thing>('thing', {
  key: 'id',
  by: ['crateId'],
  tally: { from: ['crateId'], of: ({ crateId }) => [partOf(Sum, { id: `in ${crateId}`, n: 1 })] },
  under: ({ crateId }) => [rowsOf(Crate, [crateId])],
});
const KINDS: readonly RowKind<never>[] = [Sum, Crate, Thing];

interface Act {
  act: 'made' | 'moved' | 'emptied' | 'gone' | 'counted';
  thing: string;
  crate: string;
}

/** Goes through several rows, each found by the one before; throws for what was never made. */
function apply(rows: Rows, { payload }: Entry): void {
  const { act, thing, crate } = payload as Act;
  const inCrate = (id: string) => rows.where(Thing, 'crateId', id).sort((a, b) => (a.id < b.id ? -1 : 1));
  const moved = (id: string) => rows.put(Crate, { id, moves: (rows.find(Crate, id)?.moves ?? 0) + 1 });
  if (act === 'counted') rows.add(Sum, { id: `said of ${crate}`, n: 1 });
  else if (act === 'emptied')
    for (const { id } of rows.each(Thing, 'crateId', crate)) rows.add(Sum, { id: `lay with ${id}`, n: inCrate(crate).length });
  else if (act === 'made') {
    if (rows.find(Thing, thing)) return;
    rows.put(Thing, { id: thing, crateId: crate, met: inCrate(crate).map((t) => t.id) });
    moved(crate);
  } else if (!rows.find(Thing, thing)) return;
  else if (act === 'gone') rows.drop(Thing, thing);
  else {
    const from = rows.get(Thing, thing).crateId;
    if (!rows.find(Crate, from)) throw new Error(`Nobody made ${from}`);
    const met = inCrate(crate).map((t) => t.id);
    rows.change(Thing, thing, { crateId: crate, met });
    for (const id of met) rows.change(Thing, id, { met: [thing] });
    [from, crate].forEach(moved);
  }
}

/** What stands for the database. */
class Store {
  readonly tables = new Map(KINDS.map((kind) => [kind, new Map<string, object>()]));
  readonly asked: Ask[] = [];
  reads = (ask: Ask): Promise<object[]> => {
    this.asked.push(ask);
    const rows = [...(this.tables.get(ask.kind)?.values() ?? [])] as Record<string, unknown>[];
    return Promise.resolve(rows.filter((row) => ask.values.includes(row[ask.field] as string)));
  };
  async tell(stretch: readonly Entry[], first: readonly Ask[] = []): Promise<void> {
    for (const [kind, { rows, gone }] of await tellStretch(stretch, first, { apply, read: this.reads })) {
      const table = this.tables.get(kind) ?? new Map<string, object>();
      for (const row of rows) {
        const key = kind.keyOf(row as never);
        const before = kind.sums.length > 0 ? (table.get(key) as Sum | undefined) : undefined;
        table.set(key, before ? { ...before, n: before.n + (row as Sum).n } : row);
      }
      for (const key of gone) if (!table.delete(key)) throw new Error(`${kind.name} ${key} was never there`);
    }
  }
}

const entryOf = (payload: Act): Entry => ({
  kind: 'something',
  atMs: 0,
  personId: null,
  lotId: null,
  batchId: null,
  serial: null,
  schemaVersion: 1,
  payload,
});
const acts = fc
  .array(
    fc.record<Act>({
      act: fc.constantFrom('made', 'made', 'moved', 'moved', 'emptied', 'gone', 'counted'),
      thing: fc.constantFrom(...'123456'),
      crate: fc.constantFrom(...'abc'),
    }),
    { minLength: 1, maxLength: 60 },
  )
  .map((list) => list.map(entryOf));

const sorted = (kind: RowKind<never>, rows: Iterable<object>) =>
  [...rows].filter((row) => !isNothing(kind, row)).sort((a, b) => (kind.keyOf(a as never) < kind.keyOf(b as never) ? -1 : 1));

test('a history told a stretch at a time, of whatever length, comes to what it comes to as a whole', async () => {
  await fc.assert(
    fc.asyncProperty(acts, fc.integer({ min: 1, max: 25 }), fc.boolean(), async (entries, length, knowsFirst) => {
      const whole = new Rows();
      for (const entry of entries) apply(whole, entry);
      const store = new Store();
      for (let i = 0; i < entries.length; i += length)
        await store.tell(entries.slice(i, i + length), knowsFirst ? [rowsOf(Thing, [...'123'])] : []);
      for (const kind of KINDS) expect(sorted(kind, store.tables.get(kind)?.values() ?? [])).toEqual(sorted(kind, whole.all(kind)));
    }),
    { numRuns: 300 },
  );
});

test('nothing is asked for twice within a stretch', async () => {
  const store = new Store();
  await store.tell([...'123456'].map((thing) => entryOf({ act: 'made', thing, crate: 'a' })));
  store.asked.length = 0;
  await store.tell([...'123456'].map((thing) => entryOf({ act: 'moved', thing, crate: 'b' })));
  const asked = store.asked.flatMap(({ kind, field, values }) => values.map((value) => `${kind.name} ${field} ${value}`));
  expect(asked.length).toBeGreaterThan(0);
  expect(new Set(asked).size).toBe(asked.length);
});

test('what fails with everything at hand fails aloud, and what failed for what was missing does not', async () => {
  const store = new Store();
  store.tables.get(Thing)?.set('1', { id: '1', crateId: 'nowhere', met: [] });
  await expect(store.tell([entryOf({ act: 'moved', thing: '1', crate: 'a' })])).rejects.toThrow('Nobody made nowhere');
  store.tables.get(Crate)?.set('nowhere', { id: 'nowhere', moves: 0 });
  await store.tell([entryOf({ act: 'moved', thing: '1', crate: 'a' })]);
  expect(store.tables.get(Thing)?.get('1')).toEqual({ id: '1', crateId: 'a', met: [] });
});

test('of some rows, nobody can be told all', () => {
  expect(() => new RowsAtHand().all(Thing)).toThrow('Not every thing is at hand');
});
