import { describe, expect, test } from '@jest/globals';
import { capabilityInWords, digitsFor, dimensionNow, driftInWords, type Dimension } from './index.ts';

const TOLERANCE = { low: 55.9, high: 56.1 };
const of = (values: readonly number[], over: Partial<Dimension> = {}) =>
  dimensionNow(
    {
      latest: values.map((value, i) => ({ pieceId: `p${i}`, batchId: 'B1', visitId: 'v', value, atMs: i + 1 })),
      limits: { centre: 56, sigma: 0.02 },
      signal: null,
      settledMs: 0,
      ...over,
    },
    TOLERANCE,
  );
const steady = Array.from({ length: 30 }, (_, i) => 56 + ([0.02, -0.02, 0.01, -0.01, 0][i % 5] ?? 0));
const rising = Array.from({ length: 30 }, (_, i) => 55.95 + i * 0.004 + (i % 2) * 0.002);

describe('what a dimension comes to', () => {
  test('its short stretches are told only in control', () => {
    expect(of(steady)).toMatchObject({ state: 'in control', drift: null });
    expect(of(steady).capability?.cpk?.value).toBeCloseTo(0.1 / 0.06, 9);
    const signal = {
      rule: 'trend',
      side: 'above',
      of: 6,
      last: { pieceId: 'p', batchId: 'B1', visitId: 'v', value: 56, atMs: 1 },
    } as const;
    expect(of(steady, { signal })).toMatchObject({ state: 'out of control', capability: { cpk: null, count: 30 } });
    expect(of(steady.slice(0, 12), { limits: null })).toMatchObject({ state: 'too few', capability: { cpk: null } });
  });
  test('drift is told of what came since it was settled', () => {
    const drift = of(rising).drift;
    expect(drift?.left?.edge).toBe('high');
    expect(drift?.left?.x).toBeCloseTo((56.1 - (drift?.now ?? 0)) / (drift?.slope ?? 1), 9);
    expect(of(rising, { settledMs: 25 }).drift).toBeNull();
  });
});

describe('in words', () => {
  test('capability says how sure it is, and of what it is not told', () => {
    const { capability } = of(steady);
    expect(capability && capabilityInWords(capability)).toMatch(
      /^Ppk \d\.\d\d \(\d\.\d\d to \d\.\d\d\) over the latest 30 values; Cpk 1\.67 \(.*\) between neighbours$/,
    );
    const off = of(steady, { limits: null }).capability;
    expect(off && capabilityInWords(off)).toMatch(/Cpk is told only of what is in control$/);
  });
  test('drift says when it leaves its tolerance', () => {
    const { drift } = of(rising);
    expect(drift && driftInWords(drift, 'mm')).toMatch(
      /^Rises by 0\.0040\u00a0mm a part \(0\.00\d\d to 0\.0041\): leaves its tolerance in about \d+ parts \(\d+ to \d+\)$/,
    );
    const at = { slope: -0.01, slopeFrom: -0.02, slopeTo: -0.005 };
    expect(driftInWords({ ...at, left: null }, 'mm')).toBe('Falls by 0.0100\u00a0mm a part (0.0050 to 0.0200)');
    expect(driftInWords({ ...at, left: { x: 0, from: 0, to: 0, edge: 'low' } }, 'g')).toMatch(/, and has left its tolerance$/);
  });
  test('as many decimals as a band needs', () => {
    expect([0.2, 0.05, 5, 1000].map((width) => digitsFor({ low: 1, high: 1 + width }))).toEqual([3, 4, 2, 0]);
    expect(digitsFor({ low: 1, high: 1 })).toBe(2);
  });
});
