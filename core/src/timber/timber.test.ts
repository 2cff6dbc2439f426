import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { worst } from '../ledger/index.ts';
import { DAY_MS } from '../units/index.ts';
import {
  correctedMoisturePct,
  pinlessMoisturePct,
  readSession,
  DEFAULT_MOISTURE_GATE,
  dryThrough,
  fitDrying,
  forecastLot,
  judgeLot,
  moistureFromMassPct,
  movementMm,
  parseReadings,
  priorDryingRatePerDay,
  SPECIES,
  speciesIn,
  shopBand,
  type LotEvidence,
} from './index.ts';

describe('pin-meter correction', () => {
  test.each([
    [20, 9.99],
    [5, 11.27],
    [35, 8.88],
  ])('a reading of 10 at %f °C is %f %%', (woodTempC, expected) => {
    expect(correctedMoisturePct(10, woodTempC)).toBeCloseTo(expected, 2);
  });
  test('a species coefficient divides, an offset subtracts', () => {
    const plain = correctedMoisturePct(10, 20);
    expect(correctedMoisturePct(10, 20, { a: 1.1, b: 0.5 })).toBeCloseTo((plain - 0.5) / 1.1, 9);
  });
  test.each([-3, 140, 1.9, NaN])('a reading of %f is no reading', (raw) => {
    expect(() => correctedMoisturePct(raw, 20)).toThrow(RangeError);
  });
  test.each([0, -1, NaN])('a slope of %f says nothing', (a) => {
    expect(() => correctedMoisturePct(10, 20, { a, b: 0 })).toThrow(/slope above zero/);
  });
  test('what comes to less than none is refused, and told word by word in a session', () => {
    expect(() => correctedMoisturePct(3, 20, { a: 1, b: 12 })).toThrow(/less than none/);
    expect(() => pinlessMoisturePct(3, 4)).toThrow(/less than none/);
    expect(pinlessMoisturePct(4, 4)).toBe(0);
    const { readings, problems } = readSession('pinless', '9.5 3 8', {
      woodTempC: 20,
      samples: {},
      species: { a: 1, b: 0, densityOffsetPct: 4 },
    });
    expect(readings.map((r) => r.correctedPct)).toEqual([5.5, 4]);
    expect(problems).toEqual([{ index: 1, word: '3', message: expect.stringMatching(/less than none/) }]);
  });
  test('rises with the reading and falls with temperature', () => {
    fc.assert(
      fc.property(fc.double({ min: 4, max: 27, noNaN: true }), fc.double({ min: 0, max: 40, noNaN: true }), (raw, t) => {
        expect(correctedMoisturePct(raw + 0.5, t)).toBeGreaterThan(correctedMoisturePct(raw, t));
        expect(correctedMoisturePct(raw, t + 1)).toBeLessThan(correctedMoisturePct(raw, t));
      }),
    );
  });
});

test('the oven test gives moisture on the dry basis', () => {
  expect(moistureFromMassPct(112, 100)).toBeCloseTo(12, 9);
  expect(() => moistureFromMassPct(10, 0)).toThrow(RangeError);
});

describe('typed readings', () => {
  test('are read as people say them', () => {
    expect(parseReadings('8.4 8,6 9.1; C9.6%')).toEqual({
      readings: [
        { depth: 'shell', rawPct: 8.4 },
        { depth: 'shell', rawPct: 8.6 },
        { depth: 'shell', rawPct: 9.1 },
        { depth: 'core', rawPct: 9.6 },
      ],
      problems: [],
    });
  });
  test('what cannot be read is named, word by word', () => {
    const { readings, problems } = parseReadings('8.4 eight -3 140');
    expect(readings).toHaveLength(1);
    expect(problems.map((p) => p.message)).toEqual([
      '"eight" is not a reading',
      '"-3" is not a reading',
      '140 % is outside what a meter shows (2–100 %)',
    ]);
  });
  test('no text makes it throw, and every word is accounted for', () => {
    fc.assert(
      fc.property(fc.string(), (text) => {
        const { readings, problems } = parseReadings(text);
        expect(readings.length + problems.length).toBe(text.split(/[\s;]+/).filter((w) => w !== '').length);
      }),
    );
  });
});

