/** What is known of a kind of wood before anything of it was measured here. */
export interface Species {
  /** change across the grain per point of moisture, for 6–14 %. @source Wood Handbook ch. 13 */
  radial: number;
  tangential: number;
  /** at about 8.5 % moisture. @source Wood Handbook ch. 5, specific gravity at 12 % brought to 8.5 % */
  densityGPerCm3: number | null;
  /** drying rate k of 25 mm stock indoors, 1/day: a prior only, until a lot has readings of its own */
  ratePerDay: number | null;
  /** its trade asks for papers. @source CITES Appendix II; local law decides */
  restricted: boolean;
}

/** The register of species; null where no figure has a source that can be named. */
export const SPECIES: Readonly<Record<string, Species>> = {
  mahogany: { radial: 0.00172, tangential: 0.00238, densityGPerCm3: 0.53, ratePerDay: 0.034, restricted: true },
  'sugar maple': { radial: 0.00165, tangential: 0.00353, densityGPerCm3: 0.68, ratePerDay: 0.026, restricted: false },
  'black walnut': { radial: 0.0019, tangential: 0.00274, densityGPerCm3: 0.59, ratePerDay: 0.03, restricted: false },
  'white ash': { radial: 0.00169, tangential: 0.00274, densityGPerCm3: 0.65, ratePerDay: 0.03, restricted: false },
  'red alder': { radial: 0.00151, tangential: 0.00256, densityGPerCm3: 0.44, ratePerDay: 0.046, restricted: false },
  'Sitka spruce': { radial: 0.00148, tangential: 0.00263, densityGPerCm3: 0.43, ratePerDay: 0.055, restricted: false },
  'western redcedar': { radial: 0.00111, tangential: 0.00234, densityGPerCm3: 0.34, ratePerDay: 0.055, restricted: false },
  'black cherry': { radial: 0.00126, tangential: 0.00248, densityGPerCm3: 0.54, ratePerDay: 0.034, restricted: false },
  basswood: { radial: 0.0023, tangential: 0.0033, densityGPerCm3: 0.4, ratePerDay: 0.05, restricted: false },
  'yellow-poplar': { radial: 0.00158, tangential: 0.00289, densityGPerCm3: 0.45, ratePerDay: 0.045, restricted: false },
  'eastern white pine': { radial: 0.00071, tangential: 0.00212, densityGPerCm3: null, ratePerDay: null, restricted: false },
};

const DENSITY_OTHERWISE = 0.55;
const RATE_OTHERWISE = 0.035;

/** Density to expect of a species before anything was weighed, g/cm³. */
export const densityOf = (species: string): number => SPECIES[species]?.densityGPerCm3 ?? DENSITY_OTHERWISE;

/** Whether the trade in a species asks for papers, as far as the register knows. */
export const isRestricted = (species: string): boolean => SPECIES[species]?.restricted === true;

/**
 * Drying rate expected before a lot has told its own: thicker stock dries slower, as thickness^1.5.
 *
 * @param thicknessMm 1…150
 * @returns k, 1/day
 */
export function priorDryingRatePerDay(species: string, thicknessMm: number): number {
  if (!(thicknessMm >= 1 && thicknessMm <= 150)) throw new RangeError(`Stock of ${thicknessMm} mm is not lumber`);
  return (SPECIES[species]?.ratePerDay ?? RATE_OTHERWISE) * (25 / thicknessMm) ** 1.5;
}
