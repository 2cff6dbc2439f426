import { readFileSync } from 'node:fs';
import { expect, test } from '@jest/globals';
import type { Instrument, Job, Piece, Visit } from '../batches/index.ts';
import type { Coat } from '../finishing/index.ts';
import { LEDGER, WOOD_ENTRIES } from '../ledger.ts';
import { groupBy } from '../maths/index.ts';
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
    for (const [kind, rows] of Object.entries(written.rows)) expect([kind, asThen(kind, told)]).toEqual([kind, rows]);
  });

/** Rows as the first version kept them, in the fields that it had. */
function asThen(kind: string, told: Record<string, object[]>): object[] {
  if (kind === 'run') return runsOf((told['job'] ?? []) as Job[]);
  const fields = new Set((written.rows[kind] ?? []).flatMap((row) => Object.keys(row)));
  const rows = (told[kind] ?? []) as Record<string, unknown>[];
  // It gave a batch that was split off no time worked, and an instrument fitted again no coats that its parts were given apart.
  const parted = ((told['visit'] ?? []) as Visit[]).flatMap(({ id, continues }) => (continues.length === 0 ? [] : [id, ...continues]));
  const refitted = written.entries.flatMap((e) => (e.kind === 'instruments.refitted' ? (e.payload as { serials: string[] }).serials : []));
  const mended = new Set([...parted.map((id) => `${id} touchMs`), ...refitted.map((id) => `${id} coats`)]);
  const then = new Map(((written.rows[kind] ?? []) as Record<string, unknown>[]).map((row) => [row['id'], row]));
  return rows.map((row) =>
    Object.fromEntries(
      [...fields].map((field) => {
        if (field === 'runId') return [field, row['jobId']];
        // A batch was a trial or was not, where there are classes of work now.
        if (field === 'trial') return [field, row['workClass'] === 'trial'];
        return [field, mended.has(`${String(row['id'])} ${field}`) ? then.get(row['id'])?.[field] : row[field]];
      }),
    ),
  );
}

/** It knew runs of one batch, where there are jobs of pieces now; pieces that went on before the rest ended none. */
function runsOf(jobs: readonly Job[]): object[] {
  const runs = jobs.flatMap(({ shares, stationCode, personIds: [personId] }) =>
    [...groupBy(shares, (s) => s.visitId).values()].map((of) => {
      const [{ visitId, batchId, fromMs } = { visitId: '', batchId: '', fromMs: 0 }] = of;
      return { id: `${visitId}@${fromMs}`, visitId, batchId, stationCode, personId, fromMs, toMs: of.at(-1)?.toMs ?? null };
    }),
  );
  return runs.sort((a, b) => (a.id < b.id ? -1 : 1));
}

test('the time worked at each station is what it was; coats lie in their jobs and on what their pieces became', () => {
  const routes = new RouteBook(new Map(written.routes.map((r) => [r.id, r])));
  const told = everything(LEDGER.replay(structuredClone(written.entries), routes));
  const worked = (rows: Record<string, object[]>) =>
    [...groupBy((rows['visit'] ?? []) as Visit[], (v) => v.stationCode)].map(([station, visits]) => [
      station,
      Math.round(visits.reduce((sum, v) => sum + v.touchMs, 0)),
    ]);
  expect(worked(told)).toEqual(worked(written.rows));
  const jobs = (told['job'] ?? []) as Job[];
  const coats = (told['coat'] ?? []) as Coat[];
  const pieces = (told['piece'] ?? []) as Piece[];
  for (const { serial, bodyId } of (told['instrument'] ?? []) as Instrument[]) {
    const [whole, body] = [serial, bodyId].map((id) => pieces.find((p) => p.id === id)?.coats ?? -1);
    expect(whole).toBeGreaterThanOrEqual(body ?? 0);
  }
  expect(coats.every((c) => jobs.find((j) => j.id === c.jobId)?.shares.some((s) => s.visitId === c.visitId))).toBe(true);
});

test('the fixture holds every kind of entry of the first version', () => {
  expect(new Set(written.entries.map((e) => e.kind)).size).toBe(40);
  expect(written.entries.every((e) => e.schemaVersion === 1)).toBe(true);
});

test('entries about wood touch wood alone', () => {
  const ofWood = written.entries.filter((e) => (WOOD_ENTRIES as readonly string[]).includes(e.kind));
  const touched = everything(LEDGER.replay(structuredClone(ofWood), new RouteBook(new Map())));
  const timber = LEDGER.rooms.find((room) => room.name === 'timber');
  const kinds = Object.keys(touched).filter((kind) => (touched[kind] ?? []).length > 0);
  expect(kinds).toContain('reading');
  expect(kinds.filter((kind) => !timber?.rows.some((r) => r.name === kind))).toEqual([]);
});
