import { describe, expect, test } from '@jest/globals';
import { OnCarrier, PlacesTaken } from '../../carriers/index.ts';
import type { HouseFactory } from '../../ledger.ts';
import { Rows, type RowKind } from '../../ledger/index.ts';
import { Order } from '../../orders/index.ts';
import { NextNumber } from '../../routing/index.ts';
import { testFactory } from '../../test/factory.ts';
import { against, judged } from '../../test/judged.ts';
import { batchOf, piecesOf } from '../../test/parts.ts';
import { START_MS } from '../../test/start.ts';
import { CARRIERS, SHORT_ROUTE, WIDE_ROUTE } from '../../test/routes.ts';
import { Blank, KeptWood, Lot, ShopEmc } from '../../timber/index.ts';
import { WaitingAt } from '../waiting.ts';
import { StartBatch, type StartBatchRequest } from './index.ts';

const unreleased = { ...SHORT_ROUTE, id: 'new@1', modelId: 'new' };
const known = testFactory(new Map([SHORT_ROUTE, WIDE_ROUTE, unreleased].map((r) => [r.id, r])), CARRIERS);
const factory = testFactory(known.setUp.routes, CARRIERS, {
  versions: known.setUp.versions.map((v) => (v.id === 'new@1' ? { ...v, state: 'draft' } : v)),
});

/** A released lot of a cubic decimetre short of three bodies' wood and more: 0.02\u00a0m³, of which a body takes 0.004. */
const lot = (over: object = {}) => ({
  id: 'L1',
  species: 'mahogany',
  use: 'body',
  state: 'released',
  leftM3: 0.02,
  meanPct: 8.2,
  lastReadMs: 1,
  releasedMs: 2,
  ...over,
});
const order = { id: 'O1', modelId: 'short', choices: { binding: 'both' }, dueMs: 77 };
const blank = (id: string, over: object = {}) => ({
  ...{ id, lotId: 'L1', modelId: 'short', component: 'body', state: 'free', orderId: null, pieceId: null },
  ...over,
});

interface Around {
  lot?: object;
  blanks?: readonly object[];
  kept?: readonly object[];
  also?: readonly [RowKind<never>, object][];
  answers?: Readonly<Record<string, unknown>>;
  house?: HouseFactory;
}
const NUMBER = { [NextNumber.name]: 9, [ShopEmc.name]: 8 };
function start(
  over: Partial<StartBatchRequest> = {},
  { lot: wood = {}, blanks = [], kept = [], also = [], answers = NUMBER, house = factory }: Around = {},
) {
  const rows = [
    [Lot, lot(wood)],
    [Lot, lot({ id: 'L2' })],
    [Lot, lot({ id: 'L3', species: 'wenge' })],
    [Order, order],
    ...kept.map((k) => [KeptWood, k]),
    ...blanks.map((b) => [Blank, b]),
    ...also,
  ] as unknown as [RowKind<never>, object][];
  const request = { modelId: 'short', component: 'body', quantity: 3, lotId: 'L1', orderId: null, ...over };
  return judged(StartBatch, request, {
    factory: house,
    rows,
    answers,
    nowMs: START_MS + 1_000_000,
    pieces: piecesOf(3).map((p, i) => ({ ...p, setId: `s${i + 1}` })),
  });
}
const told = (...given: Parameters<typeof start>) => against(start(...given));

