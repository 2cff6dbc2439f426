import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { Batch, Instrument, livePieces, Piece, piecesIn, Run, Visit } from '../batches/index.ts';
import { type Carrier, placementsOf, takenOn } from '../carriers/index.ts';
import { LEDGER } from '../ledger.ts';
import { checkRoute, OverrideRecord, type Route, RouteBook } from '../routing/index.ts';
import { anyAct, carryOut, type Act } from '../test/anyAct.ts';
import { anyRoute } from '../test/anyRoute.ts';
import { BRACES_ROUTE, CARRIERS, SHORT_ROUTE, WIDE_ROUTE } from '../test/routes.ts';
import { everything, stored, TestShop } from '../test/shop.ts';
import { Rows } from '../ledger/index.ts';

const ANY_CARRIERS: readonly Carrier[] = [
  ...CARRIERS,
  { id: 'P1', name: 'P1', kind: 'press', places: 4, zoneId: 'z', outline: null },
  { id: 'P2', name: 'P2', kind: 'press', places: 2, zoneId: 'z', outline: null },
  { id: 'M1', name: 'M1', kind: 'mould', places: 3, zoneId: 'z', outline: 'any' },
  { id: 'M2', name: 'M2', kind: 'mould', places: 1, zoneId: 'z', outline: 'any' },
];
const STARTED = 11 + 12;

const histories = fc.array(anyAct, { minLength: 20, maxLength: 140 });
const routes = fc.oneof({ weight: 4, arbitrary: anyRoute }, { weight: 1, arbitrary: fc.constantFrom(SHORT_ROUTE, WIDE_ROUTE) });
const extras = fc.constantFrom('yes', 'no');

/** Bodies, necks and what is joined to them, and whatever happens to them. */
function run(route: Route, extra: string, acts: readonly Act[], each?: (shop: TestShop) => void): TestShop {
  const versions = [route, { ...route, id: `${route.id} again`, version: 2 }, BRACES_ROUTE];
  const shop = new TestShop(new Map(versions.map((r) => [r.id, r])), ANY_CARRIERS);
  const facts = { choices: { extra, binding: extra === 'yes' ? 'both' : 'none' }, species: {}, construction: '' };
  shop.start('body', 3, { route, facts });
  shop.start('neck', 2, { route, facts, setIds: ['one', 'two'] });
  shop.start('neck', 2, { route, facts, setIds: ['three', 'four'] });
  const guests = route.operations.some((o) => o.component === 'fingerboard') ? 'fingerboard' : 'neck';
  const braces = shop.start('small part', 12, { route: BRACES_ROUTE });
  shop.work(braces);
  shop.start(guests, 4, { route, facts, setIds: ['two', 'one', 'three', 'four'] });
  for (const act of acts) {
    carryOut(shop, act);
    each?.(shop);
  }
  return shop;
}

const check = (numRuns: number, property: (shop: TestShop) => void) =>
  fc.assert(
    fc.property(routes, extras, histories, (route, extra, acts) => property(run(route, extra, acts))),
    { numRuns },
  );

test('any route that is drawn here can be run', () => {
  fc.assert(
    fc.property(anyRoute, (route) => {
      expect(checkRoute(route)).toEqual([]);
    }),
    { numRuns: 200 },
  );
});

