import type { SpeciesCoefficients } from './meter.ts';

/** The direction across the grain a dimension lies in. */
export type GrainDirection = 'radial' | 'tangential';

/** How a species reads on the factory's meters, from their handbooks. */
export interface MeterCorrection extends SpeciesCoefficients {
  /** points a pinless meter reads too high */
  densityOffsetPct: number;
}

/** What is known of a kind of wood before anything of it was measured here; null where nobody has a figure. */
export interface Species extends Record<GrainDirection, number | null> {
  name: string;
  /** at about 8.5 % moisture */
  densityGPerCm3: number | null;
  /** drying rate k of 25 mm stock indoors, 1/day: a prior only, until a lot has readings of its own */
  ratePerDay: number | null;
  /** its trade asks for papers; local law decides */
  restricted: boolean;
  /** readings are taken for temperature only where it is null */
  meter: MeterCorrection | null;
  /** where the figures are from */
  source: string;
}

const HANDBOOK = 'Wood Handbook, ch. 13; density from specific gravity in ch. 5; rate a starting point';

const published = (
  name: string,
  [radial, tangential]: [number, number],
  densityGPerCm3: number | null,
  ratePerDay: number | null,
  restricted = false,
): Species => ({ name, radial, tangential, densityGPerCm3, ratePerDay, restricted, meter: null, source: HANDBOOK });

/**
 * The register of species that a factory begins with and edits. Radial and tangential: change across the grain per point of
 * moisture, for 6–14 %.
 *
 * @source Wood Handbook (FPL-GTR-282) ch. 13 for movement, ch. 5 for density (specific gravity at 12 % brought to 8.5 %);
 * CITES Appendix II for papers
 */
export const SPECIES: readonly Species[] = [
  published('mahogany', [0.00172, 0.00238], 0.53, 0.034, true),
  published('sugar maple', [0.00165, 0.00353], 0.68, 0.026),
  published('black walnut', [0.0019, 0.00274], 0.59, 0.03),
  published('white ash', [0.00169, 0.00274], 0.65, 0.03),
  published('red alder', [0.00151, 0.00256], 0.44, 0.046),
  published('Sitka spruce', [0.00148, 0.00263], 0.43, 0.055),
  published('western redcedar', [0.00111, 0.00234], 0.34, 0.055),
  published('black cherry', [0.00126, 0.00248], 0.54, 0.034),
  published('basswood', [0.0023, 0.0033], 0.4, 0.05),
  published('yellow-poplar', [0.00158, 0.00289], 0.45, 0.045),
  published('eastern white pine', [0.00071, 0.00212], null, null),
];

const NOTHING_KNOWN: Omit<Species, 'name'> = {
  radial: null,
  tangential: null,
  densityGPerCm3: null,
  ratePerDay: null,
  restricted: false,
  meter: null,
  source: '',
};

/** A species as the register knows it; nothing is known of one that is not in it. */
export const speciesIn = (register: readonly Species[], name: string): Species =>
  register.find((s) => s.name === name) ?? { name, ...NOTHING_KNOWN };

/** What is wrong with a register, and of which species; undefined when it can be kept. */
export function checkSpecies(register: readonly Species[]): { index: number; problem: string } | undefined {
  const names = register.map((s) => s.name.trim().toLowerCase());
  const twice = names.findIndex((name, i) => names.indexOf(name) !== i);
  if (twice >= 0) return { index: twice, problem: `There are two species called ${register[twice]?.name ?? ''}` };
  const unsourced = register.findIndex(
    (s) => s.source.trim() === '' && [s.radial, s.tangential, s.densityGPerCm3, s.ratePerDay].some((figure) => figure !== null),
  );
  if (unsourced >= 0) return { index: unsourced, problem: `Say where the figures of ${register[unsourced]?.name ?? ''} are from` };
  return undefined;
}

const DENSITY_OTHERWISE = 0.55;
const RATE_OTHERWISE = 0.035;

/** Density to expect of a species before anything was weighed, g/cm³. */
export const densityOf = ({ densityGPerCm3 }: Species): number => densityGPerCm3 ?? DENSITY_OTHERWISE;

/**
 * Drying rate expected before a lot has told its own: thicker stock dries slower, as thickness^1.5.
 *
 * @param thicknessMm 1…150
 * @returns k, 1/day
 */
export function priorDryingRatePerDay({ ratePerDay }: Species, thicknessMm: number): number {
  if (!(thicknessMm >= 1 && thicknessMm <= 150)) throw new RangeError(`Stock of ${thicknessMm} mm is not lumber`);
  return (ratePerDay ?? RATE_OTHERWISE) * (25 / thicknessMm) ** 1.5;
}
