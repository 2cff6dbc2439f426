import { describe, expect, test } from '@jest/globals';
import { type BatchCommand, decide, type DecisionContext } from '../batches/index.ts';
import { DEFAULT_CURE_LAW, DEFAULT_SPRAY_LIMITS } from '../climate/index.ts';
import { earliestMs, worst } from '../ledger/index.ts';
import { DAY_MS, HOUR_MS, MINUTE_MS } from '../units/index.ts';
import {
  before,
  checkRoute,
  evaluateRule,
  firstOperation,
  type Operation,
  pathFrom,
  type Route,
  type Rule,
  startedComponents,
} from './index.ts';
import { batchOf, piecesOf, step } from '../test/parts.ts';

const hours = (minimum: number): Rule => ({ kind: 'elapsed', what: 'Rested', minimumMinutes: minimum * 60 });
const route: Route = {
  id: 'r1',
  modelId: 'm',
  version: 1,
  operations: [
    step('cut', 'body', ['rest']),
    step('rest', 'body', ['fit'], { kind: 'dwell', gate: [hours(48)] }),
    step('carve', 'neck', ['fit']),
    step('fit', 'instrument', ['spray'], { kind: 'fit' }),
    step('spray', 'instrument', ['ship'], {
      coat: {
        materialId: 'l',
        volumeSolids: 0.24,
        coats: 2,
        wetUm: 100,
        flashMinutes: 60,
        recoatMaxMinutes: 600,
      },
      gate: [hours(1)],
    }),
    step('ship', 'instrument', [], { kind: 'dispatch' }),
  ],
};
const changed = (...changes: [string, Partial<Operation>][]): Route => ({
  ...route,
  operations: route.operations.map((o) => ({ ...o, ...changes.find(([id]) => id === o.id)?.[1] })),
});

describe('route', () => {
  test('streams start apart and meet at the fitting', () => {
    expect(startedComponents(route)).toEqual(['body', 'neck']);
    expect(firstOperation(route, 'neck').id).toBe('carve');
    expect(before(route, 'fit').map((o) => o.id)).toEqual(['rest', 'carve']);
    expect(pathFrom(route, 'rest').map((o) => o.id)).toEqual(['rest', 'fit', 'spray', 'ship']);
    expect(() => firstOperation(route, 'instrument')).toThrow(RangeError);
  });
  test('a sound route has no problems', () => {
    expect(checkRoute(route)).toEqual([]);
  });
  test.each([
    ['leads to nothing that exists', changed(['cut', { next: ['nowhere'] }]), /does not exist/],
    [
      'leads back to itself',
      changed(['spray', { next: ['spray2'] }], ['ship', { id: 'spray2', kind: 'work', next: ['spray'] }]),
      /leads back to itself/,
    ],
    ['ends before dispatch', changed(['spray', { next: [] }]), /leads nowhere/],
    [
      'merges where nothing is fitted',
      changed(['carve', { next: ['rest'] }]),
      /without a joining or a fitting|neither a joining nor a fitting/,
    ],
    ['waits for nothing', changed(['rest', { gate: [] }]), /waits for nothing/],
    ['fits without a body', changed(['rest', { next: ['ship'] }]), /No body ever reaches/],
    ['has a step twice', changed(['carve', { id: 'cut' }]), /Two steps/],
  ])('a route that %s is named', (_, broken, message) => {
    expect(
      checkRoute(broken)
        .map((p) => p.message)
        .join('\n'),
    ).toMatch(message);
  });
});

