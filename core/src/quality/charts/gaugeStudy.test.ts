import { describe, expect, test } from '@jest/globals';
import { gaugeByRange, gaugeByVariance } from './index.ts';

// Ten parts, three people, three repeats: Measurement Systems Analysis, reference manual, 4th ed., table III-B 6.
const A = [
  [0.29, -0.56, 1.34, 0.47, -0.8, 0.02, 0.59, -0.31, 2.26, -1.36],
  [0.41, -0.68, 1.17, 0.5, -0.92, -0.11, 0.75, -0.2, 1.99, -1.25],
  [0.64, -0.58, 1.27, 0.64, -0.84, -0.21, 0.66, -0.17, 2.01, -1.31],
];
const B = [
  [0.08, -0.47, 1.19, 0.01, -0.56, -0.2, 0.47, -0.63, 1.8, -1.68],
  [0.25, -1.22, 0.94, 1.03, -1.2, 0.22, 0.55, 0.08, 2.12, -1.62],
  [0.07, -0.68, 1.34, 0.2, -1.28, 0.06, 0.83, -0.34, 2.19, -1.5],
];
const C = [
  [0.04, -1.38, 0.88, 0.14, -1.46, -0.29, 0.02, -0.46, 1.77, -1.49],
  [-0.11, -1.13, 1.09, 0.2, -1.07, -0.67, 0.01, -0.56, 1.45, -1.77],
  [-0.15, -0.96, 0.67, 0.11, -1.45, -0.49, 0.21, -0.49, 1.87, -2.16],
];
const study = [A, B, C].map((rounds) => Array.from({ length: 10 }, (_, part) => rounds.map((round) => round[part] ?? NaN)));

describe('a gauge study, against the worked example of the reference manual', () => {
  test('by averages and ranges', () => {
    const found = gaugeByRange(study);
    expect(found.repeatability).toBeCloseTo(0.20188, 3);
    expect(found.reproducibility).toBeCloseTo(0.22963, 3);
    expect(found.gauge).toBeCloseTo(0.30575, 3);
    expect(found.part).toBeCloseTo(1.10456, 3);
    expect(found.total).toBeCloseTo(1.1461, 3);
    expect(found.ofTotalPct).toBeCloseTo(26.68, 1);
    expect(found.categories).toBe(5);
    expect(found.ofTolerancePct).toBeNull();
  });
  test('by analysis of variance', () => {
    const found = gaugeByVariance(study, { low: -4, high: 4 });
    expect(found.people.squares).toBeCloseTo(3.1673, 3);
    expect(found.parts.squares).toBeCloseTo(88.3619, 3);
    expect(found.interaction.squares).toBeCloseTo(0.359, 3);
    expect(found.within.squares).toBeCloseTo(2.7589, 3);
    expect([found.people, found.parts, found.interaction, found.within].map((l) => l.freedom)).toEqual([2, 9, 18, 60]);
    expect(found.interactionByChance).toBeCloseTo(0.974, 3);
    expect(found.repeatability).toBeCloseTo(0.199933, 5);
    expect(found.reproducibility).toBeCloseTo(0.226838, 5);
    expect(found.gauge).toBeCloseTo(0.302373, 5);
    expect(found.part).toBeCloseTo(1.042327, 5);
    expect(found.ofTotalPct).toBeCloseTo(27.86, 2);
    expect(found.categories).toBe(4);
    expect(found.ofTolerancePct).toBeCloseTo((600 * 0.302373) / 8, 2);
  });
});

describe('what a study cannot be', () => {
  test.each([
    [
      'one person',
      [
        [
          [1, 2],
          [1, 2],
        ],
      ],
    ],
    [
      'one repeat',
      [
        [[1], [2]],
        [[1], [2]],
      ],
    ],
    [
      'a part left out',
      [
        [
          [1, 2],
          [1, 2],
        ],
        [[1, 2]],
      ],
    ],
    [
      'no number',
      [
        [
          [1, 2],
          [1, NaN],
        ],
        [
          [1, 2],
          [1, 2],
        ],
      ],
    ],
  ])('%s', (_, values) => {
    expect(() => gaugeByRange(values)).toThrow(RangeError);
    expect(() => gaugeByVariance(values)).toThrow(RangeError);
  });
  test('an instrument that repeats exactly tells any number of kinds', () => {
    const exact = [0, 0].map(() => [
      [1, 1],
      [2, 2],
      [3, 3],
    ]);
    expect(gaugeByVariance(exact)).toMatchObject({ gauge: 0, categories: Infinity, ofTotalPct: 0 });
  });
  test('an interaction that is there is not pooled', () => {
    const crossed = [
      [
        [1, 1.01],
        [2, 2.01],
        [3, 3.01],
      ],
      [
        [1.5, 1.51],
        [2, 2.01],
        [2.5, 2.51],
      ],
    ];
    const found = gaugeByVariance(crossed);
    expect(found.interactionByChance).toBeLessThan(0.001);
    expect(found.reproducibility).toBeGreaterThan(0.2);
    expect(found.repeatability).toBeLessThan(0.01);
  });
});
