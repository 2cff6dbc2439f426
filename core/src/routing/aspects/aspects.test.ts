import { describe, expect, test } from '@jest/globals';
import { Answers } from '../../ledger/index.ts';
import { step } from '../../test/parts.ts';
import { NO_FACTS } from '../condition.ts';
import {
  afterStep,
  aspectAsks,
  aspectInWords,
  ASPECT_KEYS,
  begins,
  BoxesFor,
  CoatsOn,
  type CoatsOnPiece,
  mayBegin,
  mayFinish,
  roundOrOn,
  roundTooMany,
  stepMarks,
  OutOfBandOf,
  OWN_WAY,
  UnmeasuredOf,
  type OffMeasure,
  waysOf,
  type Aspects,
  type AspectBench,
} from './index.ts';

/** One value of each aspect: a new one is in these tests by being there. */
const EACH: Required<Aspects> = {
  when: { kind: 'option', option: 'binding', in: ['both'] },
  repeat: { kind: 'count', backTo: 'first', times: 2 },
  noWait: true,
  place: { kind: 'form', outline: true },
  rig: { kind: 'clamp rack' },
  wipe: { withWhat: 'acetone', minutes: 20, wood: { component: 'fingerboard', in: ['indian rosewood'] } },
  handOver: true,
  reworkAlone: true,
  matchedSet: true,
  ways: [{ id: 'pin', name: 'By pin', stationCode: 'S2', setupMinutes: 1, minutesPerPiece: 9 }],
  settings: [
    { id: 'pressure', name: 'Pressure', figure: { unit: 'bar', low: 3, high: 5 } },
    { id: 'tool', name: 'Tool' },
  ],
  sheet: {
    instructions: ['Long grain first'],
    pictures: [{ id: 'P1', caption: 'A clean edge' }],
    ticks: [{ key: 'edges', text: 'Edges looked at' }],
    notes: [{ id: 'feed', name: 'Feed', figure: { unit: 'm/min', low: 3, high: 6 } }],
    lookFor: ['Tear-out'],
    looksBadNow: ['Fuzz'],
    endsPiece: ['A split'],
  },
  needs: [{ kind: 'program', what: 'side one', checked: true }],
  draws: [{ modelId: 'braces', perPiece: 2 }],
  characteristics: [{ id: 'width', name: 'Width', unit: 'mm', low: 1, target: 2, high: 3 }],
  coat: { materialId: 'lacquer', volumeSolids: 0.25, coats: 2, wetUm: 100, flashMinutes: 60, recoatMaxMinutes: 600 },
  grit: 220,
  cautions: ['dust'],
  awayDays: 5,
};
const route = { operations: [step('first', 'body', ['here'])], options: [] };

const bench = (aspects: Aspects, over: Partial<AspectBench> = {}): AspectBench => ({
  batch: { id: 'B1', modelId: 'm', visitId: 'v', redo: false, accepted: false, workClass: 'order', facts: NO_FACTS },
  operation: step('here', 'body', [], aspects),
  options: [],
  wayId: OWN_WAY,
  pieceIds: ['B1-01', 'B1-02'],
  factory: {
    missing: () => null,
    modelName: () => 'Braces',
  },
  answers: new Answers(),
  boxes: [],
  ...over,
});
const said = (findings: readonly { sentence: string }[]) => findings.map((f) => f.sentence);

