export * from './columns.ts';

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

export const formatLength = (mm: number, units: UnitChoice) =>
  units.length === 'mm' ? `${trim(mm, 2)} mm` : `${trim(mmToInch(mm), 3)} in`;
export const formatTemperature = (tempC: number, units: UnitChoice) =>
  units.temperature === 'C' ? `${tempC.toFixed(1)} °C` : `${celsiusToFahrenheit(tempC).toFixed(1)} °F`;
export const formatMass = (g: number, units: UnitChoice) =>
  units.mass === 'g' ? `${Math.round(g)} g` : `${Math.floor(gToOunce(g) / 16)} lb ${(gToOunce(g) % 16).toFixed(1)} oz`;
export const formatLumber = (m3: number, units: UnitChoice) =>
  units.lumber === 'm3' ? `${m3.toFixed(3)} m³` : `${m3ToBoardFeet(m3).toFixed(0)} bf`;

const trim = (value: number, digits: number) => String(Number(value.toFixed(digits)));

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
