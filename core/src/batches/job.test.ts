import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { touchMsOf, type JobShare } from './job.ts';

const share = (pieces: number, fromMs: number, toMs: number | null): JobShare => ({
  batchId: 'B',
  visitId: 'v',
  operationId: 'o',
  pieceIds: Array.from({ length: pieces }, (_, i) => `p${i}`),
  fromMs,
  toMs,
});

describe('the time of a job', () => {
  test('belongs to one share whole, and to none that goes on', () => {
    expect(touchMsOf({ shares: [share(3, 10, 70)] }, share(3, 10, 70))).toBe(60);
    expect(touchMsOf({ shares: [share(3, 10, null)] }, share(3, 10, null))).toBe(0);
  });
  test('of a load belongs to its pieces in equal parts, for as long as each is in it', () => {
    const [body, neck, late] = [share(96, 0, 60), share(32, 0, 100), share(4, 60, 100)];
    const load = { shares: [body, neck, late] };
    expect(touchMsOf(load, body)).toBe(45);
    expect(touchMsOf(load, neck)).toBe(15 + 40 * (32 / 36));
    expect(touchMsOf(load, late)).toBe(40 * (4 / 36));
  });
  test('is shared out whole, however pieces come and go', () => {
    const anyShare = fc
      .tuple(fc.integer({ min: 1, max: 40 }), fc.nat(500), fc.nat(500))
      .map(([pieces, from, long]) => share(pieces, from, from + long));
    fc.assert(
      fc.property(fc.array(anyShare, { minLength: 1, maxLength: 6 }), (shares) => {
        const told = shares.reduce((sum, s) => sum + touchMsOf({ shares }, s), 0);
        const minutes = Array.from({ length: 1000 }, (_, t) => shares.some((s) => s.fromMs <= t && (s.toMs ?? 0) > t));
        expect(told).toBeCloseTo(minutes.filter(Boolean).length, 6);
      }),
    );
  });
});