describe('drying', () => {
  test('the prior slows with thickness to the power 1.5', () => {
    const thin = priorDryingRatePerDay(speciesIn(SPECIES, 'mahogany'), 25) ?? NaN;
    expect(priorDryingRatePerDay(speciesIn(SPECIES, 'mahogany'), 100)).toBeCloseTo(thin / 8, 9);
    expect(() => priorDryingRatePerDay(speciesIn(SPECIES, 'mahogany'), 0)).toThrow(RangeError);
  });
  const lot = (meanPct: number, emcPct: number, driftPct = 0) => {
    const trace = { fromMs: 0, stepMs: DAY_MS / 24, emcPct: new Float64Array(24).fill(emcPct), gaps: [] };
    const fit = { ...fitDrying([{ atMs: 0, meanPct, errorPct: 1e-6 }], trace, { ratePerDay: 0.03, logSd: 0.2 }), slab: 0 };
    return forecastLot(fit, trace, { nowMs: 0, band: { low: 7.5, high: 9.5 }, ahead: { emcPct, driftPct, season: null }, pieceSdPct: 0 });
  };
  const days = (ms: number | null) => (ms === null ? null : ms / DAY_MS);
  test('days to the band follow the exponential', () => {
    // 12 → 9.5 towards 8.5 at 0.03 a day: ln(3.5/1)/0.03
    expect(days(lot(12, 8.5).ready.likelyMs)).toBeCloseTo(Math.log(3.5) / 0.03, 1);
    expect(lot(12, 8.5)).toMatchObject({ kind: 'on its way', pastBandMs: null });
  });
  test('the interval’s dates are where the fan’s edges cross the band', () => {
    const { ready, fan } = lot(12, 8.5, 0.3);
    const at = (edge: 'lowPct' | 'highPct') => fan.find((p) => p[edge] <= 9.5)?.atMs ?? Infinity;
    expect(at('lowPct')).toBeGreaterThanOrEqual(ready.earlyMs ?? Infinity);
    expect(at('lowPct') - (ready.earlyMs ?? 0)).toBeLessThanOrEqual(2 * DAY_MS);
    expect(at('highPct')).toBeGreaterThanOrEqual(ready.lateMs ?? Infinity);
    expect(ready.earlyMs).toBeLessThan(ready.likelyMs ?? 0);
    expect(ready.lateMs).toBeGreaterThan(ready.likelyMs ?? Infinity);
  });
  test('in band is in band; a room outside the band never gets there', () => {
    expect(lot(9, 8.5)).toMatchObject({ kind: 'in band', ready: { earlyMs: 0, likelyMs: 0, lateMs: 0 } });
    expect(lot(12, 11)).toMatchObject({ kind: 'not in this room', ready: { likelyMs: null }, piecesReadyMs: null });
  });
  test('wood that is too dry takes moisture up', () => {
    expect(days(lot(5, 8.5).ready.likelyMs)).toBeCloseTo(Math.log(3.5) / 0.03, 1);
  });
  test('a room drier than the band passes through it, and says when', () => {
    const { kind, ready, pastBandMs } = lot(12, 6.5);
    expect(kind).toBe('on its way');
    expect(days(ready.likelyMs)).toBeCloseTo(Math.log(5.5 / 3) / 0.03, 1);
    expect(days(pastBandMs)).toBeCloseTo(Math.log(5.5 / 1) / 0.03, 1);
  });
  test('hour by hour in a steady room equals the closed form', () => {
    const hours = Array.from({ length: 240 }, () => 8.5);
    expect(dryThrough(12, 0.03, hours)).toBeCloseTo(8.5 + 3.5 * Math.exp(-0.3), 9);
  });
});

