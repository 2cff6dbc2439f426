import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { Batch, Piece } from '../batches/index.ts';
import type { Route } from '../routing/index.ts';
import {
  checkDigit,
  checkSerialPattern,
  clearanceMm,
  decideFitting,
  formatSerial,
  proposePairs,
  sequencePeriod,
  sequenceStartMs,
  takesNecks,
} from './index.ts';
import { step } from '../test/parts.ts';

const at = (iso: string) => Date.parse(iso);

describe('serial patterns', () => {
  test.each([
    ['{YY}{DDD}{MODEL}{SEQ3}', 'day', 0],
    ['{YY}{MODEL}{SEQ4}', 'day', 1],
    ['{YYYY}-{SEQ5}', 'year', 0],
    ['{MODEL}{SEQ5}', 'year', 1],
    ['{GG}{WW}{SEQ3}', 'week', 0],
    ['{YY}{WW}{SEQ3}', 'week', 1],
    ['{SEQ6}{CHECK}', 'never', 0],
    ['{CHECK}{SEQ6}', 'never', 1],
    ['{YY}{DDD}', 'day', 1],
    ['{SEQ3}{SEQ3}', 'never', 1],
    ['{WHAT}{SEQ3}', 'never', 1],
    ['no {SEQ3}', 'never', 1],
  ] as const)('%s per %s has %i problems', (template, reset, problems) => {
    expect(checkSerialPattern({ template, reset })).toHaveLength(problems);
  });
  test('a serial carries the factory’s own date', () => {
    const given = { atMs: at('2026-03-09T23:30:00Z'), modelCode: 'WS', sequence: 7 };
    const pattern = { template: '{YY}{DDD}{MODEL}{SEQ3}', reset: 'day' } as const;
    expect(formatSerial(pattern, { ...given, timeZone: 'UTC' })).toBe('26068WS007');
    expect(formatSerial(pattern, { ...given, timeZone: 'Europe/Berlin' })).toBe('26069WS007');
  });
  test('the year of a week is not always the year of the day', () => {
    const newYear = at('2027-01-01T12:00:00Z');
    expect(
      formatSerial({ template: '{GG}{WW}{SEQ2}', reset: 'week' }, { atMs: newYear, timeZone: 'UTC', modelCode: '', sequence: 1 }),
    ).toBe('265301');
    expect(sequencePeriod(newYear, 'UTC', 'week')).toBe('2026-W53');
  });
  test('a stretch of the sequence begins where another ends, in any zone, when clocks change too', () => {
    const moments = fc.integer({ min: at('2024-01-01T00:00:00Z'), max: at('2028-01-01T00:00:00Z') });
    const zones = fc.constantFrom('UTC', 'Europe/Berlin', 'America/New_York', 'Australia/Lord_Howe', 'Asia/Kathmandu');
    fc.assert(
      fc.property(moments, zones, fc.constantFrom('day', 'week', 'year'), (atMs, zone, reset) => {
        const period = (ms: number) => sequencePeriod(ms, zone, reset);
        const startMs = sequenceStartMs(atMs, zone, reset);
        expect(startMs).toBeLessThanOrEqual(atMs);
        expect([period(startMs), period(startMs - 1) === period(atMs)]).toEqual([period(atMs), false]);
      }),
    );
    expect(sequenceStartMs(at('2026-03-09T23:30:00Z'), 'UTC', 'never')).toBe(0);
  });
  test('a sequence that outgrows its digits is refused, not wrapped', () => {
    expect(() => formatSerial({ template: '{SEQ2}', reset: 'never' }, { atMs: 0, timeZone: 'UTC', modelCode: '', sequence: 100 })).toThrow(
      /does not fit/,
    );
  });
  test('the check digit is Luhn’s', () => {
    expect(checkDigit('7992739871')).toBe(3);
    expect(
      formatSerial({ template: '{SEQ9}{CHECK}', reset: 'never' }, { atMs: 0, timeZone: 'UTC', modelCode: '', sequence: 799_273_987 }),
    ).toMatch(/^799273987\d$/);
  });
  test('within a period no two serials are alike', () => {
    fc.assert(
      fc.property(fc.uniqueArray(fc.integer({ min: 1, max: 999 }), { minLength: 2, maxLength: 20 }), (sequences) => {
        const serials = sequences.map((sequence) =>
          formatSerial({ template: '{YY}{DDD}{MODEL}{SEQ3}', reset: 'day' }, { atMs: 0, timeZone: 'UTC', modelCode: 'AB', sequence }),
        );
        expect(new Set(serials).size).toBe(serials.length);
      }),
    );
  });
});

