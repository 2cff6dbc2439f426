import { describe, expect, test } from '@jest/globals';
import { Batch, Defect, Instrument, Piece, Visit } from '../batches/index.ts';
import { placementsOf, takenOn } from '../carriers/index.ts';
import type { Decision, Written } from '../ledger/index.ts';
import { Order } from '../orders/index.ts';
import { OverrideRecord, type Route } from '../routing/index.ts';
import { DAY_MS, HOUR_MS } from '../units/index.ts';
import { BRACES_ROUTE, changed, WIDE_ROUTE } from '../test/routes.ts';
import { TestShop } from '../test/shop.ts';

const both = { choices: { binding: 'both', finish: 'oil' }, species: {}, construction: '' };
const said = (decision: Decision<Written>) =>
  decision.kind === 'accept' ? decision.entries.map((e) => e.kind) : decision.because.map((f) => f.sentence);

/** A shop with braces in their box. */
function shopOf(route = WIDE_ROUTE, braces = 40, more: Route[] = []) {
  const versions = [route, BRACES_ROUTE, { ...route, id: 'wide@2', version: 2 }, ...more];
  const shop = new TestShop(new Map(versions.map((r) => [r.id, r])));
  shop.work(shop.start('small part', braces, { route: BRACES_ROUTE }));
  return shop;
}
const bodies = (shop: TestShop, quantity = 3) => shop.start('body', quantity, { route: shop.routes.route('wide@1'), facts: both });
const at = (shop: TestShop, id: string) => [shop.batch(id).operationId, shop.batch(id).status];

/** Bent, cooled and pressed: at the binding. */
function toBinding(shop: TestShop, id: string): void {
  shop.work(id);
  shop.pass(2 * HOUR_MS);
  shop.command(id, { command: 'move batch' });
  shop.work(id);
}

/** Bound on both faces, sanded, called from the buffer: at the fitting. */
function toFitting(shop: TestShop, id: string): void {
  toBinding(shop, id);
  for (let face = 1; face <= 2; face++) {
    shop.work(id);
    shop.pass(14 * HOUR_MS);
    shop.command(id, { command: 'move batch' });
  }
  shop.command(id, { command: 'accept batch' });
  shop.work(id);
  shop.command(id, { command: 'call batch', quantity: shop.live(id).length, orderId: 'O1' });
}

/** Necks with their own fingerboards, plated and brought over: at the fitting. */
function necksAtFitting(shop: TestShop, setIds: string[]): string {
  const route = shop.routes.route('wide@1');
  const necks = shop.start('neck', setIds.length, { route, facts: both, setIds });
  const boards = shop.start('fingerboard', setIds.length, { route, facts: both, setIds: [...setIds].reverse() });
  shop.work(necks);
  shop.work(boards);
  shop.command(necks, { command: 'join parts', personId: 'ann', guestBatchIds: [boards] });
  shop.pass(3 * HOUR_MS);
  shop.command(necks, { command: 'move batch' });
  for (let i = 0; i < 2; i++) {
    shop.command(necks, { command: 'send batch', to: 'The plater', dueBackMs: shop.nowMs + DAY_MS });
    shop.pass(DAY_MS);
    shop.command(necks, { command: 'receive batch', good: setIds.length, rework: 0, scrap: 0, outcomes: [] });
  }
  return necks;
}

