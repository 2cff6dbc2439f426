import { describe, expect, test } from '@jest/globals';
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
import { step } from '../test/parts.ts';

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
    const hourly = (tempC: number) => Array.from({ length: 1 + now.nowMs / HOUR_MS }, (_, i) => ({ atMs: i * HOUR_MS, tempC }));
    const cool = evaluateRule(rule, { ...now, sinceMs: 0, temperatures: hourly(19) });
    expect(cool.sentence).toBe('Cured 8.7 of 14 days at 21\u00a0°C; cool air cost 1.3 days');
    expect(cool).toMatchObject({ verdict: 'wait', sure: 'forecast' });
    expect(evaluateRule(rule, { ...now, sinceMs: -4 * DAY_MS, temperatures: [] })).toMatchObject({ verdict: 'wait' });
    expect(evaluateRule(rule, { ...now, sinceMs: 0, temperatures: hourly(4) }).untilMs).toBeUndefined();
  });
  test('the recoat window opens and closes', () => {
    const rule: Rule = { kind: 'window', minimumMinutes: 60, maximumMinutes: 240, afterwards: 'Scuff sand' };
    const after = (minutes: number) =>
      evaluateRule(rule, { ...now, lastCoats: [{ atMs: now.nowMs - minutes * MINUTE_MS, scuffedMs: null }] });
    expect(evaluateRule(rule, now)).toMatchObject({ verdict: 'wait', sentence: 'Nobody could say when it was coated last' });
    for (const lastCoats of [[null], [], [null, null]])
      expect(evaluateRule(rule, { ...now, lastCoats })).toMatchObject({ verdict: 'stop', sentence: 'No coat on it yet' });
    expect(after(59)).toMatchObject({ verdict: 'wait', untilMs: now.nowMs + MINUTE_MS });
    expect(after(205).sentence).toBe('Recoat window closes in 35 min; after that, scuff sand');
    expect(after(241)).toMatchObject({ verdict: 'stop', remedy: 'Scuff sand' });
  });
  test('climate, sign-off and parts', () => {
    const climate: Rule = { kind: 'climate', limits: DEFAULT_SPRAY_LIMITS };
    expect(evaluateRule(climate, now).verdict).toBe('wait');
    const air = { atMs: now.nowMs, tempC: 21, relativeHumidity: 0.5 };
    expect(evaluateRule(climate, { ...now, air }).verdict).toBe('pass');
    expect(evaluateRule(climate, { ...now, air: { ...air, relativeHumidity: 0.9 } }).verdict).toBe('wait');
    expect(evaluateRule(climate, { ...now, air: { ...air, atMs: now.nowMs - 3 * HOUR_MS } })).toMatchObject({
      verdict: 'wait',
      sentence: 'The booth was last measured 3 h ago',
    });
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
