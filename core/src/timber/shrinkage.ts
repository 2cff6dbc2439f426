/** Dimensional change per point of moisture: radial, tangential. @source Wood Handbook ch. 13 */
export const SHRINKAGE_PER_POINT: Readonly<Record<string, { radial: number; tangential: number }>> = {
  mahogany: { radial: 0.00172, tangential: 0.00238 },
  'sugar maple': { radial: 0.00165, tangential: 0.00353 },
  'black walnut': { radial: 0.0019, tangential: 0.00274 },
  'white ash': { radial: 0.00169, tangential: 0.00274 },
  'red alder': { radial: 0.00151, tangential: 0.00256 },
  'Sitka spruce': { radial: 0.00148, tangential: 0.00263 },
  'western redcedar': { radial: 0.00111, tangential: 0.00234 },
  'black cherry': { radial: 0.00126, tangential: 0.00248 },
  basswood: { radial: 0.0023, tangential: 0.0033 },
  'yellow-poplar': { radial: 0.00158, tangential: 0.00289 },
  'eastern white pine': { radial: 0.00071, tangential: 0.00212 },
};

/**
 * How much a part changes across the grain between two moistures; negative is shrinking.
 *
 * @param dimensionMm size at the first moisture
 * @param coefficientPerPoint radial or tangential, per point of moisture
 * @throws RangeError outside 6–14 %, where the coefficient does not hold
 */
export function movementMm(dimensionMm: number, coefficientPerPoint: number, fromPct: number, toPct: number): number {
  for (const pct of [fromPct, toPct]) if (!(pct >= 6 && pct <= 14)) throw new RangeError(`The coefficient holds for 6–14 %, not ${pct} %`);
  return dimensionMm * coefficientPerPoint * (toPct - fromPct);
}