describe('rules', () => {
  const now = { nowMs: 10 * DAY_MS };
  test('elapsed waits to the minute, and tells when', () => {
    const rule: Rule = { kind: 'elapsed', what: 'Clamped', minimumMinutes: 45, maximumMinutes: 90 };
    const since = (minutes: number) => evaluateRule(rule, { ...now, sinceMs: now.nowMs - minutes * MINUTE_MS });
    expect(since(22)).toMatchObject({
      verdict: 'wait',
      sentence: 'Clamped 22 min of 45 min',
      untilMs: now.nowMs + 23 * MINUTE_MS,
      sure: 'certain',
    });
    expect(since(45).verdict).toBe('pass');
    expect(since(90).verdict).toBe('pass');
    expect(since(91)).toMatchObject({ verdict: 'stop' });
    expect(evaluateRule(rule, now).verdict).toBe('wait');
  });
  test('equivalent time tells what cool air cost', () => {
    const rule: Rule = { kind: 'equivalent', what: 'Cured', minimumDays: 14, law: DEFAULT_CURE_LAW };
    const cool = evaluateRule(rule, { ...now, sinceMs: 0, temperatures: [{ atMs: 0, tempC: 19 }] });
    expect(cool.sentence).toBe('Cured 8.7 of 14 days at 21 °C; cool air cost 1.3 days');
    expect(cool).toMatchObject({ verdict: 'wait', sure: 'forecast' });
    expect(evaluateRule(rule, { ...now, sinceMs: -4 * DAY_MS, temperatures: [] }).verdict).toBe('pass');
    expect(evaluateRule(rule, { ...now, sinceMs: 0, temperatures: [{ atMs: now.nowMs - DAY_MS, tempC: 4 }] }).untilMs).toBeUndefined();
  });
  test('the recoat window opens and closes', () => {
    const rule: Rule = { kind: 'window', minimumMinutes: 60, maximumMinutes: 240, afterwards: 'Scuff sand' };
    const after = (minutes: number) => evaluateRule(rule, { ...now, lastCoatMs: now.nowMs - minutes * MINUTE_MS });
    expect(evaluateRule(rule, now)).toMatchObject({ verdict: 'wait', sentence: 'Nobody could say when it was coated last' });
    expect(evaluateRule(rule, { ...now, lastCoatMs: null }).verdict).toBe('pass');
    expect(after(59)).toMatchObject({ verdict: 'wait', untilMs: now.nowMs + MINUTE_MS });
    expect(after(205).sentence).toBe('Recoat window closes in 35 min; after that, scuff sand');
    expect(after(241)).toMatchObject({ verdict: 'stop', remedy: 'Scuff sand' });
  });
  test('climate, sign-off and parts', () => {
    const climate: Rule = { kind: 'climate', limits: DEFAULT_SPRAY_LIMITS };
    expect(evaluateRule(climate, now).verdict).toBe('wait');
    expect(evaluateRule(climate, { ...now, air: { tempC: 21, relativeHumidity: 0.5 } }).verdict).toBe('pass');
    expect(evaluateRule(climate, { ...now, air: { tempC: 21, relativeHumidity: 0.9 } }).verdict).toBe('wait');
    const signOff: Rule = { kind: 'signOff', skill: 'fitting' };
    expect(evaluateRule(signOff, now).sentence).toBe('Waits for someone with fitting to accept');
    expect(evaluateRule(signOff, { ...now, signOffs: [{ skill: 'fitting', by: 'Omar' }] }).verdict).toBe('pass');
    expect(evaluateRule({ kind: 'parts' }, { ...now, shortParts: ['3 tuner sets'] }).sentence).toBe('Short: 3 tuner sets');
    expect(evaluateRule({ kind: 'parts' }, now).verdict).toBe('wait');
    expect(evaluateRule({ kind: 'parts' }, { ...now, shortParts: [] }).verdict).toBe('pass');
  });
  test('a gate is as good as its worst finding, and opens when its last wait is over', () => {
    const wait = (untilMs?: number) => ({
      rule: 'elapsed' as const,
      verdict: 'wait' as const,
      sentence: '',
      ...(untilMs === undefined ? {} : { untilMs }),
    });
    const stop = { rule: 'elapsed' as const, verdict: 'stop' as const, sentence: '' };
    expect(worst([])).toBe('pass');
    expect(worst([wait(5), stop])).toBe('stop');
    expect(earliestMs([wait(5), wait(9)])).toBe(9);
    expect(earliestMs([wait(5), wait()])).toBeUndefined();
    expect(earliestMs([])).toBeUndefined();
  });
});

