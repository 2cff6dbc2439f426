import { describe, expect, test } from '@jest/globals';
import { Batch, Defect, Instrument, Job, Piece, Visit } from '../batches/index.ts';
import { placementsOf, takenOn } from '../carriers/index.ts';
import { Order } from '../orders/index.ts';
import { OverrideRecord } from '../routing/index.ts';
import { DAY_MS, HOUR_MS } from '../units/index.ts';
import { BRACES_ROUTE, changed, WIDE_ROUTE } from '../test/routes.ts';
import { filledIn } from '../test/parts.ts';
import { TestHouse } from '../test/house.ts';
import { both, said, wideHouse, bodies, at, toBinding, toFitting, necksAtFitting } from '../test/wideHouse.ts';

describe('places', () => {
  test('a no-wait step begins only when the next place is free, and takes it', () => {
    const house = wideHouse();
    const [first, second] = [bodies(house, 5), bodies(house, 3)];
    expect(said(house.command(first, { command: 'start work', personId: 'ann' }))).toEqual(['batch.placed', 'work.started']);
    expect(placementsOf(house.rows, first).map((p) => [p.carrierId, p.pieces])).toEqual([
      ['F1', 3],
      ['F2', 2],
    ]);
    expect(said(house.command(second, { command: 'start work', personId: 'ann' }))).toEqual([
      `1 of 6 places free in a form for cool; 3 are needed: ${first} (5) is there`,
    ]);
    house.command(second, {
      command: 'split batch',
      pieceIds: house
        .live(second)
        .slice(0, 1)
        .map((p) => p.id),
    });
    expect(said(house.command('B4', { command: 'start work', personId: 'ann' }))).toEqual(['batch.placed', 'work.started']);
  });
  test('are freed when the batch goes on, and by what is scrapped', () => {
    const house = wideHouse();
    const id = bodies(house);
    house.work(id, { scrap: [`${id}-01`] });
    expect(takenOn(house.rows, 'F1')).toBe(2);
    house.pass(2 * HOUR_MS);
    expect(said(house.command(id, { command: 'move batch' }))).toEqual(['batch.placed', 'batch.moved']);
    expect(takenOn(house.rows, 'F1')).toBe(0);
  });
  test('a batch may sit on several carriers and a carrier hold several batches; a dwelling one stays in its kind', () => {
    const house = wideHouse();
    const [first, second] = [bodies(house), bodies(house)];
    const racks = [
      { carrierId: 'R1', pieces: 2 },
      { carrierId: 'R2', pieces: 1 },
    ];
    expect(said(house.command(first, { command: 'place batch', placements: racks }))).toEqual(['batch.placed']);
    expect(said(house.command(second, { command: 'place batch', placements: [{ carrierId: 'R1', pieces: 3 }] }))).toEqual(['batch.placed']);
    expect(takenOn(house.rows, 'R1')).toBe(5);
    house.work(first);
    expect(said(house.command(first, { command: 'place batch', placements: racks }))).toEqual(['While at cool it stays in a form']);
    expect(said(house.command(first, { command: 'place batch', placements: [{ carrierId: 'F2', pieces: 3 }] }))).toEqual(['batch.placed']);
  });
});

