import type { Component } from '../routing/index.ts';
import type { LotUse } from './lot.ts';
import { said } from '../units/index.ts';

/** Wood that a model needs for one piece. */
export interface WoodNeed {
  species: string;
  use: LotUse;
  volumeM3: number;
  thicknessMm: number;
  /** the blank it is made of, where boards are measured and planned */
  blank?: BlankSize;
  /** what the finished instrument should weigh, where blanks are allotted by weight */
  weight?: WeightTarget;
}

/** A blank as it leaves the rough mill. */
export interface BlankSize {
  lengthMm: number;
  widthMm: number;
  thicknessMm: number;
  /** consecutive leaves resawn for one piece; 0 where nothing is resawn */
  leavesEach: number;
}

/** Finished weight, and what of it this part leaves and the rest weighs. */
export interface WeightTarget {
  lowG: number;
  highG: number;
  /** wood left of the blank in the finished part */
  partVolumeCm3: number;
  /** the other half, hardware and finish */
  otherMassG: number;
}

/** Blanks are sawn to within so much. */
const SAWN_MM = 0.5;

/**
 * Why a blank cannot become a part; null where it can. It is bound to no model by being cut for one: any part of the same
 * wood that it is large enough for may be made of it.
 */
export function blankObjection(
  blank: { id: string } & Pick<BlankSize, 'lengthMm' | 'widthMm' | 'thicknessMm'>,
  lot: { species: string; use: LotUse },
  need: WoodNeed,
): string | null {
  if (lot.species !== need.species || lot.use !== need.use)
    return `Blank ${blank.id} is ${lot.species} for ${lot.use}; ${need.species} for ${need.use} is needed`;
  const sizes = [
    ['long', blank.lengthMm, need.blank?.lengthMm],
    ['wide', blank.widthMm, need.blank?.widthMm],
    ['thick', blank.thicknessMm, need.blank?.thicknessMm],
  ] as const;
  const small = sizes.find(([, has, asked]) => asked !== undefined && has < asked - SAWN_MM);
  return small ? `Blank ${blank.id} is ${said(small[1] ?? 0, 'mm')} ${small[0]}; ${said(small[2] ?? 0, 'mm')} are needed` : null;
}

export type ModelWood = Partial<Record<Component, WoodNeed>>;