describe('any history on any route', () => {
  test('loses no piece and doubles none, and batches count what they hold', () => {
    check(600, ({ rows }) => {
      const pieces = rows.all(Piece);
      expect(pieces.filter((p) => p.component !== 'instrument')).toHaveLength(STARTED);
      for (const batch of rows.all(Batch)) {
        const live = livePieces(piecesIn(rows, batch.id));
        expect(batch.quantity).toBe(live.length);
        expect(batch.status === 'done').toBe(live.length === 0);
      }
      const lost = pieces.filter((p) => livePieces([p]).length > 0 && rows.get(Batch, p.batchId).status === 'done');
      expect(lost).toEqual([]);
    });
  });
  test('swaps no pair: a serial keeps its body and its neck, together or apart', () => {
    check(500, ({ rows, recorder }) => {
      const fitted = recorder.entries.flatMap((e) => (e.kind === 'instruments.fitted' ? e.payload.pairs : []));
      expect(
        rows
          .all(Instrument)
          .map(({ serial, bodyId, neckId }) => ({ serial, bodyId, neckId }))
          .sort(bySerial),
      ).toEqual(fitted.map(({ serial, bodyId, neckId }) => ({ serial, bodyId, neckId })).sort(bySerial));
      for (const { serial, bodyId, neckId } of rows.all(Instrument)) {
        const [body, neck] = [rows.get(Piece, bodyId), rows.get(Piece, neckId)];
        expect([body.serial, neck.serial]).toEqual([serial, serial]);
        const apart = rows.get(Piece, serial).state === 'apart';
        for (const half of [body, neck]) expect(half.state === 'fitted').toBe(!apart && half.state !== 'scrapped');
      }
    });
  });
  test('never over-fills a carrier, and frees what is left', () => {
    fc.assert(
      fc.property(routes, extras, histories, (route, extra, acts) => {
        const shop = run(route, extra, acts, ({ rows }) => {
          for (const carrier of ANY_CARRIERS) expect(takenOn(rows, carrier.id)).toBeLessThanOrEqual(carrier.places);
        });
        for (const batch of shop.rows.all(Batch)) {
          const placed = placementsOf(shop.rows, batch.id);
          expect(placed.reduce((sum, p) => sum + p.pieces, 0)).toBeLessThanOrEqual(batch.quantity);
          const inside = batch.status === 'dwelling' ? shop.operation(batch.id).place : undefined;
          if (!inside) continue;
          expect(placed.reduce((sum, p) => sum + p.pieces, 0)).toBe(batch.quantity);
          for (const p of placed) expect(ANY_CARRIERS.find((c) => c.id === p.carrierId)?.kind).toBe(inside.kind);
        }
      }),
      { numRuns: 400 },
    );
  });
  test('replayed from storage gives the same state, whether rows are changed where they stand or not', () => {
    check(300, (shop) => {
      for (const inPlace of [false, true]) {
        const again = LEDGER.replay(stored(shop.recorder.entries), new RouteBook(shop.versions), new Rows(inPlace));
        expect(everything(again)).toEqual(everything(shop.rows));
      }
    });
  });
  test('passes no gate but with time, or with an override on record', () => {
    check(400, ({ rows, routes: book }) => {
      for (const visit of rows.all(Visit)) {
        const batch = rows.get(Batch, visit.batchId);
        const operation = book.routeOf(batch).operations.find((o) => o.id === visit.operationId);
        const rule = operation?.gate.find((r) => r.kind === 'elapsed');
        const left = visit.leftMs !== null && visit.good > 0 && visit.rework === 0 && visit.quantity > 0;
        // A batch taken in by another was not let through a gate.
        if (!rule || !left || batch.status === 'done') continue;
        if ((visit.leftMs ?? 0) - visit.arrivedMs >= rule.minimumMinutes * 60_000) continue;
        const scrappedWhole = visit.scrap >= visit.quantity;
        const on = rows.all(OverrideRecord).filter((o) => o.batchId === visit.batchId && o.operationId === visit.operationId);
        if (!scrappedWhole) expect(on.map((o) => o.atMs)).toContain(visit.leftMs);
      }
    });
  });
  test('passes no gate that waits for somebody, but signed off or with an override on record', () => {
    check(250, ({ rows, routes: book, recorder }) => {
      const lineage = (id: string | null): string[] => (id === null ? [] : [id, ...lineage(rows.get(Batch, id).parentId)]);
      for (const visit of rows.all(Visit)) {
        const batch = rows.get(Batch, visit.batchId);
        const operation = book.routeOf(batch).operations.find((o) => o.id === visit.operationId);
        if (!operation?.gate.some((r) => r.kind === 'signOff')) continue;
        if (visit.leftMs === null || visit.good === 0 || visit.rework > 0 || batch.status === 'done') continue;
        const signed = recorder.entries.some(
          (e) => e.kind === 'gate.signedOff' && e.payload.operationId === operation.id && lineage(batch.id).includes(e.batchId ?? ''),
        );
        const overridden = rows.all(OverrideRecord).some((o) => o.batchId === batch.id && o.operationId === operation.id);
        expect(signed || overridden).toBe(true);
      }
    });
  });
  test('one run at a time, versions only grow', () => {
    fc.assert(
      fc.property(routes, extras, histories, (route, extra, acts) => {
        const versions = new Map<string, number>();
        run(route, extra, acts, ({ rows }) => {
          for (const b of rows.all(Batch)) {
            expect(b.version).toBeGreaterThanOrEqual(versions.get(b.id) ?? 0);
            versions.set(b.id, b.version);
            const open = rows.all(Run).filter((r) => r.batchId === b.id && r.toMs === null);
            expect(open).toHaveLength(b.status === 'running' ? 1 : 0);
          }
        });
      }),
      { numRuns: 150 },
    );
  });
  test('does something: every kind of entry is written in the course of many', () => {
    const kinds = new Set<string>();
    fc.assert(
      fc.property(fc.oneof(anyRoute, fc.constant(WIDE_ROUTE)), fc.array(anyAct, { minLength: 200, maxLength: 400 }), (route, acts) => {
        for (const kind of run(route, 'yes', acts).kinds()) kinds.add(kind);
      }),
      { numRuns: 120, seed: 7 },
    );
    expect([...kinds]).toEqual(
      expect.arrayContaining([
        'work.partFinished',
        'batch.placed',
        'batch.held',
        'batch.split',
        'batch.merged',
        'batch.sent',
        'batch.called',
        'batch.rerouted',
        'stock.drawn',
        'handover.accepted',
        'gate.signedOff',
        'handover.refused',
        'pieces.scrapped',
        'parts.joined',
        'instruments.fitted',
        'instruments.parted',
        'instruments.refitted',
        'instrument.shipped',
        'coat.logged',
        'entry.undone',
      ]),
    );
  });
});

const bySerial = (a: { serial: string }, b: { serial: string }) => (a.serial < b.serial ? -1 : 1);