describe('places', () => {
  test('a no-wait step begins only when the next place is free, and takes it', () => {
    const shop = shopOf();
    const [first, second] = [bodies(shop, 5), bodies(shop, 3)];
    expect(said(shop.command(first, { command: 'start work', personId: 'ann' }))).toEqual(['batch.placed', 'work.started']);
    expect(placementsOf(shop.rows, first).map((p) => [p.carrierId, p.pieces])).toEqual([
      ['F1', 3],
      ['F2', 2],
    ]);
    expect(said(shop.command(second, { command: 'start work', personId: 'ann' }))).toEqual([
      '1 of 6 places free in a form for cool; 3 are needed',
    ]);
    shop.command(second, {
      command: 'split batch',
      pieceIds: shop
        .live(second)
        .slice(0, 1)
        .map((p) => p.id),
    });
    expect(said(shop.command('B4', { command: 'start work', personId: 'ann' }))).toEqual(['batch.placed', 'work.started']);
  });
  test('are freed when the batch goes on, and by what is scrapped', () => {
    const shop = shopOf();
    const id = bodies(shop);
    shop.work(id, { scrap: [`${id}-01`] });
    expect(takenOn(shop.rows, 'F1')).toBe(2);
    shop.pass(2 * HOUR_MS);
    expect(said(shop.command(id, { command: 'move batch' }))).toEqual(['batch.placed', 'batch.moved']);
    expect(takenOn(shop.rows, 'F1')).toBe(0);
  });
  test('a batch may sit on several carriers and a carrier hold several batches; a dwelling one stays in its kind', () => {
    const shop = shopOf();
    const [first, second] = [bodies(shop), bodies(shop)];
    const racks = [
      { carrierId: 'R1', pieces: 2 },
      { carrierId: 'R2', pieces: 1 },
    ];
    expect(said(shop.command(first, { command: 'place batch', placements: racks }))).toEqual(['batch.placed']);
    expect(said(shop.command(second, { command: 'place batch', placements: [{ carrierId: 'R1', pieces: 3 }] }))).toEqual(['batch.placed']);
    expect(takenOn(shop.rows, 'R1')).toBe(5);
    shop.work(first);
    expect(said(shop.command(first, { command: 'place batch', placements: racks }))).toEqual(['While at cool it stays in a form']);
    expect(said(shop.command(first, { command: 'place batch', placements: [{ carrierId: 'F2', pieces: 3 }] }))).toEqual(['batch.placed']);
  });
});

describe('the way through', () => {
  test('both faces bound: the binding is done twice, with pass numbers', () => {
    const shop = shopOf();
    const id = bodies(shop);
    toBinding(shop, id);
    shop.work(id);
    shop.pass(14 * HOUR_MS);
    shop.command(id, { command: 'move batch' });
    expect([...at(shop, id), shop.batch(id).pass]).toEqual(['bind', 'queued', 2]);
    shop.work(id);
    shop.pass(14 * HOUR_MS);
    shop.command(id, { command: 'move batch' });
    expect(at(shop, id)).toEqual(['sand', 'queued']);
    expect(shop.rows.all(Visit).filter((v) => v.batchId === id && v.operationId === 'bindset')).toHaveLength(2);
  });
  test('another way is another station and another skill', () => {
    const shop = shopOf();
    const id = bodies(shop);
    shop.work(id);
    shop.pass(2 * HOUR_MS);
    shop.command(id, { command: 'move batch' });
    expect(said(shop.command(id, { command: 'start work', personId: 'bob', wayId: 'pin' }))).toEqual([
      'This person is not signed off for pin routing at level 2',
    ]);
    expect(said(shop.command(id, { command: 'start work', personId: 'ann', wayId: 'saw' }))).toEqual(['press is not done that way']);
    expect(said(shop.command(id, { command: 'start work', personId: 'ann', wayId: 'pin' }))).toEqual(['stock.drawn', 'work.started']);
    expect(shop.batch(id)).toMatchObject({ stationCode: 'S-pin', wayId: 'pin' });
  });
  test('what must exist first is named when it is missing', () => {
    const shop = new TestShop(undefined, undefined, { prerequisites: [] });
    const id = shop.start('fingerboard', 2, { route: WIDE_ROUTE, facts: both });
    expect(said(shop.command(id, { command: 'start work', personId: 'ann' }))).toEqual(['There is no program "fret slots" on record']);
  });
  test('small parts are drawn, the oldest first, and asked for when short', () => {
    const shop = shopOf(WIDE_ROUTE, 4);
    const id = bodies(shop);
    shop.work(id);
    shop.pass(2 * HOUR_MS);
    shop.command(id, { command: 'move batch' });
    expect(said(shop.command(id, { command: 'start work', personId: 'ann' }))).toEqual(['4 of 6 braces in stock for press']);
    shop.work(shop.start('small part', 4, { route: BRACES_ROUTE }));
    expect(said(shop.command(id, { command: 'start work', personId: 'ann' }))).toEqual(['stock.drawn', 'stock.drawn', 'work.started']);
    expect(shop.rows.all(Piece).filter((p) => p.state === 'drawn')).toHaveLength(6);
    expect(shop.batch('B1').status).toBe('done');
  });
  test('until accepted: asked, gone round, stopped at the most allowed, moved on with a reason', () => {
    const shop = shopOf({
      ...WIDE_ROUTE,
      operations: changed(WIDE_ROUTE, [
        'bend',
        { noWait: false, repeat: { kind: 'until accepted', backTo: 'bend', maximum: 2, expected: 1 } },
      ]).operations,
    });
    const id = bodies(shop);
    shop.work(id);
    expect(at(shop, id)).toEqual(['bend', 'finished']);
    expect(said(shop.command(id, { command: 'move batch' }))).toEqual(['Round 1 of bend: is it accepted, or does it go round again?']);
    shop.command(id, { command: 'move batch', accepted: false });
    expect([...at(shop, id), shop.batch(id).pass]).toEqual(['bend', 'queued', 2]);
    shop.work(id);
    expect(said(shop.command(id, { command: 'move batch', accepted: false }))).toEqual(['bend has been round 2 times, the most allowed']);
    expect(said(shop.command(id, { command: 'move batch', accepted: false, overrideReason: 'Good enough for a prototype' }))).toContain(
      'batch.moved',
    );
    expect(shop.rows.all(OverrideRecord)).toHaveLength(1);
    expect(shop.batch(id)).toMatchObject({ operationId: 'cool', rounds: { bend: 0 } });
  });
  test('sent out and received; late is not refused, but a past date is', () => {
    const shop = shopOf();
    const necks = necksAtFitting(shop, ['s1', 's2']);
    expect(at(shop, necks)).toEqual(['fit', 'queued']);
    const away = shop.rows.all(Visit).find((v) => v.batchId === necks && v.operationId === 'plate');
    expect([(away?.leftMs ?? 0) - (away?.startedMs ?? 0), away?.touchMs]).toEqual([DAY_MS, 0]);
    const other = bodies(shop);
    expect(said(shop.command(other, { command: 'send batch', to: 'x', dueBackMs: shop.nowMs + 1 }))).toEqual(['bend is done here']);
  });
  test('a buffer keeps pieces until a build calls, whole or in part', () => {
    const shop = shopOf();
    const id = bodies(shop);
    toBinding(shop, id);
    for (let face = 1; face <= 2; face++) {
      shop.work(id);
      shop.pass(14 * HOUR_MS);
      shop.command(id, { command: 'move batch' });
    }
    expect(said(shop.command(id, { command: 'start work', personId: 'ann' }))).toEqual([`Batch ${id} has not been taken over yet`]);
    shop.command(id, { command: 'accept batch' });
    shop.work(id);
    expect(at(shop, id)).toEqual(['stock', 'stocked']);
    expect(shop.live(id).map((p) => p.grit)).toEqual([120, 120, 120]);
    expect(said(shop.command(id, { command: 'call batch', quantity: 4, orderId: null }))[0]).toMatch(/holds 3/);
    expect(said(shop.command(id, { command: 'call batch', quantity: 2, orderId: 'O1' }))).toEqual([
      'batch.split',
      'batch.called',
      'batch.moved',
    ]);
    const called = shop.rows.all(Batch).find((b) => b.parentId === id);
    expect(called).toMatchObject({ operationId: 'fit', quantity: 2, orderId: 'O1', dueMs: shop.rows.get(Order, 'O1').dueMs });
    expect(shop.batch(id)).toMatchObject({ status: 'stocked', quantity: 1, orderId: null });
  });
});

