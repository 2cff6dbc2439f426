import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { AIR_COUNTS_MS, DEFAULT_CURE_LAW, DEFAULT_SPRAY_LIMITS } from '../../climate/index.ts';
import { worst } from '../../ledger/index.ts';
import { DAY_MS, HOUR_MS, MINUTE_MS } from '../../units/index.ts';
import type { ProgramNow } from '../program.ts';
import { evaluateGate, evaluateRule, needsOf, type Evidence, type Rule } from './index.ts';

const NOW = 100 * DAY_MS;
const verdict = (rule: Rule, evidence: Partial<Evidence>) => evaluateRule(rule, { nowMs: NOW, ...evidence }).verdict;
const readings = (...values: number[]) => values.map((value, i) => ({ label: `reading ${i + 1}`, value, depth: 'shell' as const }));

test('a reading beyond an edge is never told as if it lay on it', () => {
  const band = { kind: 'inBand', what: 'readings', low: 7.25, high: 9.25, needed: 2, unit: '%', tooLow: '', tooHigh: '' } as const;
  const said = (...values: number[]) => evaluateRule(band, { nowMs: NOW, measurements: readings(...values) }).sentence;
  expect(said(8, 9.27)).toBe('1 of 2 readings in 7.25–9.25 %; reading 2 is 9.27 %');
  expect(said(8, 9.2504)).toBe('1 of 2 readings in 7.2500–9.2500 %; reading 2 is 9.2504 %');
  expect(said(8, 10.4)).toMatch(/reading 2 is 10.4 %$/);
});

describe('measures of a characteristic', () => {
  const measures = {
    shell: [8, 8.4].map((value, i) => ({ label: `p${i}`, value })),
    core: [9.6, 9.8].map((value, i) => ({ label: `p${i}`, value })),
  };
  test('are judged in place of readings, where a rule names one', () => {
    const evidence = { nowMs: 0, measures, courses: { shell: [0, 1].map((d) => ({ atMs: d * DAY_MS, value: 8 + d })) } };
    expect(evaluateRule({ kind: 'spread', limit: 0.3, unit: '%', characteristic: 'shell' }, evidence)).toMatchObject({
      verdict: 'stop',
      sentence: 'Spread 0.4 %; limit 0.3 %',
    });
    expect(evaluateRule({ kind: 'gradient', limit: 1.5, shell: 'shell', core: 'core' }, evidence)).toMatchObject({
      verdict: 'pass',
      sentence: 'Core 1.5 points wetter than shell; limit 1.5',
    });
    expect(evaluateRule({ kind: 'stable', limitPerDay: 0.5, windowDays: 9, characteristic: 'shell' }, evidence)).toMatchObject({
      verdict: 'wait',
      sentence: 'Rising 1.00 points a day; limit 0.50',
    });
  });
  test('that were not taken are asked for', () => {
    for (const rule of [
      { kind: 'spread', limit: 1, unit: '%', characteristic: 'width' },
      { kind: 'gradient', limit: 1, shell: 'a', core: 'b' },
      { kind: 'stable', limitPerDay: 1, windowDays: 3, characteristic: 'width' },
    ] as const)
      expect(evaluateRule(rule, { nowMs: 0, measures, measurements: measures.shell })).toMatchObject({ verdict: 'wait' });
  });
});

