import type { CautionKind } from '../routing/index.ts';

/** The usual cautions of each hazard, shown where the work is logged; never in the way of it. */
export const CAUTIONS: Readonly<Record<CautionKind, string>> = {
  cutting: 'Guard, vacuum or clamp proven before start; one trained person inside the marked area; no gloves or loose sleeves.',
  dust: 'Extraction on; respirator for sanding; some species sensitise.',
  spraying:
    'Flammable vapour: no ignition source, booth fan proven; supplied air or the mask the data sheet names. Two-part hardeners contain isocyanates.',
  rags: 'Oily rags heat themselves: lay flat or drown.',
  buffing: 'Hold below centre; no dangling cloth.',
  hot: 'Hot surfaces and pinch points.',
  solvents: 'Solvents and cyanoacrylate: gloves and ventilation.',
  thermal: 'Thermal gloves for freezer and heat-gun work.',
};

/** What is said below any of them. */
export const CAUTION_ALWAYS =
  "Follow the product's safety data sheet, your local code and the people licensed to judge it; this program does not replace them.";