describe('aspects of a step', () => {
  test.each(ASPECT_KEYS)('%s: what nobody can say never passes', (key) => {
    const without = bench({ [key]: EACH[key] });
    if (aspectAsks('begin', without).length > 0) expect(mayBegin(without)).not.toEqual([]);
    if (aspectAsks('finish', without).length > 0) expect(mayFinish(without)).not.toEqual([]);
  });
  test.each(ASPECT_KEYS)('%s is told for a step that has it and for one that has not', (key) => {
    const words = aspectInWords(key);
    const has = words?.of(step('here', 'body', [], { [key]: EACH[key] }), route);
    const hasNot = words?.of(step('here', 'body', []), route);
    expect([words?.name, has, hasNot].every((told) => told !== undefined && told !== '')).toBe(true);
    expect(has).not.toBe(hasNot);
  });
  test('what is special about a step, in the order it is told', () => {
    expect(
      stepMarks(step('here', 'body', [], EACH), [{ id: 'binding', name: 'Binding', values: [{ id: 'both', name: 'both faces' }] }]),
    ).toEqual([
      'if Binding both faces',
      '2 rounds',
      'no waiting after',
      'in a form',
      'pressed in a clamp rack',
      'wiped with acetone before',
      'taken over',
      'rework goes alone',
      'own set only',
      '2 ways',
      'needs program',
      'draws small parts',
    ]);
    expect(stepMarks(step('here', 'body', []))).toEqual([]);
  });
  test('work is begun when it is taken over and what it needs exists; what came back needs no second hand-over', () => {
    const { handOver, needs } = EACH;
    expect(said(mayBegin(bench({ handOver, needs })))).toEqual([
      'Batch B1 has not been taken over yet',
      'Nobody could say whether the program "side one" is released',
    ]);
    const batch = { ...bench({}).batch, redo: true };
    expect(said(mayBegin(bench({ handOver, needs: [{ kind: 'kit', what: 'tuners' }] }, { batch })))).toEqual([]);
  });
  test('it is finished when it is measured and coated; what came back gets a coat at least', () => {
    const { coat, characteristics } = EACH;
    const known = (coats: number, unmeasured: string[], over: CoatsOnPiece[] = [], wanted = unmeasured.length) =>
      new Answers()
        .give(CoatsOn, { batchId: 'B1' }, [...laid(coats), ...over])
        .give(
          UnmeasuredOf,
          { batchId: 'B1' },
          unmeasured.length === 0 ? [] : [{ characteristicId: 'relief', name: 'Relief', taken: 0, wanted, pieceIds: unmeasured }],
        )
        .give(OutOfBandOf, { batchId: 'B1' }, off);
    let off: OffMeasure[] = [];
    const laid = (coats: number) => bench({}).pieceIds.map((pieceId) => ({ pieceId, coats, last: { atMs: 0, scuffedMs: null } }));
    const finish = (answers: Answers, redo = false) =>
      said(mayFinish(bench({ coat, characteristics }, { answers, batch: { ...bench({}).batch, redo } })));
    expect(finish(known(1, ['B1-02', 'B1-09']))).toEqual(['Not measured yet: B1-02', '1 of 2 coats logged']);
    expect(finish(known(0, []), true)).toEqual(['No coat logged on what came back']);
    expect(finish(known(1, []), true)).toEqual([]);
    expect(finish(known(2, ['B1-09']))).toEqual([]);
    expect(finish(known(2, ['B1-01', 'B1-02'], [], 1))).toEqual(['Not measured yet: Relief: 0 of 1']);
    off = [{ pieceId: 'B1-02', name: 'Relief', unit: 'mm', value: 0.4, low: 0.1, high: 0.3 }];
    expect(finish(known(2, []))).toEqual(['Out of band: B1-02: Relief 0.4\u00a0mm, band 0.1–0.3\u00a0mm']);
    off = [{ ...off[0], pieceId: 'B1-09' } as OffMeasure];
    expect(finish(known(2, []))).toEqual([]);
    const one = (coats: readonly CoatsOnPiece[]) => finish(known(2, []).give(CoatsOn, { batchId: 'B1' }, coats));
    const [first, ...rest] = laid(2);
    expect(one([{ ...first, coats: 1 } as CoatsOnPiece, ...rest])).toEqual([`1 of 2 coats logged on ${first?.pieceId ?? ''}`]);
    expect(one(rest)).not.toEqual([]);
  });
  test('small parts are drawn from the oldest box first, or the work is not begun', () => {
    const { draws } = EACH;
    const box = (id: string, quantity: number, status = 'stocked') => ({ id, modelId: 'braces', quantity, status });
    const answers = new Answers().give(BoxesFor, { batchId: 'B1' }, ['B7', 'B8', 'B9']);
    expect(begins(bench({ draws }, { answers, boxes: [box('B7', 3), box('B8', 9), box('B9', 9)] }))).toEqual([
      { kind: 'stock.drawn', batchId: 'B7', payload: { forBatchId: 'B1', operationId: 'here', count: 3 } },
      { kind: 'stock.drawn', batchId: 'B8', payload: { forBatchId: 'B1', operationId: 'here', count: 1 } },
    ]);
    expect(begins(bench({ draws }, { answers, boxes: [box('B7', 3), box('B8', 9, 'held')] }))).toMatchObject({
      kind: 'refuse',
      because: [{ sentence: '3 of 4 Braces in stock for here' }],
    });
    expect(begins(bench({ draws }, { batch: { ...bench({}).batch, redo: true } }))).toEqual([]);
    expect(begins(bench({ draws }, { boxes: [box('B7', 30)] }))).toMatchObject({
      because: [{ sentence: 'Nobody could say which small parts are in stock' }],
    });
  });
  test('boxes of other parts are left alone; what is short says what to do', () => {
    const { draws } = EACH;
    const answers = new Answers().give(BoxesFor, { batchId: 'B1' }, ['B6', 'B7']);
    const box = (id: string, modelId: string) => ({ id, modelId, quantity: 3, status: 'stocked' });
    expect(begins(bench({ draws }, { answers, boxes: [box('B6', 'linings'), box('B7', 'braces')] }))).toEqual({
      kind: 'refuse',
      because: [
        {
          rule: 'parts',
          verdict: 'stop',
          sentence: '3 of 4 Braces in stock for here',
          remedy: 'Run a campaign of them, or split the batch',
        },
      ],
    });
    expect(begins(bench({ draws }))).toMatchObject({ because: [{ rule: 'parts' }] });
  });
  test.each<[keyof Aspects, object | null, string]>([
    ['repeat', null, 'once'],
    ['repeat', { kind: 'count', backTo: 'first', times: 2 }, '2, from First'],
    ['repeat', { kind: 'count', backTo: 'lost', times: 2 }, '2, from lost'],
    ['repeat', { kind: 'count', backTo: 'first', times: 2, timesByOption: { option: 'o', times: {} } }, 'by option, from First'],
    ['repeat', { kind: 'until accepted', backTo: 'here', maximum: 3, expected: 2 }, 'until accepted, 3 at most, from Here'],
    ['ways', null, '—'],
    ['ways', EACH.ways, 'By pin: 9 min each'],
    ['draws', EACH.draws, '2 braces'],
    ['needs', EACH.needs, 'program side one, with a start checklist'],
  ])('%s %j: %s', (key, value, words) => {
    const named = {
      operations: [step('first', 'body', ['here'], { name: 'First' }), step('here', 'body', [], { name: 'Here' })],
      options: [],
    };
    expect(aspectInWords(key)?.of(step('here', 'body', [], value === null ? {} : { [key]: value }), named)).toBe(words);
  });
  test('marks of loops, and of lists that are empty', () => {
    const marks = (aspects: Aspects) => stepMarks(step('here', 'body', [], aspects));
    expect(marks({ repeat: { kind: 'until accepted', backTo: 'here', maximum: 3, expected: 2 } })).toEqual([
      'until accepted, 3 rounds at most',
    ]);
    expect(marks({ repeat: { kind: 'count', backTo: 'here', times: 1, timesByOption: { option: 'o', times: {} } } })).toEqual([
      'rounds by option',
    ]);
    expect(marks({ ways: [], draws: [], noWait: false })).toEqual([]);
  });
  test('the step’s own way is as the step says, and no more', () => {
    const plain = waysOf(step('here', 'body', [], { ways: EACH.ways }));
    expect(plain).toEqual([
      { id: 'own', name: 'here', stationCode: 'S-here', skill: 'cutting', setupMinutes: 10, minutesPerPiece: 5 },
      ...EACH.ways,
    ]);
    const { skill: _, ...nobody } = step('here', 'body', [], { wayName: 'By machine', skillLevel: 2, cautions: ['dust'] });
    expect(waysOf(nobody)).toEqual([
      { id: 'own', name: 'By machine', stationCode: 'S-here', skillLevel: 2, cautions: ['dust'], setupMinutes: 10, minutesPerPiece: 5 },
    ]);
  });
  test('a loop asks its question until it is answered, and goes round no more than it may', () => {
    const until = step('here', 'body', [], { repeat: { kind: 'until accepted', backTo: 'here', maximum: 2, expected: 1 } });
    expect(roundOrOn(step('x', 'body', []), {}, undefined)).toEqual({ kind: 'on', again: false });
    expect(roundOrOn(until, { here: 1 }, undefined)).toEqual({
      kind: 'refuse',
      because: [
        {
          rule: 'signOff',
          verdict: 'stop',
          field: 'accepted',
          sentence: 'Round 2 of here: is it accepted, or does it go round again?',
        },
      ],
    });
    expect([roundOrOn(until, {}, true), roundOrOn(until, {}, false)]).toEqual([
      { kind: 'on', again: false },
      { kind: 'on', again: true },
    ]);
    expect([roundTooMany(until, {}, false), roundTooMany(until, { here: 1 }, true), roundTooMany(until, { here: 1 }, undefined)]).toEqual([
      undefined,
      undefined,
      undefined,
    ]);
    expect(roundTooMany(until, { here: 1 }, false)).toMatchObject({
      verdict: 'stop',
      sentence: 'here has been round 2 times, the most allowed',
    });
    const counted = step('here', 'body', [], { repeat: { kind: 'count', backTo: 'here', times: 2 } });
    expect([roundOrOn(counted, {}, undefined), roundOrOn(counted, { here: 1 }, undefined)]).toEqual([
      { kind: 'on', again: true },
      { kind: 'on', again: false },
    ]);
    expect(roundTooMany(counted, { here: 9 }, false)).toBeUndefined();
  });
  test('a step leaves its grit', () => {
    expect(afterStep(step('here', 'body', [], EACH))).toEqual({ grit: 220 });
    expect(afterStep(step('here', 'body', []))).toEqual({});
  });
});