describe('at its limits', () => {
  const elapsed: Rule = { kind: 'elapsed', what: 'Clamped', minimumMinutes: 45, maximumMinutes: 60 };
  test.each([
    [44.999, 'wait'],
    [45, 'pass'],
    [60, 'pass'],
    [60.001, 'stop'],
  ])('a clamp of 45 to 60 min after %f min: %s', (minutes, expected) => {
    expect(verdict(elapsed, { sinceMs: NOW - minutes * MINUTE_MS })).toBe(expected);
  });

  const band: Rule = { kind: 'inBand', what: 'readings', low: 7.5, high: 9.5, needed: 3, unit: '%', tooLow: 'Damp it', tooHigh: 'Dry it' };
  test.each([
    [[7.5, 8, 9.5], 'pass'],
    [[7.499, 8, 9], 'stop'],
    [[8, 8, 9.501], 'stop'],
    [[8, 8], 'wait'],
    [[], 'wait'],
  ])('readings of %j in 7.5–9.5 %%: %s', (values, expected) => {
    expect(verdict(band, { measurements: readings(...values) })).toBe(expected);
  });
  test('what to do follows the side most of them are on', () => {
    const remedy = (...values: number[]) => evaluateRule(band, { nowMs: NOW, measurements: readings(...values) }).remedy;
    expect(remedy(8, 8, 12)).toBe('Dry it');
    expect(remedy(5, 6, 8)).toBe('Damp it');
    expect(remedy(5, 6, 12)).toBe('Damp it');
  });

  test.each([
    [[8, 10], 'pass'],
    [[8, 10.01], 'stop'],
    [[8], 'wait'],
  ])('a spread of %j against 2.0: %s', (values, expected) => {
    expect(verdict({ kind: 'spread', limit: 2, unit: 'points' }, { measurements: readings(...values) })).toBe(expected);
  });

  test.each([
    [9.5, 'pass'],
    [9.51, 'stop'],
    [6.5, 'pass'],
    [6.49, 'stop'],
  ])('a core of %f %% under a shell of 8 %%, limit 1.5: %s', (core, expected) => {
    const measurements = [...readings(8, 8), { label: 'core', value: core, depth: 'core' as const }];
    expect(verdict({ kind: 'gradient', limit: 1.5 }, { measurements })).toBe(expected);
  });
  test('no core reading is asked for, not assumed', () => {
    const finding = evaluateRule({ kind: 'gradient', limit: 1.5 }, { nowMs: NOW, measurements: readings(8, 8) });
    expect(finding).toMatchObject({ verdict: 'wait', sentence: expect.stringContaining('c9.6') });
  });

  test.each([
    [0.05, 'pass'],
    [0.051, 'wait'],
    [-0.05, 'pass'],
    [-0.06, 'wait'],
  ])('a drift of %f points a day against 0.05: %s', (perDay, expected) => {
    const series = [20, 10, 0].map((daysAgo) => ({ atMs: NOW - daysAgo * DAY_MS, value: 9 - perDay * daysAgo }));
    expect(verdict({ kind: 'stable', limitPerDay: 0.05, windowDays: 30 }, { series })).toBe(expected);
  });
  test('sessions before the window do not count towards a drift', () => {
    const series = [60, 5].map((daysAgo) => ({ atMs: NOW - daysAgo * DAY_MS, value: 9 }));
    expect(verdict({ kind: 'stable', limitPerDay: 0.05, windowDays: 30 }, { series })).toBe('wait');
  });

  const window: Rule = { kind: 'window', minimumMinutes: 60, maximumMinutes: 240, afterwards: 'Scuff sand' };
  test.each([
    [59, 'wait'],
    [60, 'pass'],
    [240, 'pass'],
    [241, 'stop'],
  ])('a recoat %d min after the last: %s', (minutes, expected) => {
    expect(verdict(window, { lastCoats: [{ atMs: NOW - minutes * MINUTE_MS, scuffedMs: null }] })).toBe(expected);
  });

  test.each([
    ['the newest coat has not flashed off', [90, 59], 'wait', 'Flashed 59 min of 1 h'],
    ['the oldest has closed', [241, 90, 250], 'stop', 'Recoat window closed 10 min ago on 2 of 3 pieces'],
    ['one has none', [90, null], 'stop', 'No coat yet on 1 of 2 pieces'],
    ['all lie inside', [200, 90], 'pass', 'Recoat window closes in 40 min; after that, scuff sand'],
  ])('pieces coated at different times: %s', (_, minutes, expected, sentence) => {
    const lastCoats = minutes.map((m) => (m === null ? null : { atMs: NOW - m * MINUTE_MS, scuffedMs: null }));
    expect(evaluateRule(window, { nowMs: NOW, lastCoats })).toMatchObject({ verdict: expected, sentence });
  });

  test.each([
    [
      'a closed window opens for what was scuffed',
      [[300, 10]],
      'pass',
      'Scuffed: recoat window closes in 3 h 50 min; after that, scuff sand',
    ],
    [
      'not for the piece that was left out',
      [
        [300, 10],
        [300, null],
      ],
      'stop',
      'Recoat window closed 1 h ago on 1 of 2 pieces',
    ],
    ['nor for ever', [[900, 250]], 'stop', 'Recoat window closed 10 min ago'],
    ['and no film is scuffed dry that has not flashed', [[30, 10]], 'wait', 'Flashed 30 min of 1 h'],
  ] as const)('%s', (_, coats, expected, sentence) => {
    const ago = (minutes: number | null) => (minutes === null ? null : NOW - minutes * MINUTE_MS);
    const lastCoats = coats.map(([coated, scuffed]) => ({ atMs: NOW - coated * MINUTE_MS, scuffedMs: ago(scuffed) }));
    expect(evaluateRule(window, { nowMs: NOW, lastCoats })).toMatchObject({ verdict: expected, sentence });
  });

  const cure: Rule = { kind: 'equivalent', what: 'Cured', minimumDays: 14, law: DEFAULT_CURE_LAW };
  /** A sample each hour of the last hundred days. */
  const steady = (tempC: number) => Array.from({ length: 2401 }, (_, i) => ({ atMs: NOW - (2400 - i) * HOUR_MS, tempC }));
  test.each([
    [14, 21, 'pass'],
    [13.99, 21, 'wait'],
    [7, 31, 'pass'],
    [27.9, 11, 'wait'],
    [28, 11, 'pass'],
    [90, 9.9, 'wait'],
  ])('%f days at %f °C against 14 at 21: %s', (days, tempC, expected) => {
    expect(verdict(cure, { sinceMs: NOW - days * DAY_MS, temperatures: steady(tempC) })).toBe(expected);
  });
  test('what is left is told at the pace of the room', () => {
    const at = (tempC: number) => evaluateRule(cure, { nowMs: NOW, sinceMs: NOW - 2 * DAY_MS, temperatures: steady(tempC) });
    expect(((at(21).untilMs ?? 0) - NOW) / DAY_MS).toBeCloseTo(12, 6);
    expect(((at(31).untilMs ?? 0) - NOW) / DAY_MS).toBeCloseTo(5, 6);
    expect(at(5)).toMatchObject({ verdict: 'wait', sentence: expect.stringContaining('too cold') });
    expect(at(5).untilMs).toBeUndefined();
  });

  test.each([
    [{ atMs: NOW, tempC: 21, relativeHumidity: 0.5 }, 'pass'],
    [{ atMs: NOW - AIR_COUNTS_MS - 1, tempC: 21, relativeHumidity: 0.5 }, 'wait'],
    [{ atMs: NOW, tempC: 17, relativeHumidity: 0.5 }, 'wait'],
    [{ atMs: NOW, tempC: 21, relativeHumidity: 0.7 }, 'wait'],
    [undefined, 'wait'],
  ])('booth air %j: %s', (air, expected) => {
    expect(verdict({ kind: 'climate', limits: DEFAULT_SPRAY_LIMITS }, air ? { air } : {})).toBe(expected);
  });
});

