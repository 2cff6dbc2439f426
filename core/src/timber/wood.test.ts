import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { equilibriumMoisturePct } from '../climate/index.ts';
import { outliers, seededRandom } from '../maths/index.ts';
import { worst } from '../ledger/index.ts';
import { DAY_MS } from '../units/index.ts';
import {
  allotByWeight,
  bandOf,
  checkKiln,
  coverOf,
  DEFAULT_MOISTURE_GATE,
  dryMassG,
  judgeLot,
  KILN_SCHEDULES,
  kilnDaysLeft,
  kilnStages,
  moistureFromMassPct,
  movement,
  pinlessMoisturePct,
  predictedWeightG,
  rateAtTempPerDay,
  readingsNeeded,
  rulesFor,
  settledDensity,
  SPECIES,
  speciesIn,
  stepEmcPct,
  type WeighedBlank,
  type WeightSlot,
} from './index.ts';

describe('weights as moisture', () => {
  test('a sample board’s dry mass gives its moisture at any later mass', () => {
    const dry = dryMassG(1190, 19);
    expect(dry).toBeCloseTo(1000, 9);
    expect(moistureFromMassPct(1085, dry)).toBeCloseTo(8.5, 9);
    fc.assert(
      fc.property(fc.double({ min: 100, max: 5000, noNaN: true }), fc.double({ min: 0, max: 120, noNaN: true }), (mass, pct) => {
        expect(moistureFromMassPct(mass, dryMassG(mass, pct))).toBeCloseTo(pct, 6);
      }),
    );
  });
  test.each([
    [0, 10],
    [100, -1],
    [100, 250],
    [NaN, 10],
  ])('refuses %f g at %f %%', (mass, pct) => {
    expect(() => dryMassG(mass, pct)).toThrow(RangeError);
  });
  test('a pinless meter’s reading is less what dense wood adds', () => {
    expect(pinlessMoisturePct(11, 1.5)).toBe(9.5);
    expect(() => pinlessMoisturePct(140, 0)).toThrow(RangeError);
  });
});

describe('outliers', () => {
  test.each([
    [[8.4, 8.6, 8.5, 8.7, 12.9], [4]],
    [[8.4, 8.6, 8.5, 8.7, 8.3], []],
    [[8.4, 12], []],
    [[8, 8, 8, 8, 8.1], []],
    [[8, 8, 8, 8, 10], [4]],
  ])('of %j', (values, found) => {
    expect(outliers(values, 0.3)).toEqual(found);
  });
});

