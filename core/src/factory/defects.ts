import type { Stage } from '../routing/index.ts';

/** What can be wrong with a piece, in the words of the trade, and the stages that usually cause it. */
export interface DefectKind {
  name: string;
  stages: readonly Stage[];
}

/** The register of defects that a factory begins with and edits. */
export const DEFECTS: readonly DefectKind[] = [
  { name: 'knot or pitch', stages: ['roughMill'] },
  { name: 'tear-out', stages: ['machining'] },
  { name: 'fret high', stages: ['necks'] },
  { name: 'twist', stages: ['necks'] },
  { name: 'back bow', stages: ['necks'] },
  { name: 'binding gap', stages: ['bodies'] },
  { name: 'off dimension', stages: ['machining', 'fitting'] },
  { name: 'run', stages: ['finishing'] },
  { name: 'dust in film', stages: ['finishing'] },
  { name: 'orange peel', stages: ['finishing'] },
  { name: 'sand-through', stages: ['bodies', 'finishing'] },
  { name: 'blush', stages: ['finishing'] },
  { name: 'sinkback', stages: [] },
  { name: 'colour off sample', stages: [] },
  { name: 'electrics fault', stages: ['assembly'] },
  { name: 'rattle', stages: ['assembly'] },
  { name: 'crack', stages: ['roughMill', 'machining'] },
  { name: 'glue line open', stages: ['roughMill', 'necks', 'bodies'] },
  { name: 'dent', stages: ['fitting', 'assembly'] },
];

/** What is wrong with a register of defects, and with which; undefined when it can be kept. */
export function checkDefects(register: readonly DefectKind[]): { index: number; problem: string } | undefined {
  if (register.length === 0) return { index: 0, problem: 'Name at least one thing that can be wrong' };
  const names = register.map((d) => d.name.trim().toLowerCase());
  const twice = names.findIndex((name, i) => names.indexOf(name) !== i);
  return twice < 0 ? undefined : { index: twice, problem: `"${register[twice]?.name ?? ''}" stands there twice` };
}