const PROGRAM: ProgramNow = {
  id: 'm/sides',
  what: 'sides',
  toRun: { name: 'B', state: 'released', file: '', fixture: '', piecesALoad: 1, cutters: [] },
  latest: { name: 'B', state: 'released' },
  ownerId: null,
};

describe('a program before its gate', () => {
  const gate = (programs: Evidence['programs']) =>
    evaluateRule({ kind: 'programReleased', what: 'sides' }, { nowMs: NOW, ...(programs ? { programs } : {}) });
  test.each([
    [undefined, 'wait', 'What it rests on is not known'],
    [{}, 'stop', 'Nobody could say whether the program "sides" is released'],
    [{ sides: null }, 'stop', 'There is no program "sides" on record'],
    [{ sides: { ...PROGRAM, toRun: null, latest: null } }, 'stop', 'The program "sides" is asked for, and not drawn yet'],
    [
      { sides: { ...PROGRAM, toRun: null, latest: { name: 'C', state: 'checked' as const } } },
      'stop',
      'The program "sides", revision C, is checked, not released',
    ],
    [{ sides: PROGRAM }, 'pass', 'The program "sides" is released, revision B'],
  ])('%j: %s', (programs, verdict, sentence) => {
    const found = gate(programs);
    if (programs === undefined) expect(found.verdict).not.toBe('pass');
    else expect([found.verdict, found.sentence]).toEqual([verdict, sentence]);
  });
});

