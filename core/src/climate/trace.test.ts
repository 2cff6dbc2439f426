import { describe, expect, test } from '@jest/globals';
import { WallClock } from '../maths/index.ts';
import { DAY_MS, HOUR_MS } from '../units/index.ts';
import {
  emcAt,
  emcDriftPct,
  emcTrace,
  equilibriumMoisturePct,
  findExcursions,
  guessLoggerColumns,
  meanEmcPct,
  readLogger,
  type EmcTrace,
} from './index.ts';

const sample = (hours: number, relativeHumidity: number) => ({ atMs: hours * HOUR_MS, tempC: 21, relativeHumidity });
const trace = (emc: readonly number[]): EmcTrace => ({ fromMs: 0, stepMs: HOUR_MS, emcPct: Float64Array.from(emc), gaps: [] });
const BAND = { low: 7.5, high: 9.5 };

describe('a trace', () => {
  test('takes irregular samples to an even grid by straight lines', () => {
    const made = emcTrace([sample(0, 0.4), sample(1.5, 0.4), sample(4, 0.5)], 0, 4 * HOUR_MS);
    const [dry, damp] = [equilibriumMoisturePct(21, 0.4), equilibriumMoisturePct(21, 0.5)];
    expect([...made.emcPct].map((e) => Number(e.toFixed(6)))).toEqual(
      [dry, dry, dry + (damp - dry) * (1 / 2.5), dry + (damp - dry) * (2 / 2.5)].map((e) => Number(e.toFixed(6))),
    );
    expect(made.gaps).toEqual([]);
  });
  test('keeps the nearest sample beyond the first and the last, and tells the silence', () => {
    const made = emcTrace([sample(10, 0.4), sample(20, 0.4)], 0, 40 * HOUR_MS);
    expect(new Set(made.emcPct).size).toBe(1);
    expect(made.gaps).toEqual([
      { fromMs: 0, toMs: 10 * HOUR_MS },
      { fromMs: 10 * HOUR_MS, toMs: 20 * HOUR_MS },
      { fromMs: 20 * HOUR_MS, toMs: 40 * HOUR_MS },
    ]);
  });
  test('has a mean of any part, and the nearest value where there is none', () => {
    const steps = trace([6, 8, 10, 12]);
    expect(meanEmcPct(steps, HOUR_MS, 3 * HOUR_MS)).toBe(9);
    expect(meanEmcPct(steps, 9 * HOUR_MS, 12 * HOUR_MS)).toBe(12);
    expect([emcAt(steps, -5), emcAt(steps, 2.5 * HOUR_MS), emcAt(steps, DAY_MS)]).toEqual([6, 10, 12]);
  });
  test('tells how far a month strays from the fortnight before it', () => {
    expect(emcDriftPct(trace(Array.from({ length: 200 * 24 }, () => 8)), 14 * DAY_MS, 30 * DAY_MS)).toBe(0);
    // A steady rise of 0.01 a day: the month's middle lies 22 days after the fortnight's.
    const rising = trace(Array.from({ length: 200 * 24 }, (_, i) => 8 + (0.01 * i) / 24));
    expect(emcDriftPct(rising, 14 * DAY_MS, 30 * DAY_MS)).toBeCloseTo(0.22, 6);
    expect(emcDriftPct(trace([8, 8]), 14 * DAY_MS, 30 * DAY_MS, 0.4)).toBe(0.4);
  });
});

describe('excursions', () => {
  test.each([
    ['two hours out are forgiven', [8, 9.6, 9.6, 8], []],
    ['three are told', [8, 9.6, 9.9, 9.6, 8], [{ kind: 'too wet', fromMs: HOUR_MS, toMs: 4 * HOUR_MS, worstPct: 9.9 }]],
    ['one that lasts', [8, 7, 6.5, 7], [{ kind: 'too dry', fromMs: HOUR_MS, toMs: 4 * HOUR_MS, worstPct: 6.5 }]],
    ['the edges of the band are in it', [7.5, 7.5, 7.5, 7.5, 9.5, 9.5, 9.5], []],
  ])('%s', (_, emc, found) => {
    expect(findExcursions(trace(emc), BAND)).toEqual(found);
  });
  test('from dry straight to wet are two', () => {
    expect(findExcursions(trace([6, 6, 6, 11, 11, 11]), BAND).map((e) => e.kind)).toEqual(['too dry', 'too wet']);
  });
});

