import type { SpeciesCoefficients } from './meter.ts';

/** The direction across the grain a dimension lies in. */
export type GrainDirection = 'radial' | 'tangential';

/** How a species reads on the factory's meters, from their handbooks. */
export interface MeterCorrection extends SpeciesCoefficients {
  /** points a pinless meter reads too high */
  densityOffsetPct: number;
}

/** What has a source of its own in the register. */
export const SPECIES_FIGURES = ['movement', 'density', 'rate', 'meter'] as const;
export type SpeciesFigure = (typeof SPECIES_FIGURES)[number];

/** What is known of a kind of wood before anything of it was measured here; null where nobody has a sure figure. */
export interface Species extends Record<GrainDirection, number | null> {
  name: string;
  /** at about 8.5 % moisture */
  densityGPerCm3: number | null;
  /** drying rate k of 25 mm stock indoors, 1/day: a prior only, until a lot has readings of its own */
  ratePerDay: number | null;
  /** its trade asks for papers; local law decides */
  restricted: boolean;
  /** by what list or law; empty where it is free */
  restrictedBecause: string;
  /** readings are taken for temperature only where it is null */
  meter: MeterCorrection | null;
  /** where each figure is from; empty where there is none */
  sources: Record<SpeciesFigure, string>;
}

/** What cannot be told of a wood while a figure is not on record. Weights rest on scales, not on a density. */
export const TOLD_BY: Readonly<Partial<Record<SpeciesFigure, string>>> = {
  movement: 'how far it moves',
  rate: 'when a lot is ready, until its third session',
};

/** The figures of a species that nobody has on record. */
export const lackingOf = (species: Species): SpeciesFigure[] =>
  SPECIES_FIGURES.filter((figure) =>
    figure === 'movement' ? species.radial === null && species.tangential === null : species[FIELDS[figure]] === null,
  );
const FIELDS = { density: 'densityGPerCm3', rate: 'ratePerDay', meter: 'meter' } as const;

/**
 * A movement coefficient where none is published, from the shrinkage from green to oven-dry: wood shrinks from about
 * 28.5 % on.
 *
 * @param totalPct radial or tangential, percent of the green size
 * @returns change per point of moisture; it is to be called derived
 * @throws RangeError where no wood shrinks so much
 */
export function coefficientFromShrinkage(totalPct: number): number {
  if (!(totalPct > 0 && totalPct <= 25)) throw new RangeError(`No wood shrinks by ${totalPct} %`);
  return totalPct / 2850;
}

const MOVEMENT = 'Wood Handbook (FPL-GTR-282), ch. 13';
const DENSITY = 'Specific gravity in the Wood Handbook, ch. 5, brought to 8.5 % moisture';
const RATE = 'A starting point of this program, nothing published';
const APPENDIX_II = 'CITES Appendix II';

const NOTHING_KNOWN: Omit<Species, 'name'> = {
  radial: null,
  tangential: null,
  densityGPerCm3: null,
  ratePerDay: null,
  restricted: false,
  restrictedBecause: '',
  meter: null,
  sources: { movement: '', density: '', rate: '', meter: '' },
};

const published = (
  name: string,
  [radial, tangential]: [number, number],
  densityGPerCm3: number | null,
  ratePerDay: number | null,
  restrictedBecause = '',
): Species => ({
  ...NOTHING_KNOWN,
  ...{ name, radial, tangential, densityGPerCm3, ratePerDay, restricted: restrictedBecause !== '', restrictedBecause },
  sources: {
    movement: MOVEMENT,
    density: densityGPerCm3 === null ? '' : DENSITY,
    rate: ratePerDay === null ? '' : RATE,
    meter: '',
  },
});

/** A wood of which the total shrinkage is published, and no coefficient. */
const derived = (name: string, [radialPct, tangentialPct]: [number, number], restrictedBecause = ''): Species => ({
  ...NOTHING_KNOWN,
  name,
  radial: coefficientFromShrinkage(radialPct),
  tangential: coefficientFromShrinkage(tangentialPct),
  restricted: restrictedBecause !== '',
  restrictedBecause,
  sources: {
    ...NOTHING_KNOWN.sources,
    movement: `Derived from shrinkage to oven-dry, ${radialPct} and ${tangentialPct} %: Wood Handbook (FPL-GTR-282), ch. 4, imported woods`,
  },
});

/** A wood of the trade without a figure whose source is sure. */
const named = (name: string, restrictedBecause = ''): Species => ({
  ...NOTHING_KNOWN,
  ...{ name, restricted: restrictedBecause !== '', restrictedBecause },
});

/**
 * The register of species that a factory begins with and edits. Radial and tangential: change across the grain per point of
 * moisture, for 6–14 %. A figure whose source is not sure is not here.
 *
 * @source each figure's own; CITES appendices for papers
 */
export const SPECIES: readonly Species[] = [
  published('mahogany', [0.00172, 0.00238], 0.53, 0.034, `${APPENDIX_II}, bigleaf mahogany of the Neotropics`),
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
  derived('Indian rosewood', [2.7, 5.8], `${APPENDIX_II}, all Dalbergia`),
  derived('Brazilian rosewood', [2.9, 4.6], 'CITES Appendix I: commerce only in what was legal before, with papers'),
  named('African ebony'),
  named('koa'),
  named('African padauk', `${APPENDIX_II}, African Pterocarpus`),
  named('wenge'),
];

/** A species as the register knows it; nothing is known of one that is not in it. */
export const speciesIn = (register: readonly Species[], name: string): Species =>
  register.find((s) => s.name === name) ?? { name, ...NOTHING_KNOWN };

const FIGURE_WORDS: Readonly<Record<SpeciesFigure, string>> = {
  movement: 'the movement',
  density: 'the density',
  rate: 'the drying rate',
  meter: 'the correction of meters',
};

/** What is wrong with a register, and of which species; undefined when it can be kept. */
export function checkSpecies(register: readonly Species[]): { index: number; problem: string } | undefined {
  const names = register.map((s) => s.name.trim().toLowerCase());
  const twice = names.findIndex((name, i) => names.indexOf(name) !== i);
  if (twice >= 0) return { index: twice, problem: `There are two species called ${register[twice]?.name ?? ''}` };
  for (const [index, species] of register.entries()) {
    const lacking = lackingOf(species);
    const unsourced = SPECIES_FIGURES.find((figure) => !lacking.includes(figure) && species.sources[figure].trim() === '');
    if (unsourced) return { index, problem: `Say where ${FIGURE_WORDS[unsourced]} of ${species.name} is from` };
    if (species.restricted && species.restrictedBecause.trim() === '')
      return { index, problem: `Say by what list or law the trade in ${species.name} is restricted` };
  }
  return undefined;
}

/**
 * Drying rate expected before a lot has told its own: thicker stock dries slower, as thickness^1.5.
 *
 * @param thicknessMm 1…150
 * @returns k, 1/day; null where nobody knows how fast the wood dries
 */
export function priorDryingRatePerDay({ ratePerDay }: Species, thicknessMm: number): number | null {
  return ratePerDay === null ? null : rateAtThickness(ratePerDay, thicknessMm);
}

/** A rate of 25 mm stock, at another thickness. @throws RangeError for what is no lumber */
export function rateAtThickness(ratePerDay: number, thicknessMm: number): number {
  if (!(thicknessMm >= 1 && thicknessMm <= 150)) throw new RangeError(`Stock of ${thicknessMm} mm is not lumber`);
  return ratePerDay * (25 / thicknessMm) ** 1.5;
}
