import { describe, expect, test } from '@jest/globals';
import { judge, NOT_ANSWERED, Rows, type Decision, type Written } from '../../ledger/index.ts';
import { CoatsOn, OutOfBandOf, UnmeasuredOf, type OffMeasure, type Route } from '../../routing/index.ts';
import { Lot } from '../../timber/index.ts';
import { testFactory } from '../../test/factory.ts';
import { batchOf, piecesOf, step } from '../../test/parts.ts';
import { TestHouse } from '../../test/house.ts';
import { HOUR_MS } from '../../units/index.ts';
import { Batch, Piece } from '../batch.ts';
import { JobsAt } from '../benchPlaces.ts';
import { WaitingAt } from '../waiting.ts';
import { batchCommand, StartBatch, type BatchCommand } from './index.ts';

const hours = (minimum: number) => ({ kind: 'elapsed', what: 'Rested', minimumMinutes: minimum * 60 }) as const;
const band = { id: 'width', name: 'Width', unit: 'mm', low: 1, target: 2, high: 3 };
const ROUTE: Route = {
  id: 'r1',
  modelId: 'm',
  version: 1,
  operations: [
    step('cut', 'body', ['measure'], { skillLevel: 2 }),
    step('measure', 'body', ['rest'], { characteristics: [band] }),
    step('rest', 'body', ['fit'], { kind: 'dwell', gate: [hours(48)] }),
    step('carve', 'neck', ['fit']),
    step('fit', 'instrument', ['spray'], { kind: 'fit' }),
    step('spray', 'instrument', ['ship'], {
      coat: { materialId: 'l', volumeSolids: 0.24, coats: 2, wetUm: 100, flashMinutes: 60, recoatMaxMinutes: 600 },
      gate: [hours(1)],
    }),
    step('ship', 'instrument', [], { kind: 'dispatch' }),
  ],
};
const factory = testFactory(new Map([[ROUTE.id, ROUTE]]), []);

interface Around {
  pieces?: readonly Piece[];
  nowMs?: number;
  unmeasured?: readonly string[];
  off?: readonly OffMeasure[];
  coats?: number;
}

/** Judges a command on a batch that stands alone; what is not said around it nobody answers. */
function decide(batch: Batch, { command, ...said }: BatchCommand, { pieces = piecesOf(), nowMs = HOUR_MS, ...known }: Around = {}) {
  const rows = new Rows();
  rows.load(Batch, batch);
  for (const piece of pieces) rows.load(Piece, piece);
  const answers: Readonly<Record<string, unknown>> = {
    [JobsAt.name]: [],
    [WaitingAt.name]: [],

    [CoatsOn.name]: known.coats && pieces.map(({ id }) => ({ pieceId: id, coats: known.coats, last: { atMs: 0, scuffedMs: null } })),
    [UnmeasuredOf.name]: known.unmeasured && lacking(known.unmeasured),
    [OutOfBandOf.name]: known.off ?? [],
  };
  const sight = { rows, factory, nowMs, by: { personId: 'ann', role: 'lead' as const } };
  return judge(batchCommand(command), { batchId: batch.id, ...said }, sight, ({ question }) => answers[question.name] ?? NOT_ANSWERED);
}

const lacking = (pieceIds: readonly string[]) =>
  pieceIds.length === 0 ? [] : [{ characteristicId: 'width', name: 'Width', taken: 3 - pieceIds.length, wanted: 3, pieceIds }];

const kinds = (decision: Decision<Written>) =>
  decision.kind === 'accept' ? decision.entries.map((e) => e.kind) : decision.because.map((f) => f.sentence);

