import type { Component } from '../routing/index.ts';
import type { LotUse } from './lot.ts';

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

export type ModelWood = Partial<Record<Component, WoodNeed>>;
