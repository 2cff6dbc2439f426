import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { HOUR_MS } from '../units/index.ts';
import { emcAt, livedThrough, type EmcTrace } from './index.ts';

const steady = (emc: number, hours: number, fromMs = 0, gaps: EmcTrace['gaps'] = []): EmcTrace => ({
  fromMs,
  stepMs: HOUR_MS,
  emcPct: new Float64Array(hours).fill(emc),
  gaps,
});

describe('what something lived through', () => {
  test('in one room is that room’s own trace, not a copy', () => {
    const trace = steady(8, 100);
    expect(livedThrough([{ fromMs: 30 * HOUR_MS, trace }])).toBe(trace);
  });
  test('in several is each in its turn', () => {
    const through = livedThrough([
      { fromMs: 10 * HOUR_MS, trace: steady(8, 100) },
      { fromMs: 20 * HOUR_MS, trace: steady(14, 100) },
      { fromMs: 50 * HOUR_MS, trace: steady(6, 100) },
    ]);
    expect(through.fromMs).toBe(10 * HOUR_MS);
    const at = (hour: number) => emcAt(through, (hour + 0.5) * HOUR_MS);
    expect([10, 19, 20, 49, 50, 99].map(at)).toEqual([8, 8, 14, 14, 6, 6]);
  });
  test('a move within an hour counts from that hour’s middle', () => {
    const move = (minutes: number) =>
      livedThrough([
        { fromMs: 0, trace: steady(8, 4) },
        { fromMs: HOUR_MS + minutes * 60_000, trace: steady(14, 4) },
      ]).emcPct[1];
    expect([move(20), move(40)]).toEqual([14, 8]);
  });
  test('keeps the silences of the rooms while it lay in them', () => {
    const silent = [{ fromMs: 2 * HOUR_MS, toMs: 9 * HOUR_MS }];
    const late = [{ fromMs: 80 * HOUR_MS, toMs: 90 * HOUR_MS }];
    const through = livedThrough([
      { fromMs: 0, trace: steady(8, 100, 0, [...silent, ...late]) },
      { fromMs: 20 * HOUR_MS, trace: steady(14, 100) },
    ]);
    expect(through.gaps).toEqual(silent);
  });
  test('of rooms with one climate is that climate, wherever and whenever it moved', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: 400 }), { minLength: 1, maxLength: 5 }), (hours) => {
        let at = 0;
        const stays = hours.map((h) => ({ fromMs: (at += h) * HOUR_MS, trace: steady(9, 3000) }));
        const through = livedThrough(stays);
        expect(new Set(through.emcPct)).toEqual(new Set([9]));
        expect(through.fromMs + through.emcPct.length * HOUR_MS).toBe(3000 * HOUR_MS);
      }),
      { numRuns: 50 },
    );
  });
  test('needs a stay', () => {
    expect(() => livedThrough([])).toThrow(RangeError);
  });
});