describe('proposed pairs', () => {
  const band = { lowMm: 0.05, targetMm: 0.1, highMm: 0.2 };
  const bodies = (...widths: (number | null)[]) => widths.map((widthMm, i) => ({ pieceId: `b${i}`, widthMm }));
  const necks = (...widths: (number | null)[]) => widths.map((widthMm, i) => ({ pieceId: `n${i}`, widthMm }));

  test('choosing saves pairs that taking them as they come wastes', () => {
    // As they come: 56.05−55.99 = 0.06 and 56.15−55.90 = 0.25, out of band. Crossed: 0.15 and 0.16.
    const pairs = proposePairs(bodies(56.05, 56.15), necks(55.9, 55.99), band);
    expect(pairs.map((p) => [p.bodyId, p.neckId, p.clearanceMm])).toEqual([
      ['b0', 'n0', 0.15],
      ['b1', 'n1', 0.16],
    ]);
    expect(proposePairs(bodies(56.05, 56.15), necks(55.99, 55.9), band)).toHaveLength(2);
  });
  test('a pair out of band is not proposed', () => {
    expect(proposePairs(bodies(56.3), necks(55.9), band)).toEqual([]);
  });
  test('what nobody measured is paired last, in order, without a clearance', () => {
    expect(proposePairs(bodies(null, 56.0), necks(55.9, null), band)).toEqual([
      { bodyId: 'b1', neckId: 'n0', clearanceMm: 0.1 },
      { bodyId: 'b0', neckId: 'n1', clearanceMm: null },
    ]);
  });
  test('never pairs a piece twice, never leaves the band, and finds as many as any order would', () => {
    const width = fc.integer({ min: 5590, max: 5620 }).map((w) => w / 100);
    fc.assert(
      fc.property(fc.array(width, { maxLength: 6 }), fc.array(width, { maxLength: 6 }), (b, n) => {
        const pairs = proposePairs(bodies(...b), necks(...n), band);
        expect(new Set(pairs.map((p) => p.bodyId)).size).toBe(pairs.length);
        expect(new Set(pairs.map((p) => p.neckId)).size).toBe(pairs.length);
        for (const p of pairs) expect((p.clearanceMm ?? 0) >= 0.05 && (p.clearanceMm ?? 1) <= 0.2).toBe(true);
        expect(pairs.length).toBe(mostPairs(b, n, band));
      }),
    );
  });
});

/** The most pairs in band, by trying everything. */
function mostPairs(bodies: number[], necks: number[], band: { lowMm: number; highMm: number }): number {
  const [first, ...others] = bodies;
  if (first === undefined) return 0;
  let best = mostPairs(others, necks, band);
  necks.forEach((n, i) => {
    const gap = clearanceMm(first, n);
    if (gap >= band.lowMm && gap <= band.highMm) best = Math.max(best, 1 + mostPairs(others, necks.toSpliced(i, 1), band));
  });
  return best;
}

describe('fitting', () => {
  const route: Route = {
    id: 'r',
    modelId: 'm',
    version: 1,
    operations: [
      step('b', 'body', ['fit']),
      step('n', 'neck', ['fit']),
      step('fit', 'instrument', ['ship'], { kind: 'fit' }),
      step('ship', 'instrument', [], { kind: 'dispatch' }),
    ],
  };
  const side = (id: string, component: 'body' | 'neck', over: Partial<Batch> = {}) => ({
    batch: { id, component, modelId: 'm', operationId: 'fit', status: 'queued', ...over } as Batch,
    pieces: [1, 2].map((i) => ({ id: `${id}-${i}`, state: 'good' })) as Piece[],
  });
  const pair = { bodyId: 'B1-1', neckId: 'B2-2' };

  test('live pieces of one model at the bench can be paired', () => {
    expect(decideFitting(route, side('B1', 'body'), side('B2', 'neck'), [pair])).toEqual({
      kind: 'accept',
      entries: [pair],
    });
  });
  test.each([
    ['nothing chosen', side('B1', 'body'), side('B2', 'neck'), []],
    ['another model', side('B1', 'body'), side('B2', 'neck', { modelId: 'x' }), [pair]],
    ['necks not there yet', side('B1', 'body'), side('B2', 'neck', { operationId: 'n' }), [pair]],
    ['a held batch', side('B1', 'body', { status: 'held' }), side('B2', 'neck'), [pair]],
    ['no necks', side('B1', 'body'), null, [{ bodyId: 'B1-1', neckId: null }]],
    ['a neck from elsewhere', side('B1', 'body'), side('B2', 'neck'), [{ bodyId: 'B1-1', neckId: 'B9-1' }]],
    ['a body named twice', side('B1', 'body'), side('B2', 'neck'), [pair, { bodyId: 'B1-1', neckId: 'B2-1' }]],
    ['a neck named twice', side('B1', 'body'), side('B2', 'neck'), [pair, { bodyId: 'B1-2', neckId: 'B2-2' }]],
    ['bodies for necks', side('B1', 'body'), side('B2', 'body'), [pair]],
  ])('%s is refused', (_, body, neck, pairs) => {
    expect(decideFitting(route, body, neck, pairs).kind).toBe('refuse');
  });
  test('necks joined before come to the bench on their bodies: none is asked for, none is taken', () => {
    const joined: Route = {
      ...route,
      operations: [
        step('cut', 'body', ['set']),
        step('carve', 'neck', ['set']),
        step('set', 'body', ['fit'], { kind: 'join' }),
        step('fit', 'instrument', [], { kind: 'fit' }),
      ],
    };
    expect(takesNecks(joined, 'fit')).toBe(false);
    const alone = { bodyId: 'B1-1', neckId: null };
    expect(decideFitting(joined, side('B1', 'body'), null, [alone])).toEqual({ kind: 'accept', entries: [alone] });
    expect(decideFitting(joined, side('B1', 'body'), side('B2', 'neck'), [pair]).kind).toBe('refuse');
  });
});