describe('the way through', () => {
  test('both faces bound: the binding is done twice, with pass numbers', () => {
    const house = wideHouse();
    const id = bodies(house);
    toBinding(house, id);
    house.work(id);
    house.pass(14 * HOUR_MS);
    house.command(id, { command: 'move batch' });
    expect([...at(house, id), house.batch(id).pass]).toEqual(['bind', 'queued', 2]);
    house.work(id);
    house.pass(14 * HOUR_MS);
    house.command(id, { command: 'move batch' });
    expect(at(house, id)).toEqual(['sand', 'queued']);
    expect(house.rows.all(Visit).filter((v) => v.batchId === id && v.operationId === 'bindset')).toHaveLength(2);
  });
  test('another way is another station and another skill', () => {
    const house = wideHouse();
    const id = bodies(house);
    house.work(id);
    house.pass(2 * HOUR_MS);
    house.command(id, { command: 'move batch' });
    expect(said(house.command(id, { command: 'start work', personId: 'bob', wayId: 'pin' }))).toEqual([
      'This person is not signed off for pin routing at level 2',
    ]);
    expect(said(house.command(id, { command: 'start work', personId: 'ann', wayId: 'saw' }))).toEqual(['press is not done that way']);
    expect(said(house.command(id, { command: 'start work', personId: 'ann', wayId: 'pin' }))).toEqual(['stock.drawn', 'work.started']);
    expect(house.batch(id)).toMatchObject({ stationCode: 'S-pin', wayId: 'pin' });
  });
  test('what must exist first is named when it is missing', () => {
    const house = new TestHouse(undefined, undefined, { prerequisites: [] });
    const id = house.start('fingerboard', 2, { route: WIDE_ROUTE, facts: both });
    expect(said(house.command(id, { command: 'start work', personId: 'ann' }))).toEqual(['There is no kit "fret wire" on record']);
  });
  test('small parts are drawn, the oldest first, and asked for when short', () => {
    const house = wideHouse(WIDE_ROUTE, 4);
    const id = bodies(house);
    house.work(id);
    house.pass(2 * HOUR_MS);
    house.command(id, { command: 'move batch' });
    expect(said(house.command(id, { command: 'start work', personId: 'ann' }))).toEqual(['4 of 6 braces in stock for press']);
    house.work(house.start('small part', 4, { route: BRACES_ROUTE }));
    expect(said(house.command(id, { command: 'start work', personId: 'ann' }))).toEqual(['stock.drawn', 'stock.drawn', 'work.started']);
    expect(house.rows.all(Piece).filter((p) => p.state === 'drawn')).toHaveLength(6);
    expect(house.batch('B1').status).toBe('done');
  });
  test('until accepted: asked, gone round, stopped at the most allowed, moved on with a reason', () => {
    const house = wideHouse({
      ...WIDE_ROUTE,
      operations: changed(WIDE_ROUTE, [
        'bend',
        { noWait: false, repeat: { kind: 'until accepted', backTo: 'bend', maximum: 2, expected: 1 } },
      ]).operations,
    });
    const id = bodies(house);
    house.work(id);
    expect(at(house, id)).toEqual(['bend', 'finished']);
    expect(said(house.command(id, { command: 'move batch' }))).toEqual(['Round 1 of bend: is it accepted, or does it go round again?']);
    house.command(id, { command: 'move batch', accepted: false });
    expect([...at(house, id), house.batch(id).pass]).toEqual(['bend', 'queued', 2]);
    house.work(id);
    expect(said(house.command(id, { command: 'move batch', accepted: false }))).toEqual(['bend has been round 2 times, the most allowed']);
    expect(said(house.command(id, { command: 'move batch', accepted: false, overrideReason: 'Good enough for a prototype' }))).toContain(
      'batch.moved',
    );
    expect(house.rows.all(OverrideRecord)).toHaveLength(1);
    expect(house.batch(id)).toMatchObject({ operationId: 'cool', rounds: { bend: 0 } });
  });
  test('sent out and received; late is not refused, but a past date is', () => {
    const house = wideHouse();
    const necks = necksAtFitting(house, ['s1', 's2']);
    expect(at(house, necks)).toEqual(['fit', 'queued']);
    const away = house.rows.all(Visit).find((v) => v.batchId === necks && v.operationId === 'plate');
    expect([(away?.leftMs ?? 0) - (away?.startedMs ?? 0), away?.touchMs]).toEqual([DAY_MS, 0]);
    const other = bodies(house);
    expect(said(house.command(other, { command: 'send batch', to: 'x', dueBackMs: house.nowMs + 1 }))).toEqual(['bend is done here']);
  });
  test('a buffer keeps pieces until a build calls, whole or in part', () => {
    const house = wideHouse();
    const id = bodies(house);
    toBinding(house, id);
    for (let face = 1; face <= 2; face++) {
      house.work(id);
      house.pass(14 * HOUR_MS);
      house.command(id, { command: 'move batch' });
    }
    expect(said(house.command(id, { command: 'start work', personId: 'ann' }))).toEqual([`Batch ${id} has not been taken over yet`]);
    house.command(id, { command: 'accept batch' });
    house.work(id);
    expect(at(house, id)).toEqual(['stock', 'stocked']);
    expect(house.live(id).map((p) => p.grit)).toEqual([120, 120, 120]);
    expect(said(house.command(id, { command: 'call batch', quantity: 4, orderId: null }))[0]).toMatch(/holds 3/);
    expect(said(house.command(id, { command: 'call batch', quantity: 2, orderId: 'O1' }))).toEqual([
      'batch.split',
      'batch.called',
      'batch.moved',
    ]);
    const called = house.rows.all(Batch).find((b) => b.parentId === id);
    expect(called).toMatchObject({ operationId: 'fit', quantity: 2, orderId: 'O1', dueMs: house.rows.get(Order, 'O1').dueMs });
    expect(house.batch(id)).toMatchObject({ status: 'stocked', quantity: 1, orderId: null });
  });
});

