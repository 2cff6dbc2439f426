import type { CureLaw, Material } from '@ample-crane/core';

const law = (minimumTempC: number): CureLaw => ({ referenceTempC: 21, q10: 2, minimumTempC });

/** Ordinary coatings by kind; the figures are starting points, the data sheet of the product bought decides. */
export const DEMO_MATERIALS: readonly Material[] = [
  {
    id: 'lacquer',
    name: 'Solvent lacquer, clear',
    kind: 'solvent lacquer',
    volumeSolids: 0.24,
    buildLowUm: 75,
    buildHighUm: 150,
    cureDays: 14,
    cure: law(10),
  },
  {
    id: 'poly',
    name: 'Two-part polyurethane, clear',
    kind: 'two-part polyurethane',
    volumeSolids: 0.45,
    buildLowUm: 100,
    buildHighUm: 250,
    cureDays: 5,
    cure: law(15),
  },
  {
    id: 'water',
    name: 'Waterborne, clear',
    kind: 'waterborne',
    volumeSolids: 0.3,
    buildLowUm: 80,
    buildHighUm: 150,
    cureDays: 10,
    cure: law(15),
  },
  {
    id: 'oil',
    name: 'Hard-wax oil',
    kind: 'oil',
    volumeSolids: 0.6,
    buildLowUm: 10,
    buildHighUm: 30,
    cureDays: 3,
    cure: law(10),
  },
];