describe('a cutter before its gate', () => {
  const cutter = (usedS: number) => ({ id: 'K1', kind: '6 mm', bench: 1, usedS, lifeS: 3600, useId: 'K1/0' });
  test.each([
    [{}, 'wait', 'Nobody could say which cutters are at S'],
    [{ S: [] }, 'stop', 'No 6 mm is on a machine at S'],
    [{ S: [cutter(3540)] }, 'pass', '6 mm K1: 59 of 60 min'],
    [{ S: [cutter(3600)] }, 'stop', '6 mm K1: 60 of 60 min: its life is over'],
    [{ S: [cutter(3600), { ...cutter(60), id: 'K2', bench: 2 }] }, 'pass', '6 mm K2: 1 of 60 min'],
  ])('%j: %s', (cutters, verdict, sentence) => {
    const found = evaluateRule({ kind: 'cutterWithinLife', cutter: '6 mm', stationCode: 'S' }, { nowMs: NOW, cutters });
    expect([found.verdict, found.sentence]).toEqual([verdict, sentence]);
  });
});

describe('what is not answered', () => {
  const between = (min: number, max: number) => fc.double({ min, max, noNaN: true });
  const named = fc.constantFrom(undefined, 'width');
  const points = fc.array(fc.record({ atMs: fc.integer({ min: NOW - 20 * DAY_MS, max: NOW }), value: between(4, 20) }), { maxLength: 5 });
  const values = fc.array(
    fc.record({ label: fc.constant('r'), value: between(4, 20), depth: fc.constantFrom('shell' as const, 'core' as const) }),
    {
      maxLength: 6,
    },
  );
  const law = { minutes: 45, law: { referenceTempC: 20, q10: 2, minimumTempC: 10 } };
  const stays = fc.array(
    fc.record({
      closedMs: fc.option(fc.integer({ min: 0, max: NOW })),
      laws: fc.constant({ out: [law], set: law }),
      early: fc.boolean(),
      inName: fc.constantFrom(null, 'Rack'),
    }),
    { minLength: 1, maxLength: 2 },
  );
  const everything: fc.Arbitrary<Required<Omit<Evidence, 'nowMs'>>> = fc.record({
    sinceMs: fc.integer({ min: 0, max: NOW }),
    temperatures: fc.constant([{ atMs: 0, tempC: 30 }]),
    measurements: values,
    measures: fc.record({ width: values, core: values }),
    series: points,
    courses: fc.record({ width: points }),
    lastCoats: fc.array(
      fc.option(fc.record({ atMs: fc.integer({ min: NOW - 9999 * MINUTE_MS, max: NOW }), scuffedMs: fc.constant(null) }), { freq: 9 }),
      { maxLength: 3 },
    ),
    control: fc.record({
      width: fc.record({ values: fc.integer({ min: 0, max: 60 }), needed: fc.constant(20), signal: fc.constantFrom(null, 'a trend') }),
    }),
    programs: fc.record({
      sides: fc.constantFrom(null, PROGRAM),
    }),
    cutters: fc.record({
      S: fc.array(
        fc.record({
          id: fc.constant('K1'),
          kind: fc.constant('6 mm'),
          bench: fc.constant(1),
          usedS: fc.nat(90),
          lifeS: fc.constant(60),
          useId: fc.constant('K1/0'),
        }),
        { maxLength: 2 },
      ),
    }),
    air: fc.record({ atMs: fc.constant(NOW), tempC: between(10, 30), relativeHumidity: between(0.2, 0.8) }),
    signOffs: fc.constant([{ skill: 'fitting', by: 'Ann' }]),
    shortParts: fc.constant([]),
    pressed: stays,
    glued: stays,
  });
  /** Every kind of rule: a new kind must be told here before this compiles. */
  const RULES: Readonly<Record<Rule['kind'], fc.Arbitrary<Rule>>> = {
    elapsed: fc.record({ kind: fc.constant('elapsed' as const), what: fc.constant('Rested'), minimumMinutes: fc.nat(50) }),
    equivalent: fc.record({
      kind: fc.constant('equivalent' as const),
      what: fc.constant('Cured'),
      minimumDays: between(0, 3),
      law: fc.constant(DEFAULT_CURE_LAW),
    }),
    inBand: named.chain((characteristic) =>
      fc.record({
        kind: fc.constant('inBand' as const),
        what: fc.constant('readings'),
        low: between(0, 8),
        high: between(8, 30),
        needed: fc.integer({ min: 1, max: 3 }),
        unit: fc.constant('%'),
        tooLow: fc.constant(''),
        tooHigh: fc.constant(''),
        ...(characteristic === undefined ? {} : { characteristic: fc.constant(characteristic) }),
      }),
    ),
    programReleased: fc.record({ kind: fc.constant('programReleased' as const), what: fc.constant('sides') }),
    cutterWithinLife: fc.record({
      kind: fc.constant('cutterWithinLife' as const),
      cutter: fc.constant('6 mm'),
      stationCode: fc.constant('S'),
    }),
    inControl: fc.record({ kind: fc.constant('inControl' as const), what: fc.constant('Width'), characteristic: fc.constant('width') }),
    spread: fc.record({ kind: fc.constant('spread' as const), limit: between(0, 20), unit: fc.constant('%') }),
    gradient: fc.record({ kind: fc.constant('gradient' as const), limit: between(0, 20) }),
    stable: fc.record({ kind: fc.constant('stable' as const), limitPerDay: between(0, 9), windowDays: fc.integer({ min: 1, max: 30 }) }),
    window: fc.record({
      kind: fc.constant('window' as const),
      minimumMinutes: fc.nat(60),
      maximumMinutes: fc.integer({ min: 60, max: 9999 }),
      afterwards: fc.constant('Scuff sand'),
    }),
    climate: fc.constant({ kind: 'climate', limits: DEFAULT_SPRAY_LIMITS }),
    signOff: fc.constant({ kind: 'signOff', skill: 'fitting' }),
    parts: fc.constant({ kind: 'parts' }),
    pressed: fc.constant({ kind: 'pressed', what: 'Clamped', adhesiveId: 'pva' }),
    glueSet: fc.constant({ kind: 'glueSet', what: 'Set', adhesiveId: 'pva' }),
  };
  test.each(Object.entries(RULES))('never passes: %s', (_, any) => {
    let passes = 0;
    fc.assert(
      fc.property(any, everything, (rule, evidence) => {
        if (verdict(rule, evidence) === 'pass') passes++;
        const silent = Object.fromEntries(Object.entries(evidence).filter(([field]) => !needsOf(rule).includes(field as keyof Evidence)));
        expect(verdict(rule, silent)).not.toBe('pass');
      }),
      { numRuns: 400 },
    );
    // It is the missing evidence that keeps it from passing.
    expect(passes).toBeGreaterThan(0);
  });
});