describe('joining, fitting, parting', () => {
  test('a fingerboard returns to its own neck block, or not at all', () => {
    const shop = shopOf();
    const necks = shop.start('neck', 2, { route: WIDE_ROUTE, facts: both, setIds: ['s1', 's2'] });
    const [own, strange] = [
      ['s2', 's1'],
      ['s3', 's4'],
    ].map((setIds) => shop.start('fingerboard', 2, { route: WIDE_ROUTE, facts: both, setIds }));
    for (const id of [necks, own ?? '', strange ?? '']) shop.work(id);
    expect(said(shop.command(necks, { command: 'join parts', personId: 'ann', guestBatchIds: [strange ?? ''] }))).toEqual([
      `${necks}-01 has no part here that was cut from its own block`,
    ]);
    shop.command(necks, { command: 'join parts', personId: 'ann', guestBatchIds: [own ?? ''] });
    const joined = shop.rows.all(Piece).filter((p) => p.state === 'joined');
    expect(joined.map((p) => [p.setId, shop.rows.get(Piece, p.intoId).setId])).toEqual([
      ['s2', 's2'],
      ['s1', 's1'],
    ]);
    expect(shop.batch(own ?? '').status).toBe('done');
  });
  test('what is joined is made for the same options', () => {
    const shop = shopOf();
    const necks = shop.start('neck', 1, { route: WIDE_ROUTE, facts: both, setIds: ['s1'] });
    const other = { ...both, choices: { ...both.choices, finish: 'bare' } };
    const board = shop.start('fingerboard', 1, { route: WIDE_ROUTE, facts: other, setIds: ['s1'] });
    for (const id of [necks, board]) shop.work(id);
    expect(said(shop.command(necks, { command: 'join parts', personId: 'ann', guestBatchIds: [board] }))).toEqual([
      `Batch ${board} is made for other options`,
    ]);
  });
  test('a pair stays a pair while apart, and comes together only with itself', () => {
    const shop = shopOf();
    const body = bodies(shop);
    toFitting(shop, body);
    const necks = necksAtFitting(shop, ['a', 'b', 'c']);
    const made = shop.fit(body, necks);
    if (typeof made !== 'string') throw new Error(said(made).join());
    shop.command(made, { command: 'part instruments', personId: 'ann' });
    const halves = shop.rows.all(Batch).filter((b) => b.parentId === made);
    const [b, n] = halves.map((h) => h.id) as [string, string];
    expect(halves.map((h) => [h.component, h.operationId, h.quantity])).toEqual([
      ['body', 'spray', 3],
      ['neck', 'oil', 3],
    ]);
    expect(shop.rows.get(Piece, 'S01').state).toBe('apart');
    // One neck lags behind.
    shop.command(n, { command: 'split batch', pieceIds: [shop.live(n)[0]?.id ?? ''] });
    shop.work(n);
    shop.work(n);
    shop.work(b);
    shop.pass(DAY_MS);
    shop.command(b, { command: 'move batch' });
    expect(said(shop.command(b, { command: 'refit instruments', personId: 'ann', neckBatchId: n }))).toEqual(['instruments.refitted']);
    expect(shop.batch(b)).toMatchObject({ quantity: 1, status: 'queued' });
    expect(shop.rows.get(Piece, 'S01').state).toBe('apart');
    expect([shop.rows.get(Piece, 'S02').state, shop.rows.get(Piece, 'S03').state]).toEqual(['good', 'good']);
    const { neckId } = shop.rows.get(Instrument, 'S02');
    expect(shop.rows.get(Piece, neckId).trail.map((t) => t.batchId)).toEqual([necks, n]);
  });
});