describe('rules', () => {
  const factory = {
    gate: DEFAULT_MOISTURE_GATE,
    band: { school: 'shop' as const, halfWidthPct: 1, fixedLowPct: 8, fixedHighPct: 10 },
  };
  const own = (use: 'top' | 'body' | null, form: string | null, fixedLowPct: number) => ({
    use,
    form,
    gate: DEFAULT_MOISTURE_GATE,
    band: { ...factory.band, school: 'fixed' as const, fixedLowPct, fixedHighPct: fixedLowPct + 2 },
  });
  const lowOf = (use: 'top' | 'body' | 'neck', form: string) =>
    bandOf(
      rulesFor({ use, form, thicknessMm: 50 }, factory, [own('top', null, 6), own(null, 'billets', 5), own('top', 'billets', 4)]).band,
      8.5,
    ).low;
  test('of the factory hold where no exception speaks', () => {
    expect(bandOf(rulesFor({ use: 'body', form: 'boards', thicknessMm: 50 }, factory, []).band, 8.5)).toEqual({ low: 7.5, high: 9.5 });
    expect(rulesFor({ use: 'body', form: 'boards', thicknessMm: 50 }, factory, []).of).toBe('the factory');
  });
  test('thick wood may be judged by rules of its own, the thickest by its nearest', () => {
    const thick = (fromMm: number | null, fixedLowPct: number) => ({ ...own(null, 'billets', fixedLowPct), fromMm });
    const of = (thicknessMm: number) => {
      const { band, of: whose } = rulesFor({ use: 'neck', form: 'billets', thicknessMm }, factory, [
        thick(null, 8),
        thick(60, 6),
        thick(90, 5),
      ]);
      return [bandOf(band, 8.5).low, whose];
    };
    expect([59, 60, 90].map(of)).toEqual([
      [8, 'billets for any use'],
      [6, 'billets for any use, from 60\u00a0mm'],
      [5, 'billets for any use, from 90\u00a0mm'],
    ]);
    expect(rulesFor({ use: 'top', form: 'boards', thicknessMm: 40 }, factory, [{ ...own(null, null, 4), fromMm: 40 }]).of).toMatch(
      /from 40\u00a0mm$/,
    );
  });
  test('the nearer exception wins: form before use, both before either', () => {
    expect([lowOf('neck', 'boards'), lowOf('top', 'boards'), lowOf('neck', 'billets'), lowOf('top', 'billets')]).toEqual([7.5, 6, 5, 4]);
  });
  test.each([
    [0.01, 5],
    [0.24, 5],
    [0.25, 6],
    [1, 9],
    [50, 20],
  ])('a lot of %f m³ needs %i readings', (m3, needed) => {
    expect(readingsNeeded(DEFAULT_MOISTURE_GATE, m3)).toBe(needed);
  });
  test('a large lot with a small lot’s readings waits', () => {
    const readings = [8.4, 8.6, 8.5, 8.7, 8.5]
      .map((correctedPct): { correctedPct: number; depth: 'shell' | 'core' } => ({ correctedPct, depth: 'shell' }))
      .concat({ correctedPct: 8.9, depth: 'core' });
    const nowMs = 100 * DAY_MS;
    const verdict = (volumeM3: number) =>
      worst(
        judgeLot(
          {
            nowMs,
            receivedMs: 0,
            thicknessMm: 50,
            volumeM3,
            readings,
            series: [nowMs - 15 * DAY_MS, nowMs].map((atMs) => ({ atMs, value: 8.5 })),
            papers: 'not needed',
          },
          { low: 7.5, high: 9.5 },
          DEFAULT_MOISTURE_GATE,
        ),
      );
    expect([verdict(0.4), verdict(0.6)]).toEqual(['pass', 'wait']);
  });
});

describe('a kiln schedule', () => {
  const [cabinet] = KILN_SCHEDULES;
  if (!cabinet) throw new Error('No schedule');
  test('of ours can be run', () => {
    expect(KILN_SCHEDULES.flatMap(checkKiln)).toEqual([]);
  });
  test('takes each step to the next one’s moisture in its own air', () => {
    const stages = kilnStages(cabinet, 15, 0.03);
    expect(stages.map((s) => [s.index, s.fromPct, s.toPct])).toEqual([
      [0, 15, 12],
      [1, 12, 8],
      [2, 8, 8],
    ]);
    const emc = equilibriumMoisturePct(30, 0.5);
    expect(stages[0]?.emcPct).toBe(emc);
    expect(stages[0]?.days).toBeCloseTo(Math.log((15 - emc) / (12 - emc)) / rateAtTempPerDay(0.03, 30), 9);
    expect(stages[2]?.days).toBe(1);
    expect(kilnDaysLeft(stages)).toBeCloseTo(
      stages.reduce((sum, s) => sum + (s.days ?? 0), 0),
      9,
    );
  });
  test('begins at the step the wood has come to', () => {
    expect(kilnStages(cabinet, 11, 0.03).map((s) => s.index)).toEqual([1, 2]);
    expect(kilnStages(cabinet, 7.9, 0.03).map((s) => s.index)).toEqual([2]);
  });
  test('that can never reach its end says which step', () => {
    const damp = { ...cabinet, steps: [{ fromPct: 20, tempC: 30, relativeHumidity: 0.9 }] };
    expect(checkKiln(damp).join()).toMatch(/Step 1 tends to \d+\.\d % and never reaches 8 %/);
    expect(kilnDaysLeft(kilnStages(damp, 15, 0.03))).toBeNull();
    expect(checkKiln({ ...cabinet, steps: [...cabinet.steps].reverse() }).join()).toMatch(/Step 1 begins at 12 %/);
    expect(checkKiln({ ...cabinet, steps: [] })).toEqual(['A schedule needs a step']);
    expect(checkKiln({ ...cabinet, conditioning: { tempC: 35, relativeHumidity: 0.2, hours: 4 } }).join()).toMatch(/dries on/);
  });
  test('doubles the rate with each 20 °C', () => {
    expect(rateAtTempPerDay(0.03, 21)).toBe(0.03);
    expect(rateAtTempPerDay(0.03, 61)).toBeCloseTo(0.12, 12);
    expect(stepEmcPct({ tempC: 43.3, relativeHumidity: 0.3 })).toBeCloseTo(5.6, 1);
  });
});