describe('a gate', () => {
  const anyRule: fc.Arbitrary<Rule> = fc.oneof(
    fc.record({ kind: fc.constant('elapsed' as const), what: fc.constant('Rested'), minimumMinutes: fc.integer({ min: 0, max: 5000 }) }),
    fc.record({ kind: fc.constant('spread' as const), limit: fc.double({ min: 0, max: 5, noNaN: true }), unit: fc.constant('points') }),
    fc.record({ kind: fc.constant('gradient' as const), limit: fc.double({ min: 0, max: 5, noNaN: true }) }),
    fc.record({
      kind: fc.constant('equivalent' as const),
      what: fc.constant('Cured'),
      minimumDays: fc.integer({ min: 1, max: 30 }),
      law: fc.constant(DEFAULT_CURE_LAW),
    }),
    fc.record({ kind: fc.constant('signOff' as const), skill: fc.constantFrom('fitting', 'inspection') }),
    fc.constant<Rule>({ kind: 'parts' }),
  );
  const anyEvidence = fc.record({
    sinceMs: fc.integer({ min: 0, max: NOW }),
    temperatures: fc
      .array(fc.record({ atMs: fc.integer({ min: 0, max: NOW }), tempC: fc.double({ min: -5, max: 40, noNaN: true }) }), { maxLength: 20 })
      .map((t) => t.sort((a, b) => a.atMs - b.atMs)),
    measurements: fc.array(
      fc.record({
        label: fc.constant('r'),
        value: fc.double({ min: 4, max: 20, noNaN: true }),
        depth: fc.constantFrom('shell' as const, 'core' as const),
      }),
      { maxLength: 8 },
    ),
    signOffs: fc.array(fc.record({ skill: fc.constantFrom('fitting', 'inspection'), by: fc.constant('Ann') }), { maxLength: 2 }),
    shortParts: fc.array(fc.constant('tuners'), { maxLength: 1 }),
  });
  test('answers each of its rules once, in order, in a sentence, with a share between none and all', () => {
    fc.assert(
      fc.property(fc.array(anyRule, { maxLength: 8 }), anyEvidence, (rules, evidence) => {
        const findings = evaluateGate(rules, { nowMs: NOW, ...evidence });
        expect(findings.map((f) => f.rule)).toEqual(rules.map((r) => r.kind));
        for (const f of findings) {
          expect(f.sentence).toMatch(/\S/);
          expect(f.sentence).not.toMatch(/NaN|undefined|Infinity/);
          expect(f.done ?? 0).toBeGreaterThanOrEqual(0);
          expect(f.done ?? 0).toBeLessThanOrEqual(1);
          if (f.untilMs !== undefined) expect(f.untilMs).toBeGreaterThan(NOW);
        }
      }),
    );
  });
  test('with another rule is never easier to pass', () => {
    const rank = { pass: 0, wait: 1, stop: 2 };
    fc.assert(
      fc.property(fc.array(anyRule, { maxLength: 6 }), anyRule, anyEvidence, (rules, extra, evidence) => {
        const judge = (list: Rule[]) => rank[worst(evaluateGate(list, { nowMs: NOW, ...evidence }))];
        expect(judge([...rules, extra])).toBeGreaterThanOrEqual(judge(rules));
      }),
    );
  });
  test('that only waits for time opens at the time it told', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 5000 }), fc.integer({ min: 0, max: 6000 }), (minimumMinutes, agoMinutes) => {
        const rule: Rule = { kind: 'elapsed', what: 'Rested', minimumMinutes };
        const sinceMs = NOW - agoMinutes * MINUTE_MS;
        const { untilMs } = evaluateRule(rule, { nowMs: NOW, sinceMs });
        if (untilMs === undefined) return;
        expect(evaluateRule(rule, { nowMs: untilMs, sinceMs }).verdict).toBe('pass');
        expect(evaluateRule(rule, { nowMs: untilMs - 1, sinceMs }).verdict).toBe('wait');
      }),
    );
  });
  test('on a cure opens when told, if the room stays as it is', () => {
    fc.assert(
      fc.property(fc.double({ min: 11, max: 35, noNaN: true }), fc.integer({ min: 0, max: 100 }), (tempC, hours) => {
        const rule: Rule = { kind: 'equivalent', what: 'Cured', minimumDays: 10, law: DEFAULT_CURE_LAW };
        const temperatures = Array.from({ length: 2401 }, (_, i) => ({ atMs: NOW + (i - 400) * HOUR_MS, tempC }));
        const evidence = { sinceMs: NOW - hours * HOUR_MS, temperatures };
        const { untilMs } = evaluateRule(rule, { nowMs: NOW, ...evidence });
        if (untilMs === undefined || hours === 0) return;
        expect(evaluateRule(rule, { nowMs: untilMs + 1000, ...evidence }).verdict).toBe('pass');
        expect(evaluateRule(rule, { nowMs: untilMs - HOUR_MS, ...evidence }).verdict).toBe('wait');
      }),
    );
  });
});