test('a mahogany top of 330 mm moves by the handbook’s coefficient', () => {
  expect(movementMm(330, 0.00238, 8.5, 6)).toBeCloseTo(-1.9635, 4);
  expect(movementMm(330, 0.00238, 8.5, 5)).toBeCloseTo(-2.7489, 4);
  expect(() => movementMm(330, 0.00238, 8.5, 30)).toThrow(RangeError);
});

describe('release gate', () => {
  const nowMs = 100 * DAY_MS;
  const band = shopBand(8.5, 1);
  const evidence = (over: Partial<LotEvidence> = {}): LotEvidence => ({
    nowMs,
    receivedMs: 40 * DAY_MS,
    thicknessMm: 50,
    volumeM3: 0.2,
    readings: [8.4, 8.6, 8.5, 8.7]
      .map((correctedPct) => ({ correctedPct, depth: 'shell' as const }))
      .concat([{ correctedPct: 9, depth: 'core' as never }]),
    series: [
      { atMs: nowMs - 20 * DAY_MS, value: 9 },
      { atMs: nowMs, value: 8.6 },
    ],
    papers: 'not needed',
    ...over,
  });
  const shell = (...values: number[]) => [
    ...values.map((correctedPct) => ({ correctedPct, depth: 'shell' as const })),
    { correctedPct: 9, depth: 'core' as const },
  ];
  const verdict = (over: Partial<LotEvidence>, settings = DEFAULT_MOISTURE_GATE) => worst(judgeLot(evidence(over), band, settings));

  test('dry, even, settled wood passes', () => {
    expect(verdict({})).toBe('pass');
  });
  test.each([
    ['at the top of the band', 9.5, 'pass'],
    ['just above it', 9.51, 'stop'],
    ['at its bottom', 7.5, 'pass'],
    ['just below it', 7.49, 'stop'],
  ])('a reading %s', (_, value, expected) => {
    expect(verdict({ readings: shell(8.6, 8.6, 8.6, value) })).toBe(expected);
  });
  test('too wet and too dry say what they do', () => {
    const sentence = (value: number) =>
      judgeLot(evidence({ readings: shell(8.5, 8.5, 8.5, value) }), band, DEFAULT_MOISTURE_GATE)[0]?.remedy;
    expect(sentence(11)).toMatch(/shrink/);
    expect(sentence(6)).toMatch(/swell/);
  });
  test.each([
    ['too few readings', { readings: shell(8.5) }, 'wait'],
    ['spread of exactly 2 points', { readings: shell(7.5, 9.5, 8.5, 8.5) }, 'pass'],
    ['no core reading', { readings: shell(8.5, 8.5, 8.5, 8.5, 8.5).slice(0, 5) }, 'wait'],
    ['one session only', { series: [{ atMs: nowMs, value: 8.5 }] }, 'wait'],
    [
      'still falling',
      {
        series: [
          { atMs: nowMs - 10 * DAY_MS, value: 9.2 },
          { atMs: nowMs, value: 8.6 },
        ],
      },
      'wait',
    ],
    ['papers missing', { papers: 'missing' as const }, 'stop'],
    ['papers present', { papers: 'present' as const }, 'pass'],
  ])('%s', (_, over, expected) => {
    expect(verdict(over)).toBe(expected);
  });
  test('a core far wetter than the shell stops it', () => {
    const readings = [...shell(7.6, 7.6, 7.6, 7.6).slice(0, 4), { correctedPct: 9.3, depth: 'core' as const }];
    expect(verdict({ readings })).toBe('stop');
  });
  test('the calendar school asks only for time', () => {
    const calendar = { ...DEFAULT_MOISTURE_GATE, school: 'calendar' as const };
    expect(verdict({ readings: [], series: [] }, calendar)).toBe('pass');
    expect(verdict({ receivedMs: nowMs - 10 * DAY_MS }, calendar)).toBe('wait');
  });
  test('both schools ask for both', () => {
    const both = { ...DEFAULT_MOISTURE_GATE, school: 'both' as const };
    expect(verdict({}, both)).toBe('pass');
    expect(verdict({ receivedMs: nowMs - 10 * DAY_MS }, both)).toBe('wait');
  });
});