describe('movement', () => {
  test('of a 330 mm spruce top from the shop to a dry house', () => {
    // 330 · 0.00148 · (5 − 8.5), a point of it beyond what was measured: 15 % of 1.221 and 30 % of 0.4884.
    const moved = movement(speciesIn(SPECIES, 'Sitka spruce'), 'radial', 330, 8.5, 5);
    expect(moved.changeMm).toBeCloseTo(-1.7094, 6);
    expect(moved.giveOrTakeMm).toBeCloseTo(0.32967, 6);
    expect(moved.beyondPct).toBe(1);
    expect(movement(speciesIn(SPECIES, 'Sitka spruce'), 'radial', 330, 8.5, 6)).toMatchObject({
      beyondPct: 0,
      changeMm: expect.closeTo(-1.221, 6),
    });
    expect(moved.endangered.map((l) => l.id)).toEqual(['pocket', 'inlay', 'frets', 'cross']);
  });
  test('at a limit is not yet beyond it', () => {
    const limit = { id: 'x', name: 'X', limitMm: 330 * 0.00148, because: '' };
    expect(movement(speciesIn(SPECIES, 'Sitka spruce'), 'radial', 330, 8, 9, [limit]).endangered).toEqual([]);
    expect(movement(speciesIn(SPECIES, 'Sitka spruce'), 'radial', 331, 8, 9, [limit]).endangered).toEqual([limit]);
  });
  test('is nothing where nothing changes, and back is the same way', () => {
    expect(movement(speciesIn(SPECIES, 'mahogany'), 'tangential', 500, 9, 9).changeMm).toBe(0);
    expect(movement(speciesIn(SPECIES, 'mahogany'), 'tangential', 56, 8, 10).changeMm).toBeCloseTo(
      -movement(speciesIn(SPECIES, 'mahogany'), 'tangential', 56, 10, 8).changeMm,
      12,
    );
    expect(() => movement(speciesIn(SPECIES, 'ironwood'), 'radial', 10, 8, 9)).toThrow(RangeError);
  });
});

describe('cover', () => {
  const need = (day: number, volumeM3 = 1) => ({ atMs: day * DAY_MS, volumeM3 });
  const supply = (day: number | null, volumeM3 = 1) => ({ readyMs: day === null ? null : day * DAY_MS, volumeM3 });
  test('lasts until what is asked for is more than is ready by then', () => {
    const cover = coverOf([supply(-5, 2), supply(20, 1), supply(null, 9)], [need(3), need(8), need(15), need(25)], 0, 60);
    expect(cover).toMatchObject({ days: 15, shortMs: 15 * DAY_MS, shortM3: 1, buyByMs: -45 * DAY_MS, readyM3: 2, dryingM3: 10 });
  });
  test('counts wood that becomes ready on the day it is needed', () => {
    expect(coverOf([supply(10)], [need(10)], 0, 60)).toMatchObject({ days: null, shortM3: 0, buyByMs: null });
  });
  test('does not look past its horizon', () => {
    expect(coverOf([], [need(400)], 0, 60).shortMs).toBeNull();
    expect(coverOf([], [need(400)], 0, 60, 500).shortMs).toBe(400 * DAY_MS);
  });
});