describe('hand-over', () => {
  const atSanding = () => {
    const shop = shopOf();
    const id = bodies(shop, 5);
    toBinding(shop, id);
    for (let face = 1; face <= 2; face++) {
      shop.work(id);
      shop.pass(14 * HOUR_MS);
      shop.command(id, { command: 'move batch' });
    }
    return { shop, id };
  };
  const fault = (pieceId: string, disposition: 'use as is' | 'rework' | 'scrap' | 'hold', toOperationId: string | null = null) => ({
    pieceId,
    defect: 'binding gap',
    originOperationId: 'bind',
    note: 'treble side',
    disposition,
    toOperationId,
  });
  test('refused pieces go each their own way, with the fault, its origin and their history', () => {
    const { shop, id } = atSanding();
    const [a, b, c, d] = shop.live(id).map((p) => p.id) as [string, string, string, string];
    shop.command(id, {
      command: 'refuse work',
      pieces: [fault(a, 'use as is'), fault(b, 'rework', 'bind'), fault(c, 'scrap'), fault(d, 'hold')],
    });
    expect(shop.batch(id)).toMatchObject({ operationId: 'sand', quantity: 2 });
    const back = shop.batch(shop.rows.get(Piece, b).batchId);
    expect(back).toMatchObject({ operationId: 'bind', status: 'queued', pass: 3, redo: true, parentId: id, quantity: 1 });
    expect(shop.batch(shop.rows.get(Piece, d).batchId)).toMatchObject({ status: 'held', holdReason: 'Refused: binding gap' });
    expect(shop.rows.all(Defect).map((x) => [x.pieceId, x.disposition, x.originOperationId])).toEqual([
      [a, 'use as is', 'bind'],
      [b, 'rework', 'bind'],
      [c, 'scrap', 'bind'],
      [d, 'hold', 'bind'],
    ]);
    expect(shop.rows.get(Piece, b).trail.map((t) => t.batchId)).toEqual([id, back.id]);
  });
  test('a whole batch goes back as it is', () => {
    const { shop, id } = atSanding();
    const all = shop.live(id).map((p) => fault(p.id, 'rework', 'press'));
    shop.command(id, { command: 'refuse work', pieces: all });
    expect(shop.batch(id)).toMatchObject({ operationId: 'press', redo: true, quantity: 5 });
    // Rework draws no small parts again.
    expect(said(shop.command(id, { command: 'start work', personId: 'ann' }))).toEqual(['work.started']);
  });
  test('only work that leads here can be asked for again, with a defect', () => {
    const { shop, id } = atSanding();
    const [a] = shop.live(id).map((p) => p.id) as [string];
    const refused = (piece: ReturnType<typeof fault>) => said(shop.command(id, { command: 'refuse work', pieces: [piece] }));
    expect(refused(fault(a, 'rework', 'spray'))).toEqual(['"spray" is not work that leads to sand']);
    expect(refused(fault(a, 'rework'))).toEqual([`Say which step ${a} goes back to`]);
    expect(refused({ ...fault(a, 'scrap'), defect: ' ' })).toEqual(['Each piece that is not good needs a defect']);
    expect(refused(fault('B9-01', 'scrap'))[0]).toMatch(/is not in batch/);
  });
});

