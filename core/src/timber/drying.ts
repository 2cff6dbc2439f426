import { approach } from '../maths/index.ts';

/** Drying rate k, 1/day, of 25 mm stock indoors. A prior only, until a lot has readings of its own. */
const RATE_AT_25MM: Record<string, number> = {
  mahogany: 0.034,
  'sugar maple': 0.026,
  'black walnut': 0.03,
  'white ash': 0.03,
  'red alder': 0.046,
  'Sitka spruce': 0.055,
  'western redcedar': 0.055,
  'black cherry': 0.034,
  basswood: 0.05,
  'yellow-poplar': 0.045,
};
const RATE_OTHERWISE = 0.035;

/**
 * Drying rate expected before a lot has told its own: thicker stock dries slower, as thickness^1.5.
 *
 * @param thicknessMm 1…150
 * @returns k, 1/day
 */
export function priorDryingRatePerDay(species: string, thicknessMm: number): number {
  if (!(thicknessMm >= 1 && thicknessMm <= 150)) throw new RangeError(`Stock of ${thicknessMm} mm is not lumber`);
  return (RATE_AT_25MM[species] ?? RATE_OTHERWISE) * (25 / thicknessMm) ** 1.5;
}

export interface Band {
  low: number;
  high: number;
}

/** A band that follows the shop: a part made at the humidity where it will live moves least. */
export function shopBand(shopEmcPct: number, halfWidthPct: number): Band {
  return { low: shopEmcPct - halfWidthPct, high: shopEmcPct + halfWidthPct };
}

/**
 * Moisture after living through a climate hour by hour.
 *
 * @param emcPctByHour equilibrium for each hour
 */
export function dryThrough(startPct: number, ratePerDay: number, emcPctByHour: Iterable<number>): number {
  let moisture = startPct;
  for (const emc of emcPctByHour) moisture = approach(moisture, emc, ratePerDay, 1 / 24);
  return moisture;
}