describe('a command on a batch', () => {
  const finish = (good: number, rework = 0, scrap = 0, ids: string[] = []): BatchCommand => ({
    command: 'finish work',
    good,
    rework,
    scrap,
    outcomes: ids.map((pieceId, i) => ({
      pieceId,
      outcome: i < rework ? 'rework' : 'scrap',
      defect: 'crack',
      originOperationId: 'cut',
      note: '',
    })),
  });

  test('work starts with someone who can, once', () => {
    expect(kinds(decide(batchOf(), { command: 'start work', personId: 'ann' }))).toEqual(['work.started']);
    expect(kinds(decide(batchOf(), { command: 'start work', personId: 'bob' }))).toEqual([
      'This person is not signed off for cutting at level 2',
    ]);
    expect(decide(batchOf({ status: 'running' }), { command: 'start work', personId: 'ann' }).kind).toBe('refuse');
    expect(decide(batchOf({ operationId: 'rest', status: 'dwelling' }), { command: 'start work', personId: 'ann' }).kind).toBe('refuse');
  });
  test('only what runs can be paused, only what is paused resumed', () => {
    expect(kinds(decide(batchOf({ status: 'running' }), { command: 'pause work', cause: 'machine' }))).toEqual(['work.paused']);
    expect(decide(batchOf(), { command: 'pause work', cause: 'machine' }).kind).toBe('refuse');
    expect(kinds(decide(batchOf({ status: 'paused' }), { command: 'resume work', personId: 'ann' }))).toEqual(['work.resumed']);
    expect(decide(batchOf({ status: 'paused' }), { command: 'resume work', personId: 'bob' }).kind).toBe('refuse');
  });
  test('finishing without a gate moves it on at once', () => {
    expect(kinds(decide(batchOf({ status: 'running' }), finish(3)))).toEqual(['work.finished', 'batch.moved']);
  });
  test('rework keeps it at the step; all scrapped ends it there', () => {
    expect(kinds(decide(batchOf({ status: 'running' }), finish(2, 1, 0, ['B1-02'])))).toEqual(['work.finished']);
    expect(kinds(decide(batchOf({ status: 'running' }), finish(0, 0, 3, ['B1-01', 'B1-02', 'B1-03'])))).toEqual(['work.finished']);
  });
  test.each<[string, BatchCommand, RegExp]>([
    ['counts that do not add up', finish(2), /make 2; 3 pieces/],
    ['a negative count', finish(4, 0, -1), /not a count/],
    ['a fraction', finish(2.5, 0.5), /not a count/],
    ['scrap without a piece', finish(2, 0, 1), /1 scrap counted, 0 named/],
    ['a piece of another batch', finish(2, 0, 1, ['B9-01']), /not in this pass/],
    ['a piece twice', finish(1, 0, 2, ['B1-01', 'B1-01']), /named twice/],
  ])('%s is refused', (_, command, message) => {
    expect(kinds(decide(batchOf({ status: 'running' }), command)).join()).toMatch(message);
  });
  test('a second pass is about what came back', () => {
    const returned = piecesOf().map((p, i) => ({ ...p, state: i === 0 ? ('rework' as const) : p.state }));
    expect(decide(batchOf({ status: 'running', redo: true }), finish(1), { pieces: returned }).kind).toBe('accept');
    expect(decide(batchOf({ status: 'running', redo: true }), finish(3), { pieces: returned }).kind).toBe('refuse');
  });
  test('what must be measured or sprayed is asked for', () => {
    const measuring = batchOf({ status: 'running', operationId: 'measure' });
    expect(kinds(decide(measuring, finish(3), { unmeasured: ['B1-02'] }))).toEqual(['Not measured yet: B1-02']);
    expect(kinds(decide(measuring, finish(3), { unmeasured: [] }))).toEqual(['work.finished', 'batch.moved']);
    const off = [{ pieceId: 'B1-02', name: 'Width', unit: 'mm', value: 9, low: 1, high: 2 }];
    const sentence = 'Out of band: B1-02: Width 9\u00a0mm, band 1–2\u00a0mm';
    expect(kinds(decide(measuring, finish(3), { unmeasured: [], off }))).toEqual([sentence]);
    // What is called rework or scrap is judged already.
    expect(kinds(decide(measuring, finish(2, 0, 1, ['B1-02']), { unmeasured: [], off }))).toEqual(['work.finished', 'batch.moved']);
    const accepting = (acceptReason: string): BatchCommand => ({ ...finish(3), acceptReason }) as BatchCommand;
    expect(kinds(decide(measuring, accepting(' no '), { unmeasured: [], off }))).toEqual([
      'Say why they are accepted, so that others will understand',
    ]);
    const accepted = decide(measuring, accepting('Sanded to fit at the bench'), { unmeasured: [], off });
    expect(accepted).toMatchObject({
      kind: 'accept',
      entries: [{ payload: { override: { reason: 'Sanded to fit at the bench', findings: [{ sentence }] } } }, {}],
    });
    expect(kinds(decide(measuring, accepting('Sanded to fit at the bench'), { unmeasured: ['B1-01'], off }))).toContain(
      'Not measured yet: B1-01',
    );
    expect(kinds(decide(measuring, finish(3)))).toEqual(['Not measured yet: B1-01, B1-02, B1-03']);
    const spraying = batchOf({ status: 'running', operationId: 'spray', component: 'instrument' });
    expect(kinds(decide(spraying, finish(3), { coats: 1 }))).toEqual(['1 of 2 coats logged']);
    expect(decide(spraying, accepting('The sample has one'), { coats: 1 })).toMatchObject({
      kind: 'accept',
      entries: [{ payload: { override: { reason: 'The sample has one', findings: [{ sentence: '1 of 2 coats logged' }] } } }],
    });
    // What nobody could say is nothing to accept.
    expect(kinds(decide(spraying, accepting('The sample has one')))).toEqual(['Nobody could say how many of 2 coats are laid']);
    expect(kinds(decide(spraying, finish(3), { coats: 2 }))).toEqual(['work.finished']);
    expect(kinds(decide(spraying, finish(3)))).toEqual(['Nobody could say how many of 2 coats are laid']);
  });
  test('a gate holds until its time, or until an override with a reason', () => {
    const resting = batchOf({ status: 'dwelling', operationId: 'rest' });
    const at = (nowMs: number) => ({ nowMs });
    expect(kinds(decide(resting, { command: 'move batch' }, at(47 * HOUR_MS)))).toEqual(['Rested 1 d 23 h of 2 d']);
    expect(kinds(decide(resting, { command: 'move batch' }, at(48 * HOUR_MS)))).toEqual(['batch.moved']);
    expect(decide(resting, { command: 'move batch', overrideReason: 'no' }, at(HOUR_MS)).kind).toBe('refuse');
    const overridden = decide(resting, { command: 'move batch', overrideReason: ' Customer waits ' }, at(HOUR_MS));
    expect(overridden).toMatchObject({
      kind: 'accept',
      entries: [{ payload: { override: { reason: 'Customer waits', findings: [{ verdict: 'wait' }] } } }],
    });
    const inTime = decide(resting, { command: 'move batch', overrideReason: 'not needed' }, at(48 * HOUR_MS));
    expect(inTime).toMatchObject({ entries: [{ payload: { override: null } }] });
  });
  test('a held batch does nothing but be released', () => {
    const held = batchOf({ status: 'held', heldStatus: 'queued', holdReason: 'colour in doubt' });
    expect(kinds(decide(held, { command: 'start work', personId: 'ann' }))).toEqual(['Batch B1 is held: colour in doubt']);
    expect(kinds(decide(held, { command: 'release batch' }))).toEqual(['batch.released']);
    expect(decide(batchOf(), { command: 'release batch' }).kind).toBe('refuse');
    expect(decide(batchOf(), { command: 'hold batch', reason: ' ' }).kind).toBe('refuse');
    expect(decide(batchOf({ status: 'running' }), { command: 'hold batch', reason: 'colour' }).kind).toBe('refuse');
    expect(kinds(decide(batchOf(), { command: 'hold batch', reason: 'colour' }))).toEqual(['batch.held']);
  });
  test('a batch that is done stays done', () => {
    expect(decide(batchOf({ status: 'done', endedMs: 1 }), { command: 'hold batch', reason: 'late thought' }).kind).toBe('refuse');
  });
});

