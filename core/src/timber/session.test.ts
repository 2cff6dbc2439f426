import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { correctedMoisturePct, METHODS, readSession, SESSION_HINTS, type Method } from './index.ts';

const read = (method: Method, text: string, samples: Record<string, number> = {}, woodTempC = 20) =>
  readSession(method, text, { woodTempC, samples });

describe('a session typed as it is said', () => {
  test('through pins is corrected for temperature', () => {
    const { readings, problems } = read('pin', '10 c10', {}, 5);
    expect(problems).toEqual([]);
    expect(readings).toEqual([
      { depth: 'shell', rawPct: 10, correctedPct: 11.27 },
      { depth: 'core', rawPct: 10, correctedPct: 11.27 },
    ]);
  });
  test('through pins and a plate is corrected for the species', () => {
    const species = { a: 1.1, b: 0.5, densityOffsetPct: 1.5 };
    const by = (method: Method) => readSession(method, '10', { woodTempC: 20, samples: {}, species }).readings[0]?.correctedPct;
    expect(by('pin')).toBeCloseTo(correctedMoisturePct(10, 20, species), 2);
    expect(by('pinless')).toBe(8.5);
  });
  test('at a temperature no wood has gives no readings', () => {
    expect(read('pin', '10', {}, 90).readings).toEqual([]);
  });
  test('in an oven keeps both masses', () => {
    expect(read('oven', '52,31/48.10 c60/50').readings).toEqual([
      { depth: 'shell', rawPct: 8.75, correctedPct: 8.75, massG: 52.31, dryMassG: 48.1 },
      { depth: 'core', rawPct: 20, correctedPct: 20, massG: 60, dryMassG: 50 },
    ]);
  });
  test('on a sample board begins it once, and weighs it after', () => {
    const begun = read('sample board', 's1=1190@19');
    expect(begun.samples).toEqual({ S1: 1000 });
    expect(begun.readings[0]).toMatchObject({ correctedPct: 19, massG: 1190, dryMassG: 1000 });
    expect(read('sample board', 'S1=1085', begun.samples)).toMatchObject({ samples: {}, readings: [{ correctedPct: 8.5 }] });
  });
  test('a board may be begun and weighed in one line, and begun anew', () => {
    expect(read('sample board', 'S1=1190@19 S1=1150', { S1: 500 }).readings.map((r) => r.correctedPct)).toEqual([19, 15]);
  });
  test.each<[Method, string, string]>([
    ['oven', '50', '"50" is not wet/dry grams'],
    ['oven', '50/0', '"50/0" is not wet/dry grams'],
    ['oven', '40/50', 'It cannot weigh less than it does dry'],
    ['oven', '400/50', '700 % is more than wood holds'],
    ['sample board', '1190', '"1190" is not a board and its grams'],
    ['sample board', 'S1=0@10', 'S1 weighs nothing'],
    ['sample board', 'S1=1000@300', '300 % is more than wood holds'],
    ['sample board', 'S9=1000', 'S9 has not been begun: type its moisture too, S9=1000@19'],
    ['pin', '140', '140 % is outside what a meter shows (2–100 %)'],
  ])('%s: "%s" is told', (method, text, message) => {
    expect(read(method, text).problems.map((p) => p.message)).toEqual([message]);
  });
  test('never throws, whatever is typed, and tells each word once', () => {
    fc.assert(
      fc.property(fc.constantFrom(...METHODS), fc.string({ maxLength: 60 }), (method, text) => {
        const { readings, problems } = read(method, text, { S1: 1000 });
        expect(readings.length + problems.length).toBe(text.split(/[\s;]+/).filter((w) => w !== '').length);
      }),
    );
  });
  test('every method says what to type, and its own example is understood', () => {
    for (const method of METHODS) expect(SESSION_HINTS[method]).not.toBe('');
    expect(read('oven', '52.31/48.10 51.2/47.1').problems).toEqual([]);
    expect(read('sample board', 'S1=1190@19').problems).toEqual([]);
  });
});
