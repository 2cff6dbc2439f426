import { approach } from '../maths/index.ts';

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