describe('starting a batch', () => {
  const started = (house: TestHouse, over: object) =>
    house.give(StartBatch, { modelId: 'short', component: 'body', quantity: 4, lotId: 'L1', orderId: null, ...over });
  /** A lot of one cubic metre is released; a body takes 4 litres. */
  const house = () => {
    const made = new TestHouse();
    made.recorder.record('lot.released', made.nowMs, 'ann', { lotId: 'L1' }, { override: null, findings: [] });
    return made;
  };
  test('takes what its pieces need, and the rest as well where that is offcut', () => {
    const here = house();
    expect(kinds(started(here, { quantity: 100 }))).toEqual(['batch.started']);
    expect(here.rows.get(Lot, 'L1').leftM3).toBeCloseTo(0.6, 6);
    expect(kinds(started(here, { quantity: 70, restIsOffcut: true }))).toEqual([
      '0.320\u00a0m³ would be left: enough for another batch like this one',
    ]);
    expect(kinds(started(here, { quantity: 80, restIsOffcut: true }))).toEqual(['batch.started']);
    expect(here.rows.get(Lot, 'L1')).toMatchObject({ leftM3: 0, state: 'used up' });
    expect(kinds(started(here, {}))).toEqual(['Lot L1 is used up; only a released lot can be cut']);
  });
});
