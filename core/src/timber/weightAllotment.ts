import { assign } from '../maths/index.ts';
import type { Look } from '../routing/index.ts';

/** A blank that was weighed. */
export interface WeighedBlank {
  id: string;
  /** species and use, or whatever else must agree */
  kind: string;
  massG: number;
  volumeCm3: number;
  /** when it was weighed, dry basis */
  moisturePct: number;
  /** what its surface bears: a clear finish asks for the better look, a solid colour takes either */
  look: Look;
  /** the order it is kept for */
  reservedFor: string | null;
}

/** An instrument that wants a blank. */
export interface WeightSlot {
  id: string;
  kind: string;
  orderId: string | null;
  finish: Look;
  lowG: number;
  highG: number;
  /** wood left of the blank in the finished part */
  partVolumeCm3: number;
  /** the other half, hardware, finish */
  otherMassG: number;
}

export interface Allotted {
  slotId: string;
  blankId: string;
  predictedG: number;
  inBand: boolean;
  /** wood to take out by chambering to come down to the band's middle; 0 when it is not above the band */
  chamberCm3: number;
}

export interface Allotment {
  allotted: Allotted[];
  /** slots for which no blank may be taken */
  unmet: string[];
  /** blanks that stay in stock */
  left: string[];
  /** how many would land in band if blanks were taken as they come */
  inBandAsTheyCome: number;
}

/** Density of a blank once it has come to the shop's moisture, g/cm³: what water it loses or takes up is weighed in. */
export function settledDensity({ massG, volumeCm3, moisturePct }: WeighedBlank, shopEmcPct: number): number {
  if (!(massG > 0 && volumeCm3 > 0)) throw new RangeError('A blank has mass and volume');
  return ((massG / (1 + moisturePct / 100)) * (1 + shopEmcPct / 100)) / volumeCm3;
}

/** Finished weight of an instrument built of this blank. */
export const predictedWeightG = (blank: WeighedBlank, slot: WeightSlot, shopEmcPct: number): number =>
  settledDensity(blank, shopEmcPct) * slot.partVolumeCm3 + slot.otherMassG;

/** May this blank go into that instrument at all? A blank kept for another order may not. */
const mayTake = (blank: WeighedBlank, slot: WeightSlot) =>
  blank.kind === slot.kind &&
  (blank.reservedFor === null || blank.reservedFor === slot.orderId) &&
  (slot.finish === 'solid' || blank.look === 'clear');

/** Out of band costs more than anything within it, a good look under solid colour a little. */
const OUT_OF_BAND = 100;
const WASTED_LOOK = 0.3;

/**
 * Gives blanks to instruments so that as many as can be get one, most finished weights land in their band, the rest
 * come near, and looks are not wasted under solid colour.
 */
export function allotByWeight(blanks: readonly WeighedBlank[], slots: readonly WeightSlot[], shopEmcPct: number): Allotment {
  const middle = (s: WeightSlot) => (s.lowG + s.highG) / 2;
  const inBand = (g: number, s: WeightSlot) => g >= s.lowG && g <= s.highG;
  const cost = slots.map((slot) =>
    blanks.map((blank) => {
      if (!mayTake(blank, slot)) return Infinity;
      const g = predictedWeightG(blank, slot, shopEmcPct);
      const off = (g - middle(slot)) / Math.max(1, (slot.highG - slot.lowG) / 2);
      const wasted = slot.finish === 'solid' && blank.look === 'clear' ? WASTED_LOOK : 0;
      // What is kept for an order goes to it first.
      const kept = blank.reservedFor === null ? WASTED_LOOK : 0;
      return off * off + wasted + kept + (inBand(g, slot) ? 0 : OUT_OF_BAND);
    }),
  );
  const chosen = assign(cost);
  const taken = new Set(chosen.filter((c) => c >= 0));
  return {
    allotted: slots.flatMap((slot, i) => {
      const blank = blanks[chosen[i] ?? -1];
      if (!blank) return [];
      const predictedG = predictedWeightG(blank, slot, shopEmcPct);
      return [
        {
          slotId: slot.id,
          blankId: blank.id,
          predictedG,
          inBand: inBand(predictedG, slot),
          chamberCm3: predictedG > slot.highG ? (predictedG - middle(slot)) / settledDensity(blank, shopEmcPct) : 0,
        },
      ];
    }),
    unmet: slots.filter((_, i) => (chosen[i] ?? -1) < 0).map((s) => s.id),
    left: blanks.filter((_, j) => !taken.has(j)).map((b) => b.id),
    inBandAsTheyCome: asTheyCome(blanks, slots).filter(([blank, slot]) => inBand(predictedWeightG(blank, slot, shopEmcPct), slot)).length,
  };
}

/** The first blank that may be taken, slot by slot. */
function asTheyCome(blanks: readonly WeighedBlank[], slots: readonly WeightSlot[]): [WeighedBlank, WeightSlot][] {
  const left = [...blanks];
  return slots.flatMap((slot): [WeighedBlank, WeightSlot][] => {
    const at = left.findIndex((blank) => mayTake(blank, slot));
    const [blank] = at < 0 ? [] : left.splice(at, 1);
    return blank ? [[blank, slot]] : [];
  });
}
