/** What can be wrong with a piece, in the words of the trade, and the stages that usually cause it. */
export const DEFECTS = [
  'tear-out',
  'off dimension',
  'crack',
  'knot or pitch',
  'glue line open',
  'binding gap',
  'fret high',
  'back bow',
  'twist',
  'sand-through',
  'run',
  'dust in film',
  'orange peel',
  'blush',
  'sinkback',
  'colour off sample',
  'dent',
  'rattle',
  'electrics fault',
] as const;
export type DefectKind = (typeof DEFECTS)[number];
