import type { RouteFacts } from '../condition.ts';
import type { Component } from '../stage.ts';
import type { Step } from '../step.ts';
import type { AspectKind } from './aspect.ts';
import type { RigNeed } from './rig.ts';

/** Faces of oily wood are wiped before they are glued, and what the wipe took off comes back. */
export interface Wipe {
  /** what with: its data sheet decides how it is handled */
  withWhat: string;
  /** for so long after it the face takes glue */
  minutes: number;
  /** only where a part is of one of these woods; always where nothing is said */
  wood?: { component: Component; in: readonly string[] };
}

export const wipe: AspectKind<'wipe', Wipe, never, Step & { rig?: RigNeed }> = {
  key: 'wipe',
  name: 'wiped before',
  words: (value) =>
    value
      ? `with ${value.withWhat}, holds ${value.minutes} min${value.wood ? `, the ${value.wood.component} of ${value.wood.in.join(' or ')}` : ''}`
      : '—',
  marks: ({ withWhat }) => [`wiped with ${withWhat} before`],
  check: ({ withWhat, minutes, wood }, { name, rig }) => [
    ...(rig === undefined ? [`"${name}" is wiped before it goes into a rig, and it goes into none`] : []),
    ...(withWhat.trim() === '' ? [`"${name}" is wiped, and nothing says with what`] : []),
    ...(minutes > 0 ? [] : [`A wipe before "${name}" that holds for no time lets nothing be glued`]),
    ...(wood?.in.length === 0 ? [`"${name}" is wiped for some woods, and none is named`] : []),
  ],
  // A wood that is called otherwise would never be wiped.
  checkWorld: ({ wood }, { name }, _, { speciesNames }) =>
    (wood?.in ?? []).flatMap((species) =>
      speciesNames.has(species) ? [] : [`"${name}" is wiped for ${species}, which is no species on record`],
    ),
};

/** The wipe that a batch needs at a step; none where its wood asks for none. */
export function wipeFor({ wipe: value }: { wipe?: Wipe }, { species }: Pick<RouteFacts, 'species'>): Wipe | null {
  if (value?.wood === undefined) return value ?? null;
  const wood = species[value.wood.component];
  // Of a wood nobody has told it is not known that it is not oily.
  return wood === undefined || value.wood.in.includes(wood) ? value : null;
}
