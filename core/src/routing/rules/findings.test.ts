import { describe, expect, test } from '@jest/globals';
import { DAY_MS, HOUR_MS, MINUTE_MS } from '../../units/index.ts';
import { evaluateRule, ruleInWords, type Evidence, type Rule } from './index.ts';

// Whole findings: the verdict, the sentence, what to do, until when, how sure, how far.

const law = { referenceTempC: 21, q10: 2, minimumTempC: 10 };
const clamp: Rule = { kind: 'elapsed', what: 'Clamped', minimumMinutes: 60, maximumMinutes: 90 };
const cure: Rule = { kind: 'equivalent', what: 'Cured', minimumDays: 10, law };
const at = (nowMs: number, more: Partial<Evidence> = {}): Evidence => ({ nowMs, sinceMs: 0, ...more });

describe('a wait', () => {
  test('says how far it is, when it ends, and where its most lies', () => {
    expect(evaluateRule(clamp, at(15 * MINUTE_MS))).toEqual({
      rule: 'elapsed',
      verdict: 'wait',
      maximum: 1.5,
      sentence: 'Clamped 15 min of 1 h',
      untilMs: HOUR_MS,
      sure: 'certain',
      done: 0.25,
    });
  });
  test('without a most, or with nothing to wait for, has none', () => {
    expect(evaluateRule({ kind: 'elapsed', what: 'Clamped', minimumMinutes: 60 }, at(0))).not.toHaveProperty('maximum');
    expect(evaluateRule({ kind: 'elapsed', what: 'Open', minimumMinutes: 0, maximumMinutes: 10 }, at(0))).toEqual({
      rule: 'elapsed',
      verdict: 'pass',
      sentence: 'Open 0 min; 0 min needed',
      done: 1,
    });
  });
  test('begun in the future has not begun', () => {
    expect(evaluateRule(clamp, { nowMs: 0, sinceMs: 5 * MINUTE_MS })).toMatchObject({
      sentence: 'Clamped 0 min of 1 h',
      done: 0,
      untilMs: 65 * MINUTE_MS,
    });
  });
  test('at its most passes, beyond it stops', () => {
    expect(evaluateRule(clamp, at(90 * MINUTE_MS))).toEqual({
      rule: 'elapsed',
      verdict: 'pass',
      sentence: 'Clamped 1 h 30 min; 1 h needed',
      done: 1,
    });
    expect(evaluateRule(clamp, at(91 * MINUTE_MS))).toEqual({
      rule: 'elapsed',
      verdict: 'stop',
      sentence: 'Clamped 1 h 31 min; the most allowed is 1 h 30 min',
      remedy: 'Inspect it, and move it on with a reason if it is sound',
      done: 1,
    });
  });
  test('whose clock nobody started waits', () => {
    expect(evaluateRule(clamp, { nowMs: 0 })).toMatchObject({ verdict: 'wait', sentence: 'Clamped: the clock has not been started' });
  });
  test('that may be shorter than its most is as said', () => {
    expect(ruleInWords(clamp)).toBe('Clamped at least 1 h, at most 1 h 30 min');
  });
});

describe('a cure', () => {
  const warm = (tempC: number, days: number) => Array.from({ length: days * 24 + 1 }, (_, i) => ({ atMs: i * HOUR_MS, tempC }));
  test('at the reference counts day for day, and says no more', () => {
    expect(evaluateRule(cure, at(4 * DAY_MS, { temperatures: warm(21, 4) }))).toEqual({
      rule: 'equivalent',
      verdict: 'wait',
      sentence: 'Cured 4.0 of 10 days at 21\u00a0°C',
      untilMs: 10 * DAY_MS,
      sure: 'forecast',
      done: 0.4,
    });
  });
  test('in warm air gains, in cool air costs', () => {
    expect(evaluateRule(cure, at(4 * DAY_MS, { temperatures: warm(31, 4) })).sentence).toBe(
      'Cured 8.0 of 10 days at 21\u00a0°C; warm air gained 4.0 days',
    );
    expect(evaluateRule(cure, at(4 * DAY_MS, { temperatures: warm(11, 4) })).sentence).toBe(
      'Cured 2.0 of 10 days at 21\u00a0°C; cool air cost 2.0 days',
    );
    const hardly = evaluateRule(cure, at(DAY_MS, { temperatures: warm(22, 1) })).sentence;
    expect(hardly).toBe('Cured 1.1 of 10 days at 21\u00a0°C');
  });
  test('done is done', () => {
    expect(evaluateRule(cure, at(10 * DAY_MS, { temperatures: warm(21, 10) }))).toEqual({
      rule: 'equivalent',
      verdict: 'pass',
      sentence: 'Cured 10.0 of 10 days at 21\u00a0°C',
      done: 1,
    });
  });
  test('goes on at the pace of the last fortnight', () => {
    const cooled = [...warm(31, 1).slice(0, 24), ...warm(11, 40).slice(24)];
    const finding = evaluateRule({ ...cure, minimumDays: 30 }, at(20 * DAY_MS, { temperatures: cooled }));
    // One warm day and nineteen cool ones: 2 + 9.5 of 30; 18.5 left at half the pace.
    expect(finding).toMatchObject({ untilMs: (20 + 37) * DAY_MS });
  });
  test('in a room too cold for it never ends', () => {
    const finding = evaluateRule(cure, at(4 * DAY_MS, { temperatures: warm(5, 4) }));
    expect(finding).toEqual({
      rule: 'equivalent',
      verdict: 'wait',
      sentence: 'Cured 0.0 of 10 days at 21\u00a0°C; cool air cost 4.0 days; this room is too cold for it to cure',
      done: 0,
    });
  });
  test('stands while its sensor is silent, and what it missed does not count', () => {
    const until = warm(21, 4);
    expect(evaluateRule(cure, at(10 * DAY_MS, { temperatures: until }))).toEqual({
      rule: 'equivalent',
      verdict: 'wait',
      sentence:
        'Cured 4.3 of 10 days at 21\u00a0°C; 5 d 18 h without a reading of the room do not count; the clock stands until its sensor is heard again',
      done: 0.425,
    });
    const again = [...until, ...warm(21, 12).slice(9 * 24)];
    const heard = evaluateRule(cure, at(10 * DAY_MS, { temperatures: again }));
    expect(heard.sentence).toBe('Cured 5.3 of 10 days at 21\u00a0°C; 4 d 18 h without a reading of the room do not count');
    expect(heard.untilMs).toBeCloseTo(10 * DAY_MS + 4.75 * DAY_MS, -3);
  });
  test('of which nobody knows the start or the air waits', () => {
    expect(evaluateRule(cure, { nowMs: 0, temperatures: [] })).toMatchObject({
      verdict: 'wait',
      sentence: 'Cured: the cure clock has not been started',
    });
    for (const evidence of [{}, { temperatures: [] }, { temperatures: [{ atMs: 9 * DAY_MS, tempC: 21 }] }])
      expect(evaluateRule(cure, at(8 * DAY_MS, evidence))).toMatchObject({
        verdict: 'wait',
        sentence: 'Cured: nobody could say how warm it has been',
      });
    expect(ruleInWords(cure)).toBe('Cured 10 days at 21\u00a0°C');
  });
});