describe('joining, fitting, parting', () => {
  test('a fingerboard returns to its own neck block, or not at all', () => {
    const house = wideHouse();
    const necks = house.start('neck', 2, { route: WIDE_ROUTE, facts: both, setIds: ['s1', 's2'] });
    const [own, strange] = [
      ['s2', 's1'],
      ['s3', 's4'],
    ].map((setIds) => house.start('fingerboard', 2, { route: WIDE_ROUTE, facts: both, setIds }));
    for (const id of [necks, own ?? '', strange ?? '']) house.work(id);
    expect(said(house.command(necks, { command: 'join parts', personId: 'ann', guestBatchIds: [strange ?? ''] }))).toEqual([
      `${necks}-01 has no part here that was cut from its own block`,
    ]);
    house.command(necks, { command: 'join parts', personId: 'ann', guestBatchIds: [own ?? ''] });
    const joined = house.rows.all(Piece).filter((p) => p.state === 'joined');
    expect(joined.map((p) => [p.setId, house.rows.get(Piece, p.intoId).setId])).toEqual([
      ['s2', 's2'],
      ['s1', 's1'],
    ]);
    expect(house.batch(own ?? '').status).toBe('done');
  });
  test('what is joined is made for the same options', () => {
    const house = wideHouse();
    const necks = house.start('neck', 1, { route: WIDE_ROUTE, facts: both, setIds: ['s1'] });
    const other = { ...both, choices: { ...both.choices, finish: 'bare' } };
    const board = house.start('fingerboard', 1, { route: WIDE_ROUTE, facts: other, setIds: ['s1'] });
    for (const id of [necks, board]) house.work(id);
    expect(said(house.command(necks, { command: 'join parts', personId: 'ann', guestBatchIds: [board] }))).toEqual([
      `Batch ${board} is made for other options`,
    ]);
  });
  test('a pair stays a pair while apart, and comes together only with itself', () => {
    const house = wideHouse();
    const body = bodies(house);
    toFitting(house, body);
    const necks = necksAtFitting(house, ['a', 'b', 'c']);
    const made = house.fit(body, necks);
    if (typeof made !== 'string') throw new Error(said(made).join());
    house.command(made, { command: 'part instruments', personId: 'ann' });
    const halves = house.rows.all(Batch).filter((b) => b.parentId === made);
    const [b, n] = halves.map((h) => h.id) as [string, string];
    expect(halves.map((h) => [h.component, h.operationId, h.quantity])).toEqual([
      ['body', 'spray', 3],
      ['neck', 'oil', 3],
    ]);
    expect(house.rows.get(Piece, 'S01').state).toBe('apart');
    // One neck lags behind.
    house.command(n, { command: 'split batch', pieceIds: [house.live(n)[0]?.id ?? ''] });
    house.work(n);
    house.work(n);
    house.work(b);
    house.pass(DAY_MS);
    house.command(b, { command: 'move batch' });
    expect(said(house.command(b, { command: 'refit instruments', personId: 'ann', neckBatchId: n }))).toEqual(['instruments.refitted']);
    expect(house.batch(b)).toMatchObject({ quantity: 1, status: 'queued' });
    expect(house.rows.get(Piece, 'S01').state).toBe('apart');
    expect([house.rows.get(Piece, 'S02').state, house.rows.get(Piece, 'S03').state]).toEqual(['good', 'good']);
    const { neckId } = house.rows.get(Instrument, 'S02');
    expect(house.rows.get(Piece, neckId).trail.map((t) => t.batchId)).toEqual([necks, n]);
  });
});

