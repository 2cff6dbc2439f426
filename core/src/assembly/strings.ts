/**
 * Distance from the nut to a fret.
 *
 * @param scaleLengthMm open string length
 * @param fret 0 (the nut) …
 * @source equal temperament: L·(1 − 2^(−n/12))
 */
export const fretPositionMm = (scaleLengthMm: number, fret: number) => scaleLengthMm * (1 - 2 ** (-fret / 12));

/**
 * Tension of a string at pitch.
 *
 * @param unitMassKgPerM mass per length
 * @param frequencyHz pitch of the open string
 * @returns newtons
 * @source T = μ·(2·L·f)²
 */
export const stringTensionN = (unitMassKgPerM: number, scaleLengthM: number, frequencyHz: number) =>
  unitMassKgPerM * (2 * scaleLengthM * frequencyHz) ** 2;