describe('decide', () => {
  const batch = batchOf;
  const pieces = piecesOf;
  const context = (over: Partial<DecisionContext> = {}): DecisionContext => ({
    route,
    pieces: pieces(),
    evidence: { nowMs: HOUR_MS },
    holdsSkill: (person) => person === 'able',
    ...over,
  });
  const finish = (good: number, rework = 0, scrap = 0, ids: string[] = []): BatchCommand => ({
    kind: 'finish',
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
  const kinds = (decision: ReturnType<typeof decide>) =>
    decision.kind === 'accept' ? decision.entries.map((e) => e.kind) : decision.because.map((f) => f.sentence);

  test('work starts with someone who can, once', () => {
    expect(kinds(decide(batch(), { kind: 'start', personId: 'able' }, context()))).toEqual(['work.started']);
    expect(kinds(decide(batch(), { kind: 'start', personId: 'new' }, context()))).toEqual(['This person is not signed off for cutting']);
    expect(decide(batch({ status: 'running' }), { kind: 'start', personId: 'able' }, context()).kind).toBe('refuse');
    expect(decide(batch({ operationId: 'rest', status: 'dwelling' }), { kind: 'start', personId: 'able' }, context()).kind).toBe('refuse');
  });
  test('only what runs can be paused, only what is paused resumed', () => {
    expect(kinds(decide(batch({ status: 'running' }), { kind: 'pause', cause: 'machine' }, context()))).toEqual(['work.paused']);
    expect(decide(batch(), { kind: 'pause', cause: 'machine' }, context()).kind).toBe('refuse');
    expect(kinds(decide(batch({ status: 'paused' }), { kind: 'resume', personId: 'able' }, context()))).toEqual(['work.resumed']);
    expect(decide(batch({ status: 'paused' }), { kind: 'resume', personId: 'new' }, context()).kind).toBe('refuse');
  });
  test('finishing without a gate moves it on at once', () => {
    expect(kinds(decide(batch({ status: 'running' }), finish(3), context()))).toEqual(['work.finished', 'batch.moved']);
  });
  test('rework keeps it at the step; all scrapped ends it there', () => {
    expect(kinds(decide(batch({ status: 'running' }), finish(2, 1, 0, ['B1-02']), context()))).toEqual(['work.finished']);
    expect(kinds(decide(batch({ status: 'running' }), finish(0, 0, 3, ['B1-01', 'B1-02', 'B1-03']), context()))).toEqual(['work.finished']);
  });
  test.each<[string, BatchCommand, RegExp]>([
    ['counts that do not add up', finish(2), /make 2; 3 pieces/],
    ['a negative count', finish(4, 0, -1), /not a count/],
    ['a fraction', finish(2.5, 0.5), /not a count/],
    ['scrap without a piece', finish(2, 0, 1), /1 scrap counted, 0 named/],
    ['a piece of another batch', finish(2, 0, 1, ['B9-01']), /not in this pass/],
    ['a piece twice', finish(1, 0, 2, ['B1-01', 'B1-01']), /named twice/],
  ])('%s is refused', (_, command, message) => {
    expect(kinds(decide(batch({ status: 'running' }), command, context())).join()).toMatch(message);
  });
  test('a second pass is about what came back', () => {
    const returned = pieces().map((p, i) => ({ ...p, state: i === 0 ? ('rework' as const) : p.state }));
    expect(decide(batch({ status: 'running', redo: true }), finish(1), context({ pieces: returned })).kind).toBe('accept');
    expect(decide(batch({ status: 'running', redo: true }), finish(3), context({ pieces: returned })).kind).toBe('refuse');
  });
  test('what must be measured or sprayed is asked for', () => {
    expect(kinds(decide(batch({ status: 'running' }), finish(3), context({ unmeasured: ['B1-02'] })))).toEqual(['Not measured yet: B1-02']);
    const spraying = batch({ status: 'running', operationId: 'spray', component: 'instrument' });
    expect(kinds(decide(spraying, finish(3), context({ coatsLogged: 1 })))).toEqual(['1 of 2 coats logged']);
    expect(kinds(decide(spraying, finish(3), context({ coatsLogged: 2 })))).toEqual(['work.finished']);
  });
  test('a gate holds until its time, or until an override with a reason', () => {
    const resting = batch({ status: 'dwelling', operationId: 'rest' });
    const at = (nowMs: number) => context({ evidence: { nowMs } });
    expect(kinds(decide(resting, { kind: 'move' }, at(47 * HOUR_MS)))).toEqual(['Rested 1 d 23 h of 2 d']);
    expect(kinds(decide(resting, { kind: 'move' }, at(48 * HOUR_MS)))).toEqual(['batch.moved']);
    expect(decide(resting, { kind: 'move', overrideReason: 'no' }, at(HOUR_MS)).kind).toBe('refuse');
    const overridden = decide(resting, { kind: 'move', overrideReason: ' Customer waits ' }, at(HOUR_MS));
    expect(overridden).toMatchObject({
      kind: 'accept',
      entries: [{ payload: { override: { reason: 'Customer waits', findings: [{ verdict: 'wait' }] } } }],
    });
    const inTime = decide(resting, { kind: 'move', overrideReason: 'not needed' }, at(48 * HOUR_MS));
    expect(inTime).toMatchObject({ entries: [{ payload: { override: null } }] });
  });
  test('a held batch does nothing but be released', () => {
    const held = batch({ status: 'held', heldStatus: 'queued', holdReason: 'colour in doubt' });
    expect(kinds(decide(held, { kind: 'start', personId: 'able' }, context()))).toEqual(['Batch B1 is held: colour in doubt']);
    expect(kinds(decide(held, { kind: 'release' }, context()))).toEqual(['batch.released']);
    expect(decide(batch(), { kind: 'release' }, context()).kind).toBe('refuse');
    expect(decide(batch(), { kind: 'hold', reason: ' ' }, context()).kind).toBe('refuse');
    expect(decide(batch({ status: 'running' }), { kind: 'hold', reason: 'colour' }, context()).kind).toBe('refuse');
    expect(kinds(decide(batch(), { kind: 'hold', reason: 'colour' }, context()))).toEqual(['batch.held']);
  });
  test('a batch that is done stays done', () => {
    expect(decide(batch({ status: 'done', endedMs: 1 }), { kind: 'hold', reason: 'late thought' }, context()).kind).toBe('refuse');
  });
});