describe('allotment by weight', () => {
  const blank = (id: string, massG: number, over: Partial<WeighedBlank> = {}): WeighedBlank => ({
    id,
    kind: 'mahogany body',
    massG,
    volumeCm3: 5000,
    moisturePct: 8.5,
    look: 'clear',
    reservedFor: null,
    ...over,
  });
  const slot = (id: string, over: Partial<WeightSlot> = {}): WeightSlot => ({
    id,
    kind: 'mahogany body',
    orderId: null,
    finish: 'solid',
    lowG: 3300,
    highG: 3700,
    partVolumeCm3: 3000,
    otherMassG: 1800,
    ...over,
  });
  test('weighs at the shop’s moisture', () => {
    expect(settledDensity(blank('a', 2800, { moisturePct: 12 }), 8.5)).toBeCloseTo((2800 / 1.12) * (1.085 / 5000), 12);
    expect(predictedWeightG(blank('a', 2500), slot('1'), 8.5)).toBeCloseTo(0.5 * 3000 + 1800, 9);
  });
  test('gives the light bodies to those that must be light', () => {
    const blanks = [blank('heavy', 3100), blank('light', 2200)];
    const slots = [slot('heavy ok', { highG: 4000 }), slot('light', { lowG: 3000, highG: 3300 })];
    const { allotted, inBandAsTheyCome } = allotByWeight(blanks, [...slots].reverse(), 8.5);
    expect(Object.fromEntries(allotted.map((a) => [a.slotId, a.blankId]))).toEqual({ light: 'light', 'heavy ok': 'heavy' });
    expect(allotted.every((a) => a.inBand)).toBe(true);
    expect(inBandAsTheyCome).toBe(0);
  });
  test('never takes what is kept for another order, even if a slot goes without', () => {
    const { allotted, unmet, left } = allotByWeight([blank('a', 2800, { reservedFor: 'O7' })], [slot('1', { orderId: 'O8' })], 8.5);
    expect({ allotted, unmet, left }).toEqual({ allotted: [], unmet: ['1'], left: ['a'] });
    expect(allotByWeight([blank('a', 2800, { reservedFor: 'O7' })], [slot('1', { orderId: 'O7' })], 8.5).allotted).toHaveLength(1);
  });
  test('keeps the better look for clear finishes', () => {
    const blanks = [blank('fine', 2800), blank('plain', 2800, { look: 'solid' })];
    const { allotted } = allotByWeight(blanks, [slot('solid'), slot('clear', { finish: 'clear' })], 8.5);
    expect(Object.fromEntries(allotted.map((a) => [a.slotId, a.blankId]))).toEqual({ solid: 'plain', clear: 'fine' });
    expect(allotByWeight([blank('plain', 2800, { look: 'solid' })], [slot('clear', { finish: 'clear' })], 8.5).unmet).toEqual(['clear']);
  });
  test('says what chambering would bring a heavy one down', () => {
    const [only] = allotByWeight([blank('a', 4000)], [slot('1')], 8.5).allotted;
    // 0.8 · 3000 + 1800 = 4200; to 3500 takes 700 g of 0.8 g/cm³.
    expect(only).toMatchObject({ inBand: false });
    expect(only?.chamberCm3).toBeCloseTo(875, 6);
  });
  test('is never worse than taking them as they come, and takes each blank once', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1e6 }), (seed) => {
        const random = seededRandom(seed);
        const blanks = Array.from({ length: random.integer(1, 12) }, (_, i) =>
          blank(`b${i}`, random.normal(2700, 300), {
            look: random.chance(0.5) ? 'clear' : 'solid',
            reservedFor: random.chance(0.2) ? 'O1' : null,
          }),
        );
        const slots = Array.from({ length: random.integer(1, 12) }, (_, i) =>
          slot(`s${i}`, { orderId: random.chance(0.3) ? 'O1' : null, finish: random.chance(0.5) ? 'clear' : 'solid' }),
        );
        const result = allotByWeight(blanks, slots, 8.5);
        expect(new Set(result.allotted.map((a) => a.blankId)).size).toBe(result.allotted.length);
        expect(result.allotted.length + result.unmet.length).toBe(slots.length);
        expect(result.allotted.length + result.left.length).toBe(blanks.length);
        expect(result.allotted.filter((a) => a.inBand).length).toBeGreaterThanOrEqual(result.inBandAsTheyCome);
      }),
    );
  });
});