describe('a gate that waits for somebody', () => {
  const signed = changed(WIDE_ROUTE, ['press', { gate: [{ kind: 'signOff', skill: 'eye' }] }]);
  const pressed = () => {
    const shop = shopOf(signed);
    const id = bodies(shop, 3);
    shop.work(id);
    shop.pass(2 * HOUR_MS);
    shop.command(id, { command: 'move batch' });
    shop.work(id);
    return { shop, id };
  };
  test('opens when somebody who can has accepted the work, once', () => {
    const { shop, id } = pressed();
    expect(said(shop.command(id, { command: 'move batch' }))).toEqual(['Waits for someone with eye to accept']);
    const accept = { command: 'sign off', personId: 'ann', skill: 'eye' } as const;
    expect(said(shop.command(id, { ...accept, personId: 'bob' }))).toEqual(['This person is not signed off for eye']);
    expect(said(shop.command(id, { ...accept, skill: 'ear' }))).toEqual(['The gate of press does not ask for ear']);
    expect(said(shop.command(id, accept))).toEqual(['gate.signedOff']);
    expect(said(shop.command(id, accept))).toEqual(['press has been accepted for eye already']);
    shop.command(id, { command: 'move batch' });
    expect(at(shop, id)).toEqual(['bind', 'queued']);
    expect(shop.batch(id).signOffs).toEqual([]);
  });
  test('is not passed by being taken in by a batch that was accepted', () => {
    const { shop, id } = pressed();
    shop.command(id, { command: 'split batch', pieceIds: [shop.live(id)[0]?.id ?? ''] });
    const part = shop.rows.all(Batch).find((b) => b.parentId === id)?.id ?? '';
    shop.command(id, { command: 'sign off', personId: 'ann', skill: 'eye' });
    expect(said(shop.command(id, { command: 'merge batches', fromBatchId: part }))[0]).toMatch(/was accepted by others/);
  });
});

describe('split, merge, part-finish', () => {
  test('what is split off is as far as the rest, on its share of the places', () => {
    const shop = shopOf();
    const id = bodies(shop);
    shop.work(id);
    shop.command(id, { command: 'split batch', pieceIds: [`${id}-03`] });
    const off = shop.rows.all(Batch).at(-1);
    expect(off).toMatchObject({ operationId: 'cool', status: 'dwelling', quantity: 1, arrivedMs: shop.batch(id).arrivedMs });
    expect([takenOn(shop.rows, 'F1'), placementsOf(shop.rows, off?.id ?? '')[0]?.pieces]).toEqual([3, 1]);
    expect(said(shop.command(off?.id ?? '', { command: 'split batch', pieceIds: [`${id}-03`] }))).toEqual([
      'That is all of it: nothing would stay behind',
    ]);
  });
  test('merged batches wait from the later arrival', () => {
    const shop = shopOf();
    const first = bodies(shop, 2);
    shop.work(first);
    shop.pass(HOUR_MS);
    const second = bodies(shop, 2);
    shop.work(second);
    expect(said(shop.command(first, { command: 'merge batches', fromBatchId: second }))).toEqual(['batch.merged']);
    expect(shop.batch(first)).toMatchObject({ quantity: 4, arrivedMs: shop.nowMs });
    expect(shop.batch(second)).toMatchObject({ quantity: 0, status: 'done' });
    shop.pass(HOUR_MS);
    expect(said(shop.command(first, { command: 'move batch' }))).toEqual(['Waited 1 h of 2 h']);
    const third = bodies(shop, 2);
    expect(said(shop.command(third, { command: 'merge batches', fromBatchId: first }))[0]).toMatch(/is at another step/);
  });
  test('pieces that are ready go on while the rest is worked on', () => {
    const shop = shopOf();
    const id = bodies(shop);
    toBinding(shop, id);
    shop.command(id, { command: 'start work', personId: 'ann' });
    shop.pass();
    expect(said(shop.command(id, { command: 'finish some', pieceIds: [`${id}-02`] }))).toEqual(['work.partFinished', 'batch.moved']);
    const ready = shop.rows.all(Batch).at(-1);
    expect(ready).toMatchObject({ operationId: 'bindset', status: 'dwelling', quantity: 1, parentId: id });
    expect(shop.batch(id)).toMatchObject({ status: 'running', quantity: 2 });
  });
});

