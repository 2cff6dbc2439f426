import { fahrenheitToCelsius, gToOunce, inchToMm, mmToInch, ounceToG } from '../units/index.ts';
import type { Quantity } from './kinds.ts';

interface Unit {
  of: Quantity | 'temperature' | 'humidity';
  toSi: (value: number) => number;
  /** what is typed into a field of this unit, and to how many decimals */
  fromSi: (si: number) => number;
  digits: number;
}

const KG = 1000;
const LB = 16;
const CM = 10;
const same = (value: number) => value;

/** The units that devices may tell values in, each with what it is a unit of: mm, g and % are kept. */
const UNITS: Readonly<Record<string, Unit>> = {
  mm: { of: 'length', toSi: same, fromSi: same, digits: 3 },
  cm: { of: 'length', toSi: (cm) => cm * CM, fromSi: (mm) => mm / CM, digits: 3 },
  in: { of: 'length', toSi: inchToMm, fromSi: mmToInch, digits: 4 },
  g: { of: 'mass', toSi: same, fromSi: same, digits: 2 },
  kg: { of: 'mass', toSi: (kg) => kg * KG, fromSi: (g) => g / KG, digits: 4 },
  oz: { of: 'mass', toSi: ounceToG, fromSi: gToOunce, digits: 3 },
  lb: { of: 'mass', toSi: (lb) => ounceToG(lb * LB), fromSi: (g) => gToOunce(g) / LB, digits: 4 },
  '%': { of: 'moisture', toSi: same, fromSi: same, digits: 1 },
  '°C': { of: 'temperature', toSi: same, fromSi: same, digits: 2 },
  '°F': { of: 'temperature', toSi: fahrenheitToCelsius, fromSi: same, digits: 2 },
};
const own = (name: string): Unit | undefined => (Object.hasOwn(UNITS, name) ? UNITS[name] : undefined);

/** Names of the units of something. */
export const unitsOf = (of: Unit['of']): string[] => Object.keys(UNITS).filter((name) => UNITS[name]?.of === of);

/**
 * A value with its unit, kept as mm, g, % or °C.
 *
 * @returns null where it is no unit of that
 */
export function inSi(value: number, unit: string, of: Unit['of']): number | null {
  const known = own(unit);
  return known?.of === of ? known.toSi(value) : null;
}

/**
 * A value as it is typed into a field.
 *
 * @param si mm, g or % of moisture
 * @param unit of the field
 * @returns null where the field is one of something else
 */
export function asTyped(quantity: Quantity, si: number, unit: string): string | null {
  const known = own(unit);
  return known?.of === quantity ? String(Number(known.fromSi(si).toFixed(known.digits))) : null;
}

/** What a field takes, by its unit; null where no device tells that. */
export function quantityIn(unit: string): Quantity | null {
  const of = own(unit)?.of;
  return of === 'length' || of === 'mass' || of === 'moisture' ? of : null;
}
