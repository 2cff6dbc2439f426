import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { livePieces, type BatchCommand } from '../routing/index.ts';
import { everything, SHORT_ROUTE, stored, TestShop } from '../test/shop.ts';
import { HOUR_MS } from '../units/index.ts';
import { applyEntry, ShopState } from './index.ts';

/** What a person might do to some batch, sensible or not. */
const anyAct = fc.record({
  act: fc.constantFrom(
    'start',
    'pause',
    'resume',
    'finish',
    'finish',
    'move',
    'move',
    'hold',
    'release',
    'fit',
    'ship',
    'coat',
    'wait',
    'wait',
  ),
  which: fc.nat(9),
  bad: fc.constantFrom('none', 'none', 'rework', 'scrap', 'miscount'),
  override: fc.boolean(),
  hours: fc.integer({ min: 1, max: 60 }),
});

type Act = typeof anyAct extends fc.Arbitrary<infer T> ? T : never;

function carryOut(shop: TestShop, { act, which, bad, override, hours }: Act): void {
  const batches = shop.state.all('batch');
  const batch = batches[which % batches.length];
  if (!batch) return;
  const { id } = batch;
  const pieces = shop.state
    .pieces(id)
    .filter((p) => (batch.pass === 1 ? p.state === 'good' || p.state === 'rework' : p.state === 'rework'));
  const outcome = bad === 'rework' || bad === 'scrap' ? bad : null;
  const [first] = pieces;
  const finish: BatchCommand = {
    kind: 'finish',
    good: pieces.length - (outcome ? 1 : 0) + (bad === 'miscount' ? 1 : 0),
    rework: outcome === 'rework' ? 1 : 0,
    scrap: outcome === 'scrap' ? 1 : 0,
    outcomes: outcome && first ? [{ pieceId: first.id, outcome, defect: 'crack', originOperationId: batch.operationId, note: '' }] : [],
  };
  switch (act) {
    case 'start':
    case 'resume':
      shop.command(id, { kind: act, personId: 'ann' });
      return;
    case 'pause':
      shop.command(id, { kind: 'pause', cause: 'material' });
      return;
    case 'finish':
      shop.command(id, finish);
      return;
    case 'move':
      shop.command(id, { kind: 'move', ...(override ? { overrideReason: 'Looked sound to two of us' } : {}) });
      return;
    case 'hold':
      shop.command(id, { kind: 'hold', reason: 'In doubt' });
      return;
    case 'release':
      shop.command(id, { kind: 'release' });
      return;
    case 'coat':
      if (shop.operation(id).coat && batch.status === 'running') shop.coat(id);
      return;
    case 'fit': {
      const [body, neck] = ['body', 'neck'].map((c) =>
        batches.find((b) => b.component === c && b.operationId === 'fit' && b.status === 'queued'),
      );
      if (body && neck) shop.fit(body.id, neck.id);
      return;
    }
    case 'ship': {
      const piece = shop.state.pieces(id).find((p) => p.state === 'good');
      if (batch.operationId === 'ship' && batch.status === 'queued' && piece) shop.ship(piece.id);
      return;
    }
    case 'wait':
      shop.pass(hours * HOUR_MS);
  }
}

describe('any history', () => {
  const histories = fc.array(anyAct, { minLength: 20, maxLength: 160 });
  const run = (acts: readonly Act[], each?: (shop: TestShop) => void) => {
    const shop = new TestShop();
    shop.start('body', 3);
    shop.start('neck', 2);
    shop.start('neck', 2);
    for (const act of acts) {
      carryOut(shop, act);
      each?.(shop);
    }
    return shop;
  };

  test('loses no piece and doubles none', () => {
    fc.assert(
      fc.property(histories, (acts) => {
        const shop = run(acts);
        const pieces = shop.state.all('piece');
        expect(pieces.filter((p) => p.component !== 'instrument')).toHaveLength(7);
        const fitted = pieces.filter((p) => p.state === 'fitted');
        const instruments = shop.state.all('instrument');
        expect(fitted.map((p) => p.serial).sort()).toEqual(instruments.flatMap((i) => [i.serial, i.serial]).sort());
        for (const batch of shop.state.all('batch')) expect(batch.quantity).toBe(livePieces(shop.state.pieces(batch.id)).length);
      }),
      { numRuns: 150 },
    );
  });
  test('replayed from storage gives the same state', () => {
    fc.assert(
      fc.property(histories, (acts) => {
        const shop = run(acts);
        const again = new ShopState(shop.routes);
        for (const e of stored(shop.recorder.entries)) applyEntry(again, e);
        expect(everything(again)).toEqual(everything(shop.state));
      }),
      { numRuns: 100 },
    );
  });
  test('passes no gate but with time, or with an override on record', () => {
    fc.assert(
      fc.property(histories, (acts) => {
        const shop = run(acts);
        const needed: Record<string, number> = { rest: 48 * HOUR_MS, cure: 24 * HOUR_MS };
        for (const visit of shop.state.all('visit')) {
          const ms = needed[visit.operationId];
          if (ms === undefined || visit.leftMs === null || visit.leftMs - visit.arrivedMs >= ms) continue;
          const on = shop.state.all('override').filter((o) => o.batchId === visit.batchId && o.operationId === visit.operationId);
          expect(on.map((o) => o.atMs)).toContain(visit.leftMs);
        }
      }),
      { numRuns: 150 },
    );
  });
  test('counts of finished visits add up, versions only grow, one run at a time', () => {
    fc.assert(
      fc.property(histories, (acts) => {
        const versions = new Map<string, number>();
        const shop = run(acts, ({ state }) => {
          for (const b of state.all('batch')) {
            expect(b.version).toBeGreaterThanOrEqual(versions.get(b.id) ?? 0);
            versions.set(b.id, b.version);
            const open = state.all('run').filter((r) => r.batchId === b.id && r.toMs === null);
            expect(open).toHaveLength(b.status === 'running' ? 1 : 0);
          }
        });
        for (const v of shop.state.all('visit'))
          if (v.finishedMs !== null && SHORT_ROUTE.operations.some((o) => o.id === v.operationId && o.kind === 'work'))
            expect(v.good + v.rework + v.scrap).toBe(v.quantity);
      }),
      { numRuns: 60 },
    );
  });
  test('does something: work is finished, pieces fitted and shipped in the course of many', () => {
    const kinds = new Set<string>();
    fc.assert(
      fc.property(fc.array(anyAct, { minLength: 150, maxLength: 300 }), (acts) => {
        for (const kind of run(acts).kinds()) kinds.add(kind);
      }),
      { numRuns: 60, seed: 7 },
    );
    expect([...kinds]).toEqual(expect.arrayContaining(['work.finished', 'batch.moved', 'batch.held', 'instruments.fitted', 'coat.logged']));
  });
});