describe('hand-over', () => {
  const atSanding = () => {
    const house = wideHouse();
    const id = bodies(house, 5);
    toBinding(house, id);
    for (let face = 1; face <= 2; face++) {
      house.work(id);
      house.pass(14 * HOUR_MS);
      house.command(id, { command: 'move batch' });
    }
    return { house, id };
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
    const { house, id } = atSanding();
    const [a, b, c, d] = house.live(id).map((p) => p.id) as [string, string, string, string];
    house.command(id, {
      command: 'refuse work',
      pieces: [fault(a, 'use as is'), fault(b, 'rework', 'bind'), fault(c, 'scrap'), fault(d, 'hold')],
    });
    expect(house.batch(id)).toMatchObject({ operationId: 'sand', quantity: 2 });
    const back = house.batch(house.rows.get(Piece, b).batchId);
    expect(back).toMatchObject({ operationId: 'bind', status: 'queued', pass: 3, redo: true, parentId: id, quantity: 1 });
    expect(house.batch(house.rows.get(Piece, d).batchId)).toMatchObject({ status: 'held', holdReason: 'Refused: binding gap' });
    expect(house.rows.all(Defect).map((x) => [x.pieceId, x.disposition, x.originOperationId])).toEqual([
      [a, 'use as is', 'bind'],
      [b, 'rework', 'bind'],
      [c, 'scrap', 'bind'],
      [d, 'hold', 'bind'],
    ]);
    expect(house.rows.get(Piece, b).trail.map((t) => t.batchId)).toEqual([id, back.id]);
  });
  test('a whole batch goes back as it is', () => {
    const { house, id } = atSanding();
    const all = house.live(id).map((p) => fault(p.id, 'rework', 'press'));
    house.command(id, { command: 'refuse work', pieces: all });
    expect(house.batch(id)).toMatchObject({ operationId: 'press', redo: true, quantity: 5 });
    // Rework draws no small parts again.
    expect(said(house.command(id, { command: 'start work', personId: 'ann' }))).toEqual(['work.started']);
  });
  test('a slip found in the middle of work goes back at once; the work on the rest goes on', () => {
    const { house, id } = atSanding();
    house.command(id, { command: 'accept batch' });
    house.command(id, { command: 'start work', personId: 'ann' });
    house.pass(HOUR_MS);
    const [a] = house.live(id).map((p) => p.id) as [string];
    house.command(id, { command: 'refuse work', pieces: [fault(a, 'rework', 'bind')] });
    expect(house.batch(id)).toMatchObject({ operationId: 'sand', status: 'running', quantity: 4 });
    const back = house.batch(house.rows.get(Piece, a).batchId);
    expect(back).toMatchObject({ operationId: 'bind', status: 'queued', redo: true, quantity: 1, jobId: null });
    const visits = house.rows.all(Visit).filter((v) => v.operationId === 'sand');
    expect(visits.map((v) => [v.batchId, v.quantity, v.rework, v.finishedMs !== null])).toEqual([
      [id, 4, 0, false],
      [back.id, 1, 1, true],
    ]);
    // An hour at five: a fifth of it went with the piece.
    expect(visits.map((v) => v.touchMs / HOUR_MS)).toEqual([0.8, 0.2]);
    house.pass(HOUR_MS);
    const sheet = filledIn(house.operation(id).sheet ?? {});
    house.command(id, { command: 'finish work', good: 4, rework: 0, scrap: 0, outcomes: [], sheet });
    expect(house.rows.get(Visit, visits[0]?.id ?? '')).toMatchObject({ good: 4, touchMs: 1.8 * HOUR_MS });
  });
  test('all of it goes back in the middle of work, and its place is free', () => {
    const { house, id } = atSanding();
    house.command(id, { command: 'accept batch' });
    house.command(id, { command: 'start work', personId: 'ann' });
    house.command(id, { command: 'refuse work', pieces: house.live(id).map((p) => fault(p.id, 'rework', 'bind')) });
    expect(house.batch(id)).toMatchObject({ operationId: 'bind', status: 'queued', redo: true, jobId: null });
    expect(house.rows.all(Job).filter((j) => j.openAt !== null)).toEqual([]);
  });
  test('what goes back from a counted place leaves it', () => {
    const house = wideHouse();
    const id = bodies(house);
    house.work(id);
    expect([house.batch(id).status, takenOn(house.rows, 'F1')]).toEqual(['dwelling', 3]);
    const pieces = [fault(`${id}-01`, 'rework', 'bend')];
    expect(said(house.command(id, { command: 'refuse work', pieces }))).toEqual(['handover.refused', 'batch.placed']);
    expect(takenOn(house.rows, 'F1')).toBe(2);
    expect(placementsOf(house.rows, house.rows.get(Piece, `${id}-01`).batchId)).toEqual([]);
  });
  test('only work that leads here can be asked for again, with a defect', () => {
    const { house, id } = atSanding();
    const [a] = house.live(id).map((p) => p.id) as [string];
    const refused = (piece: ReturnType<typeof fault>) => said(house.command(id, { command: 'refuse work', pieces: [piece] }));
    expect(refused(fault(a, 'rework', 'spray'))).toEqual(['"spray" is not work that leads to sand']);
    expect(refused(fault(a, 'rework'))).toEqual([`Say which step ${a} goes back to`]);
    expect(refused({ ...fault(a, 'scrap'), defect: ' ' })).toEqual(['Each piece that is not good needs a defect']);
    expect(refused(fault('B9-01', 'scrap'))[0]).toMatch(/is not in batch/);
  });
});