describe('a batch is started', () => {
  test('on the version in force, of wood by volume, each piece of a block of its own', () => {
    expect(start()).toEqual({
      kind: 'accept',
      entries: [
        {
          kind: 'batch.started',
          batchId: 'B9',
          lotId: 'L1',
          payload: {
            number: 9,
            modelId: 'short',
            component: 'body',
            routeId: 'short@1',
            orderId: null,
            lotId: 'L1',
            quantity: 3,
            dueMs: null,
            volumeM3: 0.012,
            facts: known.factsOf(
              { ...known.setUp.models.get('short'), wood: known.setUp.models.get('short')?.wood ?? {} } as never,
              'short@1',
            ),
            setIds: ['B9-1', 'B9-2', 'B9-3'],
          },
        },
      ],
    });
  });
  test('for an order: due when it is, with what was chosen', () => {
    expect(start({ orderId: 'O1' })).toMatchObject({
      entries: [{ payload: { orderId: 'O1', dueMs: 77, facts: { choices: { binding: 'both' } } } }],
    });
  });
  test('as a trial, and only then marked as such', () => {
    expect(start({ workClass: 'trial' })).toMatchObject({ entries: [{ payload: { workClass: 'trial' } }] });
    const [entry] = (start() as { entries: { payload: object }[] }).entries;
    expect(entry?.payload).not.toHaveProperty('workClass');
    expect(entry?.payload).not.toHaveProperty('blankIds');
  });
  test('from the blocks of another batch, in order, no more than it has', () => {
    expect(start({ matchBatchId: 'B1', quantity: 2 })).toMatchObject({ entries: [{ payload: { setIds: ['s1', 's2'] } }] });
    expect(start({ matchBatchId: 'B1' })).toMatchObject({ entries: [{ payload: { setIds: ['s1', 's2', 's3'] } }] });
    expect(told({ matchBatchId: 'B1', quantity: 4 })).toEqual(['matchBatchId | Batch B1 has 3 pieces; 4 are to match them']);
  });
  test('of a lot that was read out of its band since its release: not before it is read again or let go with a reason', () => {
    const since = { meanPct: 10.2, lastReadMs: 3 };
    expect(told({}, { lot: since })).toEqual([
      'lotId | Lot L1 was read at 10.2 % since its release; its band is 6.0 to 10.0 % | Read it again when it has settled, or release it again with a reason',
    ]);
    expect(start({}, { lot: { ...since, releasedMs: 4 } })).toMatchObject({ kind: 'accept' });
    expect(start({}, { lot: { ...since, meanPct: 9.9 } })).toMatchObject({ kind: 'accept' });
    expect(told({}, { answers: { [NextNumber.name]: 9 } })).toEqual(['Nobody could say how moist the shop is']);
  });
  test('at a step that only waits, where its station has places', () => {
    const resting = { ...SHORT_ROUTE, operations: SHORT_ROUTE.operations.flatMap((o) => (o.id === 'cut' ? [] : [o])) };
    const around = (taken: number) => ({
      house: testFactory(new Map([[resting.id, resting]]), CARRIERS),
      answers: { ...NUMBER, [WaitingAt.name]: [{ batchId: 'B7', pieces: taken }] },
    });
    expect(start({}, around(21))).toMatchObject({ kind: 'accept' });
    expect(told({}, around(22))).toEqual([
      '2 of 24 places free at S-rest; 3 are needed: B7 (22) is there | Wait until places come free, or split the batch',
    ]);
    expect(told({}, { ...around(0), answers: NUMBER })).toEqual(['Nobody could say who waits at S-rest']);
    const request = { modelId: 'short', component: 'body', orderId: null } as never;
    const sight = { rows: new Rows(), factory: around(0).house, nowMs: START_MS + 1, by: { personId: 'ann', role: 'lead' } } as const;
    expect(StartBatch.asks(request, sight).map((a) => a.question.name)).toEqual([NextNumber.name, ShopEmc.name, WaitingAt.name]);
  });
  test('on a carrier, where it has room', () => {
    const placements = [{ carrierId: 'R1', pieces: 3 }];
    const taken = (n: number) => ({ ...NUMBER, [PlacesTaken.name]: () => n });
    expect(start({ placements }, { answers: taken(0) })).toMatchObject({
      entries: [{ kind: 'batch.started' }, { kind: 'batch.placed', batchId: 'B9', payload: { placements } }],
    });
    expect(told({ placements }, { answers: taken(6) })).toEqual([
      'placements | R1 has 2 of 8 places free; 3 are needed | Choose another carrier as well, or split the batch',
    ]);
  });
  test('of blanks, one for each piece, at least one of the lot', () => {
    const blanks = [blank('a'), blank('b', { lotId: 'L2', modelId: 'wide' }), blank('c')];
    const blankIds = ['a', 'b', 'c'];
    expect(start({ blankIds }, { blanks })).toMatchObject({ entries: [{ payload: { volumeM3: 0, blankIds } }] });
    expect(start({ blankIds, orderId: 'O1' }, { blanks: blanks.map((b) => ({ ...b, orderId: 'O1' })) }).kind).toBe('accept');
  });
  test('with the rest of the lot as offcut, where that makes no other batch', () => {
    expect(start({ restIsOffcut: true })).toMatchObject({ entries: [{ payload: { volumeM3: 0.02 } }] });
    expect(told({ restIsOffcut: true }, { lot: { leftM3: 0.024 } })).toEqual([
      'restIsOffcut | 0.012\u00a0m³ would be left: enough for another batch like this one',
    ]);
    expect(start({ restIsOffcut: true }, { lot: { leftM3: 0.0239 } }).kind).toBe('accept');
  });
  test('from just as much wood as it needs', () => {
    expect(start({}, { lot: { leftM3: 0.012 } }).kind).toBe('accept');
    expect(start({}, { lot: { leftM3: 0.012 - 1e-10 } }).kind).toBe('accept');
  });
});

