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
