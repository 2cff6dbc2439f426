import type { Material } from '../factory/index.ts';

/** Dry film one wet coat leaves, µm. @throws RangeError for a film no gun lays (0…1000 µm wet) */
export function dryFilmUm(wetUm: number, volumeSolids: number): number {
  if (!(wetUm > 0 && wetUm <= 1000)) throw new RangeError(`A wet film of ${wetUm} µm is not a coat`);
  if (!(volumeSolids > 0 && volumeSolids <= 1)) throw new RangeError('Volume solids lie above 0 and up to 1');
  return wetUm * volumeSolids;
}

export type BuildVerdict = 'thin' | 'in window' | 'thick';

/** Below the window the finish is sanded through; above it the instrument is dulled and the film crazes. */
export function judgeBuild(dryUm: number, material: Pick<Material, 'buildLowUm' | 'buildHighUm'>): BuildVerdict {
  if (dryUm < material.buildLowUm) return 'thin';
  return dryUm > material.buildHighUm ? 'thick' : 'in window';
}

/**
 * Material to buy or mix for a coat.
 *
 * @param areaM2 surface
 * @param wetUm wet film
 * @param transferEfficiency 0…1: 0.30 conventional gun, 0.65 HVLP
 * @returns litres
 */
export function coatLitres(areaM2: number, wetUm: number, transferEfficiency: number): number {
  return (areaM2 * wetUm) / 1000 / transferEfficiency;
}