const three = ['a', 'b', 'c'];
const keeps = (orderId: string, volumeM3: number) => ({ id: `L1 ${orderId}`, lotId: 'L1', orderId, volumeM3 });
describe('what speaks against it', () => {
  test.each<[situation: string, said: Partial<StartBatchRequest>, around: Around, sentence: string]>([
    ['no such model', { modelId: 'x' }, {}, 'modelId | There is no model x'],
    ['no such order', { orderId: 'O9' }, {}, 'orderId | There is no order O9'],
    ['an order for another model', { orderId: 'O1', modelId: 'wide' }, {}, 'orderId | Order O1 is for another model'],
    ['no route in force', { modelId: 'new' }, {}, 'modelId | new has no route in force yet: release one in Setup'],
    [
      'a component that is not started',
      { component: 'instrument' },
      {},
      'component | A short with these options has no separate instrument',
    ],
    ['wood that is still drying', {}, { lot: { state: 'drying' } }, 'lotId | Lot L1 is drying; only a released lot can be cut'],
    ['another wood', {}, { lot: { species: 'basswood' } }, 'lotId | Lot L1 is basswood for body; short needs mahogany for body'],
    ['wood for something else', {}, { lot: { use: 'neck' } }, 'lotId | Lot L1 is mahogany for neck; short needs mahogany for body'],
    ['too little of it', {}, { lot: { leftM3: 0.011 } }, 'quantity | 0.011\u00a0m³ is left of lot L1; this batch needs 0.012\u00a0m³'],
    ['nobody to give a number', {}, { answers: { [ShopEmc.name]: 8 } }, 'No batch number is free'],
    ['a blank too few', { blankIds: ['a', 'b'] }, { blanks: ['a', 'b'].map((b) => blank(b)) }, 'blankIds | 3 pieces need as many blanks'],
    [
      'a blank twice',
      { blankIds: ['a', 'b', 'b'] },
      { blanks: ['a', 'b'].map((b) => blank(b)) },
      'blankIds | 3 pieces need as many blanks',
    ],
    [
      'a blank that is used',
      { blankIds: three },
      { blanks: three.map((b) => blank(b, { state: 'used', pieceId: 'B3-01' })) },
      'blankIds | Blank a has become B3-01 already',
    ],
    [
      'a blank of another wood',
      { blankIds: three },
      { blanks: three.map((b) => blank(b, { lotId: 'L3' })) },
      'blankIds | Blank a is wenge for body; mahogany for body is needed',
    ],
    [
      'wood that an order keeps',
      {},
      { kept: [keeps('O2', 0.009)] },
      'quantity | 0.020\u00a0m³ is left of lot L1; 0.009\u00a0m³ of it is kept for O2, and this batch needs 0.012\u00a0m³',
    ],
    [
      'the rest of a lot that an order keeps some of',
      { restIsOffcut: true, orderId: 'O1' },
      { kept: [keeps('O2', 0.001)] },
      'restIsOffcut | What is left of lot L1 is no offcut: some of it is kept',
    ],
    [
      'a blank kept for an order',
      { blankIds: three },
      { blanks: three.map((b) => blank(b, { orderId: 'O2' })) },
      'blankIds | Blank a is kept for O2',
    ],
    [
      'blanks of other lots',
      { blankIds: three },
      { blanks: three.map((b) => blank(b, { lotId: 'L2' })) },
      'lotId | None of these blanks comes from lot L1',
    ],
  ])('%s', (_, said, around, sentence) => {
    expect(told(said, around)).toEqual([sentence]);
  });
});

test('an order cuts what is kept for it, others what is left besides, and what has been sent keeps nothing', () => {
  expect(start({ orderId: 'O1' }, { kept: [keeps('O1', 0.019)] }).kind).toBe('accept');
  expect(start({}, { kept: [keeps('O2', 0.008)] }).kind).toBe('accept');
  const sent = [[Order, { ...order, id: 'O2', quantity: 4, shipped: 4 }]] as unknown as [RowKind<never>, object][];
  expect(start({}, { kept: [keeps('O2', 0.019)], also: sent }).kind).toBe('accept');
});

test('it is about the lot, its blanks and the batch it matches; the order is only read', () => {
  const of = (request: Partial<StartBatchRequest>) => {
    const { about, reads } = StartBatch.concerns(
      { modelId: 'm', component: 'body', quantity: 1, lotId: 'L1', orderId: null, ...request } as never,
      undefined as never,
    );
    return [...about, ...(reads?.(new Rows()) ?? [])].map(({ kind, values }) => [kind.name, [...values]]);
  };
  expect(of({})).toEqual([
    ['lot', ['L1']],
    ['blank', []],
    ['batch', []],
    ['order', []],
    ['order', []],
  ]);
  expect(of({ blankIds: ['a'], matchBatchId: 'B1', orderId: 'O1' })).toEqual([
    ['lot', ['L1']],
    ['blank', ['a']],
    ['batch', ['B1']],
    ['order', ['O1']],
    ['order', []],
  ]);
  const asks = (placements: { carrierId: string; pieces: number }[]) =>
    StartBatch.asks({ placements, modelId: 'nothing' } as never, { rows: new Rows(), factory, nowMs: 0 } as never).map(
      (a) => a.question.name,
    );
  expect(asks([])).toEqual([NextNumber.name, ShopEmc.name]);
  expect(asks([{ carrierId: 'R1', pieces: 1 }])).toEqual([NextNumber.name, ShopEmc.name, PlacesTaken.name, OnCarrier.name]);
  expect(batchOf().id).toBe('B1');
});
