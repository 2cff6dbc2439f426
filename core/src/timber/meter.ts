/** How a species reads on a pin meter: slope and offset from the meter's handbook. */
export interface SpeciesCoefficients {
  a: number;
  b: number;
}

export const NO_SPECIES_CORRECTION: SpeciesCoefficients = { a: 1, b: 0 };

/** Above about this the meter only tells "wet": fibre saturation. */
export const FIBRE_SATURATION_PCT = 28;

/** What a hand-held meter can show at all; outside it, the figure was mistyped. */
export const METER_RANGE_PCT = { low: 2, high: 100 } as const;

/**
 * Moisture content from a resistance (pin) meter, corrected for wood temperature and species.
 *
 * @param readingPct what the meter showed
 * @param woodTempC temperature of the wood, °C, −20…60
 * @returns percent moisture content, dry basis
 * @throws RangeError for a reading or temperature no meter meets, coefficients that say nothing, or what comes to less than none
 * @source Pfaff & Garrahan, Forest Products Journal 36(3), 1986
 */
export function correctedMoisturePct(readingPct: number, woodTempC: number, { a, b }: SpeciesCoefficients = NO_SPECIES_CORRECTION): number {
  if (!(readingPct >= METER_RANGE_PCT.low && readingPct <= METER_RANGE_PCT.high))
    throw new RangeError(`A meter shows ${METER_RANGE_PCT.low} to ${METER_RANGE_PCT.high} %, not ${readingPct}`);
  if (!(woodTempC >= -20 && woodTempC <= 60)) throw new RangeError(`Wood at ${woodTempC} °C cannot be metered`);
  if (!(a > 0) || !Number.isFinite(b)) throw new RangeError('A species needs a slope above zero and an offset');
  const x = woodTempC + 2.8;
  return notBelowZero(((readingPct + 0.567 - 0.026 * x + 0.000051 * x * x) / (0.881 * 1.0056 ** x) - b) / a, readingPct);
}

/**
 * Moisture from masses: the oven test, and a running sample board once its dry mass is known.
 *
 * @param massG mass now
 * @param dryMassG oven-dry mass, > 0
 */
export function moistureFromMassPct(massG: number, dryMassG: number): number {
  if (!(dryMassG > 0)) throw new RangeError('The dry mass must be above zero');
  return ((massG - dryMassG) / dryMassG) * 100;
}

/**
 * Oven-dry mass of a sample board whose moisture was known once, from an oven test of slices cut beside it.
 *
 * @param massG mass at that time
 * @param moisturePct moisture at that time
 * @throws RangeError for a mass or moisture no board has
 */
export function dryMassG(massG: number, moisturePct: number): number {
  if (!(massG > 0)) throw new RangeError('The mass must be above zero');
  if (!(moisturePct >= 0 && moisturePct <= 200)) throw new RangeError(`Wood does not hold ${moisturePct} % moisture`);
  return massG / (1 + moisturePct / 100);
}

/**
 * A pinless meter answers to density as well as water: it reads high in denser wood.
 *
 * @param readingPct what it showed
 * @param densityOffsetPct points to take off, from the meter's table for the species
 * @throws RangeError for a reading no meter shows, or what comes to less than none
 */
export function pinlessMoisturePct(readingPct: number, densityOffsetPct: number): number {
  if (!(readingPct >= METER_RANGE_PCT.low && readingPct <= METER_RANGE_PCT.high))
    throw new RangeError(`A meter shows ${METER_RANGE_PCT.low} to ${METER_RANGE_PCT.high} %, not ${readingPct}`);
  return notBelowZero(readingPct - densityOffsetPct, readingPct);
}

/** Wood does not hold less than no water: then the reading, its temperature or the species' figures are wrong. */
function notBelowZero(pct: number, readingPct: number): number {
  if (!(pct >= 0)) throw new RangeError(`A reading of ${readingPct} % comes to less than none: check the species’ meter figures`);
  return pct;
}

/** Corrected outliers of a session closer than this to the rest are the meter's own noise. */
export const METER_NOISE_PCT = 0.3;
