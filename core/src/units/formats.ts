/** 1 board foot in m³ (144 in³). */
export const BOARD_FOOT_M3 = 0.002359737;
const MM_PER_INCH = 25.4;
const G_PER_OUNCE = 28.349523125;

export const boardFeetToM3 = (boardFeet: number) => boardFeet * BOARD_FOOT_M3;
export const m3ToBoardFeet = (m3: number) => m3 / BOARD_FOOT_M3;
export const inchToMm = (inch: number) => inch * MM_PER_INCH;
export const mmToInch = (mm: number) => mm / MM_PER_INCH;
export const gToOunce = (g: number) => g / G_PER_OUNCE;
export const ounceToG = (ounce: number) => ounce * G_PER_OUNCE;
export const celsiusToFahrenheit = (tempC: number) => tempC * 1.8 + 32;
export const fahrenheitToCelsius = (tempF: number) => (tempF - 32) / 1.8;

/**
 * Board feet of one board.
 *
 * @param thicknessIn nominal thickness, in (quarters: 4/4 = 1)
 * @param widthIn width, in
 * @param lengthFt length, ft
 */
export const boardFeet = (thicknessIn: number, widthIn: number, lengthFt: number) => (thicknessIn * widthIn * lengthFt) / 12;

/** "1 reading", "4 readings" */
export const counted = (count: number, one: string, many = `${one}s`): string => `${count} ${count === 1 ? one : many}`;

export const MINUTE_MS = 60_000;
export const HOUR_MS = 3_600_000;
export const DAY_MS = 86_400_000;
/** A year of the calendar on average. */
export const YEAR_MS = 365.2425 * DAY_MS;

/** The units a person reads and types; everything is stored in SI. */
export interface UnitChoice {
  length: 'mm' | 'in';
  mass: 'g' | 'oz';
  temperature: 'C' | 'F';
  lumber: 'm3' | 'bf';
}

export const METRIC: UnitChoice = { length: 'mm', mass: 'g', temperature: 'C', lumber: 'm3' };
export const IMPERIAL: UnitChoice = { length: 'in', mass: 'oz', temperature: 'F', lumber: 'bf' };

/** Wood and instruments are told in fractions of an inch from this length on; what is finer in decimals. */
const FRACTIONS_FROM_MM = 6;
const THIRTY_SECONDS = 32;

/** Inches as the trade says them, to the nearest 32nd: "1 31/32". */
export function inchFractions(mm: number): string {
  const parts = Math.round(mmToInch(Math.abs(mm)) * THIRTY_SECONDS);
  const whole = Math.floor(parts / THIRTY_SECONDS);
  let [top, bottom] = [parts % THIRTY_SECONDS, THIRTY_SECONDS];
  while (top > 0 && top % 2 === 0) [top, bottom] = [top / 2, bottom / 2];
  const said = top === 0 ? String(whole) : whole === 0 ? `${top}/${bottom}` : `${whole} ${top}/${bottom}`;
  return mm < 0 && parts > 0 ? `-${said}` : said;
}

/** A length without its unit, for what is told by several: "2300 × 210 mm". */
export const lengthIn = (mm: number, units: UnitChoice): string =>
  units.length === 'mm' ? trim(mm, 2) : Math.abs(mm) < FRACTIONS_FROM_MM ? trim(mmToInch(mm), 3) : inchFractions(mm);

export const formatLength = (mm: number, units: UnitChoice) => `${lengthIn(mm, units)} ${units.length}`;

/** How finely joints are told: hundredths of a millimetre, or ten-thousandths of an inch. */
export const fitScale = (units: UnitChoice): { unit: string; of: (mm: number) => number; digits: number } =>
  units.length === 'mm' ? { unit: 'mm', of: (mm) => mm, digits: 2 } : { unit: 'in', of: mmToInch, digits: 4 };

/** The clearance of a joint: "0.12 mm", "0.0047 in". */
export function formatFit(mm: number, units: UnitChoice): string {
  const { unit, of, digits } = fitScale(units);
  return `${of(mm).toFixed(digits)} ${unit}`;
}

/** How much warmer: a difference has no thirty-two in it. */
export const formatTemperatureDifference = (deltaC: number, units: UnitChoice) =>
  units.temperature === 'C' ? `${trim(deltaC, 1)} °C` : `${trim(deltaC * 1.8, 1)} °F`;
export const formatTemperature = (tempC: number, units: UnitChoice) =>
  units.temperature === 'C' ? `${tempC.toFixed(1)} °C` : `${celsiusToFahrenheit(tempC).toFixed(1)} °F`;
export const formatMass = (g: number, units: UnitChoice) =>
  units.mass === 'g' ? `${Math.round(g)} g` : `${Math.floor(gToOunce(g) / 16)} lb ${(gToOunce(g) % 16).toFixed(1)} oz`;
export const formatLumber = (m3: number, units: UnitChoice) =>
  units.lumber === 'm3' ? `${m3.toFixed(3)} m³` : `${m3ToBoardFeet(m3).toFixed(0)} bf`;

const trim = (value: number, digits: number) => String(Number(value.toFixed(digits)));

/** So much work, which no clock runs through: "48 min", "5.5 h", "25 h". */
export const formatWork = (minutes: number): string =>
  minutes < 60 ? `${Math.ceil(minutes)} min` : `${trim(minutes / 60, minutes < 600 ? 1 : 0)} h`;

/**
 * A length of time in the words people use on the floor: "23 min", "5 h 10 min", "3 d 4 h".
 * Rounds up, since a wait that is nearly over is not over.
 */
export function formatDuration(ms: number): string {
  const minutes = Math.ceil(Math.max(0, ms) / MINUTE_MS);
  if (minutes < 60) return `${minutes} min`;
  const hours = Math.floor(minutes / 60);
  if (hours < 24) return minutes % 60 === 0 ? `${hours} h` : `${hours} h ${minutes % 60} min`;
  const days = Math.floor(hours / 24);
  return hours % 24 === 0 ? `${days} d` : `${days} d ${hours % 24} h`;
}
