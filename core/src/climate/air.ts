import { formatDuration, MINUTE_MS, said, saidWarmer } from '../units/index.ts';

/** What a climate sensor or logger reported. */
export interface AirSample {
  atMs: number;
  tempC: number;
  /** fraction 0…1 */
  relativeHumidity: number;
}

function inRange(name: string, value: number, low: number, high: number): void {
  if (!(value >= low && value <= high)) throw new RangeError(`${name} ${value} is outside ${low}…${high}`);
}

/** The formula was fitted down to here, °C. */
const COLDEST_C = -10;

/**
 * Equilibrium moisture content of wood, dry basis.
 *
 * @param tempC air temperature, °C, −10…100
 * @param relativeHumidity fraction 0…1 (not percent)
 * @returns percent moisture content
 * @throws RangeError outside those ranges
 * @source Hailwood–Horrobin, two hydrates; Wood Handbook FPL-GTR-282, eq. 4-5
 */
export function equilibriumMoisturePct(tempC: number, relativeHumidity: number): number {
  inRange('Temperature', tempC, COLDEST_C, 100);
  inRange('Relative humidity', relativeHumidity, 0, 1);
  const t = tempC;
  const w = 349 + 1.29 * t + 0.0135 * t * t;
  const k = 0.805 + 0.000736 * t - 0.00000273 * t * t;
  const k1 = 6.27 - 0.00938 * t - 0.000303 * t * t;
  const k2 = 1.91 + 0.0407 * t - 0.000293 * t * t;
  const kh = k * relativeHumidity;
  const hydrates = k1 * kh + 2 * k1 * k2 * kh * kh;
  return (1800 / w) * (kh / (1 - kh) + hydrates / (1 + k1 * kh + k1 * k2 * kh * kh));
}

/**
 * What wood would come to in a room's air. Frost below the formula's range counts as its edge: there EMC hardly answers to
 * temperature any more, and a log of air does not end because a shed froze.
 *
 * @param relativeHumidity fraction 0…1
 * @returns percent moisture content
 */
export const emcOfAirPct = ({ tempC, relativeHumidity }: { tempC: number; relativeHumidity: number }): number =>
  equilibriumMoisturePct(Math.max(COLDEST_C, tempC), relativeHumidity);

/**
 * Dew point of moist air.
 *
 * @param tempC air temperature, °C, −40…60
 * @param relativeHumidity fraction, above 0, to 1
 * @returns °C
 * @throws RangeError outside those ranges
 * @source Magnus form, Alduchov & Eskridge 1996
 */
export function dewPointC(tempC: number, relativeHumidity: number): number {
  inRange('Temperature', tempC, -40, 60);
  inRange('Relative humidity', relativeHumidity, 1e-6, 1);
  const gamma = Math.log(relativeHumidity) + (17.625 * tempC) / (243.04 + tempC);
  return (243.04 * gamma) / (17.625 - gamma);
}

/** How long a reading tells what the air is: sensors report every hour or oftener. */
export const AIR_COUNTS_MS = 90 * MINUTE_MS;

/** Whether a reading is too old to tell what the air is now. */
export const isPast = (reading: { atMs: number }, nowMs: number): boolean => nowMs - reading.atMs > AIR_COUNTS_MS;

/** What a coating's sheet asks of the booth. */
export interface SprayLimits {
  minTempC: number;
  maxTempC: number;
  minHumidity: number;
  maxHumidity: number;
  /** least surface temperature above dew point, °C */
  dewMarginC: number;
}

/** Default where the sheet says nothing: below the dew margin solvent lacquers blush. */
export const DEFAULT_SPRAY_LIMITS: SprayLimits = {
  minTempC: 18,
  maxTempC: 27,
  minHumidity: 0.35,
  maxHumidity: 0.65,
  dewMarginC: 3,
};

/**
 * Why the booth may not be sprayed in now, in plain sentences; empty when it may.
 *
 * @param surfaceTempC temperature of the work; the air's when not measured
 */
export function sprayObjections(
  tempC: number,
  relativeHumidity: number,
  limits: SprayLimits = DEFAULT_SPRAY_LIMITS,
  surfaceTempC = tempC,
): string[] {
  const objections: string[] = [];
  const margin = surfaceTempC - dewPointC(tempC, relativeHumidity);
  const [boothC, at] = [said(tempC.toFixed(1), '°C'), (limitC: number) => said(limitC, '°C')];
  if (margin < limits.dewMarginC)
    objections.push(`Surface is ${saidWarmer(margin)} above dew point; spraying needs ${saidWarmer(limits.dewMarginC)}`);
  if (tempC < limits.minTempC) objections.push(`Booth is ${boothC}; the sheet asks at least ${at(limits.minTempC)}`);
  if (tempC > limits.maxTempC) objections.push(`Booth is ${boothC}; the sheet allows ${at(limits.maxTempC)}`);
  const percent = relativeHumidity * 100;
  if (relativeHumidity < limits.minHumidity)
    objections.push(`Humidity is ${percent.toFixed(0)} %; the sheet asks at least ${limits.minHumidity * 100} %`);
  if (relativeHumidity > limits.maxHumidity)
    objections.push(`Humidity is ${percent.toFixed(0)} %; the sheet allows ${limits.maxHumidity * 100} %`);
  return objections;
}

/** Why nobody may spray by what was last read in the booth, in plain sentences: also when that was too long ago. */
export function boothObjections(air: AirSample, nowMs: number, limits: SprayLimits = DEFAULT_SPRAY_LIMITS): string[] {
  if (isPast(air, nowMs)) return [`The booth was last measured ${formatDuration(nowMs - air.atMs)} ago`];
  return sprayObjections(air.tempC, air.relativeHumidity, limits);
}
