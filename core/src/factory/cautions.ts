import type { Noted } from './noted.ts';

/** What can hurt at work and what is done about it, as a factory begins and edits it: shown where the work is logged, never in its way. */
export const CAUTIONS: readonly Noted[] = [
  {
    key: 'cutting',
    text: 'Guard, vacuum or clamp proven before start; one trained person inside the marked area; no gloves or loose sleeves.',
  },
  { key: 'dust', text: 'Extraction on; respirator for sanding; some species sensitise.' },
  {
    key: 'spraying',
    text: 'Flammable vapour: no ignition source, booth fan proven; supplied air or the mask the data sheet names. Two-part hardeners contain isocyanates.',
  },
  { key: 'rags', text: 'Oily rags heat themselves: lay flat or drown.' },
  { key: 'buffing', text: 'Hold below centre; no dangling cloth.' },
  { key: 'hot', text: 'Hot surfaces and pinch points.' },
  { key: 'solvents', text: 'Solvents and cyanoacrylate: gloves and ventilation.' },
  { key: 'thermal', text: 'Thermal gloves for freezer and heat-gun work.' },
];

/** What is said below any of them, whatever a factory writes. */
export const CAUTION_ALWAYS =
  "Follow the product's safety data sheet, your local code and the people licensed to judge it; this program does not replace them.";