describe('a gate that waits for somebody', () => {
  const signed = changed(WIDE_ROUTE, ['press', { gate: [{ kind: 'signOff', skill: 'eye' }] }]);
  const pressed = () => {
    const house = wideHouse(signed);
    const id = bodies(house, 3);
    house.work(id);
    house.pass(2 * HOUR_MS);
    house.command(id, { command: 'move batch' });
    house.work(id);
    return { house, id };
  };
  test('opens when somebody who can has accepted the work, once', () => {
    const { house, id } = pressed();
    expect(said(house.command(id, { command: 'move batch' }))).toEqual(['Waits for someone with eye to accept']);
    const accept = { command: 'sign off', personId: 'ann', skill: 'eye' } as const;
    expect(said(house.command(id, { ...accept, personId: 'bob' }))).toEqual(['This person is not signed off for eye']);
    expect(said(house.command(id, { ...accept, skill: 'ear' }))).toEqual(['The gate of press does not ask for ear']);
    expect(said(house.command(id, accept))).toEqual(['gate.signedOff']);
    expect(said(house.command(id, accept))).toEqual(['press has been accepted for eye already']);
    house.command(id, { command: 'move batch' });
    expect(at(house, id)).toEqual(['bind', 'queued']);
    expect(house.batch(id).signOffs).toEqual([]);
  });
  test('is not passed by being taken in by a batch that was accepted', () => {
    const { house, id } = pressed();
    house.command(id, { command: 'split batch', pieceIds: [house.live(id)[0]?.id ?? ''] });
    const part = house.rows.all(Batch).find((b) => b.parentId === id)?.id ?? '';
    house.command(id, { command: 'sign off', personId: 'ann', skill: 'eye' });
    expect(said(house.command(id, { command: 'merge batches', fromBatchId: part }))[0]).toMatch(/was accepted by others/);
  });
});