describe('taking back', () => {
  const undo = (shop: TestShop, id: string) =>
    shop.command(id, {
      command: 'undo entry',
      entryId: shop.recorder.entries.filter((e) => e.batchId === id && e.kind !== 'entry.undone').at(-1)?.id ?? 0,
      reason: 'Wrong card',
    });
  test('a start leaves the batch queued, without touch time, its place free', () => {
    const shop = shopOf();
    const id = bodies(shop);
    shop.command(id, { command: 'start work', personId: 'ann' });
    shop.pass();
    expect(said(undo(shop, id))).toEqual(['entry.undone', 'batch.placed']);
    expect(shop.batch(id)).toMatchObject({ status: 'queued', runId: null });
    expect(shop.rows.get(Visit, shop.batch(id).visitId)).toMatchObject({ startedMs: null, touchMs: 0 });
    expect(takenOn(shop.rows, 'F1')).toBe(0);
  });
  test('a move, then the finish before it, with scrap and defects', () => {
    const shop = shopOf();
    const id = bodies(shop);
    toBinding(shop, id);
    shop.work(id, { scrap: [`${id}-01`] });
    expect(at(shop, id)).toEqual(['bindset', 'dwelling']);
    expect(said(undo(shop, id))).toEqual(['entry.undone']);
    expect([...at(shop, id), shop.batch(id).passes['bindset']]).toEqual(['bind', 'finished', 0]);
    const finish = shop.recorder.entries.filter((e) => e.batchId === id && e.kind === 'work.finished').at(-1);
    shop.command(id, { command: 'undo entry', entryId: finish?.id ?? 0, reason: 'Not scrap after all' });
    expect(shop.batch(id)).toMatchObject({ status: 'paused', quantity: 3 });
    expect(shop.rows.all(Defect)).toEqual([]);
    shop.command(id, { command: 'resume work', personId: 'ann' });
    shop.command(id, { command: 'finish work', good: 3, rework: 0, scrap: 0, outcomes: [] });
    expect([...at(shop, id), shop.batch(id).pass, shop.batch(id).quantity]).toEqual(['bindset', 'dwelling', 1, 3]);
  });
  test('not once something rests on it', () => {
    const shop = shopOf();
    const id = bodies(shop);
    shop.command(id, { command: 'start work', personId: 'ann' });
    const started = shop.recorder.entries.at(-1)?.id ?? 0;
    shop.command(id, { command: 'pause work', cause: 'person' });
    expect(said(shop.command(id, { command: 'undo entry', entryId: started, reason: 'x' }))[0]).toMatch(
      /something else has been logged since/,
    );
    expect(said(undo(shop, id))[0]).toMatch(/cannot be taken back/);
  });
});

describe('another version', () => {
  test('work moves at its own step, and no way round a gate or a step', () => {
    const without = changed({ ...WIDE_ROUTE, id: 'wide@3', operations: WIDE_ROUTE.operations.filter((o) => o.id !== 'cool') }, [
      'bend',
      { next: ['press'], noWait: false },
    ]);
    const shop = shopOf(WIDE_ROUTE, 40, [without]);
    const id = bodies(shop);
    shop.work(id);
    expect(said(shop.command(id, { command: 'reroute batch', routeId: 'wide@2', operationId: 'press', reason: 'New jig' }))).toEqual([
      `On that version batch ${id} stands at "cool"`,
    ]);
    expect(said(shop.command(id, { command: 'reroute batch', routeId: 'wide@2', operationId: 'cool', reason: 'New jig' }))).toEqual([
      'batch.rerouted',
    ]);
    expect(shop.batch(id)).toMatchObject({ routeId: 'wide@2', operationId: 'cool', status: 'dwelling' });
    expect(said(shop.command(id, { command: 'reroute batch', routeId: without.id, operationId: 'press', reason: 'No rest' }))).toEqual([
      'Waited 0 min of 2 h',
    ]);
  });
});
