import {
  fitScale,
  formatLumber,
  formatMass,
  formatTemperature,
  formatTemperatureDifference,
  lengthIn,
  type UnitChoice,
} from './formats.ts';

// A sentence tells its amounts in SI, with a no-break space before the unit: so whoever shows it can tell them in the units
// of the person who reads it. A difference of temperatures has a narrow one, for it is not reckoned from the same zero.
const AMOUNT = '\u00a0';
const DIFFERENCE = '\u202f';

/** An amount as it stands in a sentence; of units that nobody turns into others the plain words. */
export const said = (figure: string | number, unit: string): string =>
  ['mm', 'g', 'm³', '°C'].includes(unit) ? `${figure}${AMOUNT}${unit}` : `${figure} ${unit}`.trim();

/** How much warmer, as it stands in a sentence. */
export const saidWarmer = (deltaC: number): string => `${Number(deltaC.toFixed(1))}${DIFFERENCE}°C`;

const FIGURE = '-?\\d+(?:\\.\\d+)?';
const AMOUNTS = new RegExp(`(${FIGURE})(?:–(${FIGURE}))?([${AMOUNT}${DIFFERENCE}])(mm|g|m³|°C)`, 'g');
/** From so many decimals on a length is that of a joint. */
const FINE = 2;

/** A sentence with its amounts in a person's units. */
export const inUnits = (sentence: string, units: UnitChoice): string =>
  sentence.replaceAll(AMOUNTS, (whole: string, one: string, other: string | undefined, mark: string, unit: string) => {
    const told = [one, ...(other === undefined ? [] : [other])].map((figure) => amountIn(figure, unit, mark === DIFFERENCE, units));
    const last = told.at(-1);
    if (last === undefined) return whole;
    // A range names its unit once.
    return told.length === 1 ? last : `${told[0]?.replace(/ [^\d ]+$/, '') ?? ''}–${last}`;
  });

function amountIn(figure: string, unit: string, isDifference: boolean, units: UnitChoice): string {
  const value = Number(figure);
  switch (unit) {
    case 'mm':
      return units.length === 'mm' ? `${figure} mm` : lengthSaid(value, figure, units);
    case 'g':
      return units.mass === 'g' ? `${figure} g` : formatMass(value, units);
    case 'm³':
      return units.lumber === 'm3' ? `${figure} m³` : formatLumber(value, units);
    default:
      if (units.temperature === 'C') return `${figure} °C`;
      return isDifference ? formatTemperatureDifference(value, units) : formatTemperature(value, units);
  }
}

function lengthSaid(mm: number, figure: string, units: UnitChoice): string {
  const { unit, of, digits } = fitScale(units);
  const isFine = (figure.split('.')[1]?.length ?? 0) >= FINE;
  return `${isFine ? of(mm).toFixed(digits) : lengthIn(mm, units)} ${unit}`;
}