describe('wall clocks', () => {
  const vienna = new WallClock('Europe/Vienna');
  const at = (iso: string) => Date.parse(iso);
  test.each([
    ['2026-01-15T12:00Z', 1],
    ['2026-07-15T12:00Z', 2],
    ['2026-03-29T00:59Z', 1],
    ['2026-03-29T01:00Z', 2],
    ['2026-10-25T00:59Z', 2],
    ['2026-10-25T01:00Z', 1],
  ])('at %s are %i h ahead', (iso, hours) => {
    expect(vienna.offsetMs(at(iso))).toBe(hours * HOUR_MS);
  });
  test('skip an hour in spring and show one twice in autumn', () => {
    expect(vienna.instantsOf(at('2026-03-29T02:30Z'))).toEqual([]);
    expect(vienna.instantsOf(at('2026-10-25T02:30Z'))).toEqual([at('2026-10-25T00:30Z'), at('2026-10-25T01:30Z')]);
    expect(vienna.instantsOf(at('2026-06-01T08:00Z'))).toEqual([at('2026-06-01T06:00Z')]);
  });
  test('shown twice are read in the order they were written', () => {
    const { atMs, clock } = vienna.instants(['25.10.2026 1:30', '25.10.2026 2:30', '25.10.2026 2:30', '25.10.2026 3:30']);
    expect(atMs.map((ms) => (ms === null ? null : new Date(ms).toISOString().slice(11, 16)))).toEqual(['23:30', '00:30', '01:30', '02:30']);
    expect(clock).toBe('local');
  });
  test('that tell the skipped hour kept standard time', () => {
    const { atMs, clock } = vienna.instants(['2026-03-29 01:30', '2026-03-29 02:30', '2026-03-29 03:30']);
    expect(clock).toBe('standard');
    expect(atMs.slice(1).map((ms, i) => (ms ?? 0) - (atMs[i] ?? 0))).toEqual([HOUR_MS, HOUR_MS]);
  });
  test.each([
    [['2026-03-01T10:00:00Z', '2026-03-01T12:00+01:00'], null, false],
    [['13/2/2026 10:00', '1/3/2026 10:00'], 'D/M/YYYY H:m', false],
    [['2/13/2026 10:00', '3/1/2026 10:00'], 'M/D/YYYY H:m', false],
    [['2/3/2026 10:00 PM'], 'D/M/YYYY h:m A', true],
    [['01/03/2026 08:05', '13/03/2026 00:30'], 'D/M/YYYY H:m', false],
    [['2026-03-01T00:00', '2026-03-01 09:05'], 'YYYY-M-D H:m', false],
    [['nonsense', ''], null, false],
  ])('%j are read as %s', (texts, format, ambiguous) => {
    expect(vienna.instants(texts)).toMatchObject({ format, ambiguous });
  });
});

describe('a logger’s file', () => {
  const NOW = Date.parse('2026-12-01T00:00Z');
  const read = (csv: string) => {
    const [header = [], ...rows] = csv.split('\n').map((line) => line.split(';'));
    const columns = guessLoggerColumns(header, rows);
    if (!columns) throw new Error('No columns');
    return { columns, ...readLogger(header, rows, columns, { timeZone: 'Europe/Vienna' }, NOW) };
  };
  test('with a clock change and a gap keeps both apart', () => {
    const { samples, gaps, clockChanges, clock } = read(
      'Date/Time;Temp °C;RH %\n25.10.2026 1:50;20,5;44\n25.10.2026 2:50;20,6;45\n25.10.2026 2:20;20,6;45\n25.10.2026 12:00;20,4;46',
    );
    expect(clock).toBe('local');
    expect(samples.map((s) => new Date(s.atMs).toISOString().slice(11, 16))).toEqual(['23:50', '00:50', '01:20', '11:00']);
    expect(clockChanges).toHaveLength(1);
    expect(gaps.map((g) => (g.toMs - g.fromMs) / HOUR_MS)).toEqual([9 + 40 / 60]);
  });
  test('in Fahrenheit and fractions is told by its values', () => {
    const { columns, samples } = read('time;temperature;humidity\n2026-05-01 08:00;69.8;0.45\n2026-05-01 09:00;70.7;0.46');
    expect(columns).toMatchObject({ tempUnit: 'F', humidityUnit: 'fraction' });
    expect(samples[0]).toMatchObject({ tempC: expect.closeTo(21, 6), relativeHumidity: 0.45 });
  });
  test('tells each line it cannot read, and why', () => {
    const { lines, samples } = read(
      [
        'time;temp;rh',
        '2026-05-01 08:00;21;45',
        '2026-05-01 08:00;21;45',
        'yesterday;21;45',
        '2026-05-01 10:00;warm;45',
        '2026-05-01 11:00;21;',
        '2026-05-01 12:00;21;140',
        '2026-05-01 13:00;140;45',
        '2027-05-01 13:00;21;45',
        '2026-05-01 14:00;−2.5 °C;45 %',
      ].join('\n'),
    );
    expect(lines.map((l) => l.problem)).toEqual([
      null,
      'The same time again',
      '"yesterday" is not a time, or not one that was',
      '"warm" is not a temperature',
      '"" is not a humidity',
      '140 % is no humidity',
      '140.0 °C is no air wood lies in',
      'The time lies in the future',
      null,
    ]);
    expect(lines.at(-1)?.line).toBe(10);
    expect(samples.at(-1)?.tempC).toBe(-2.5);
  });
  test('without its columns cannot be guessed', () => {
    expect(guessLoggerColumns(['a', 'b'], [])).toBeUndefined();
  });
});
