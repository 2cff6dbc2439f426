import { suits, type CarrierKind } from '../../carriers/index.ts';
import type { Step } from '../step.ts';
import type { AspectKind } from './aspect.ts';
import type { PlaceNeed } from './place.ts';

/** The rig in which each piece is under pressure at a step. */
export interface RigNeed {
  kind: CarrierKind;
  /** only rigs made for this model's outline */
  outline?: boolean;
}

export const rig: AspectKind<'rig', RigNeed, never, Step & { place?: PlaceNeed }> = {
  key: 'rig',
  name: 'pressed in',
  words: (need) => (need ? `a ${need.kind}${need.outline ? ' of its outline' : ''}` : '—'),
  marks: (need) => [`pressed in a ${need.kind}`],
  check: (_, { name, kind, gate, place }) => [
    ...(kind === 'dwell' ? [] : [`"${name}" is no wait: what is pressed waits`]),
    ...(gate.some((rule) => rule.kind === 'pressed') ? [] : [`"${name}" is pressed, and no rule says for how long`]),
    ...(place === undefined ? [] : [`"${name}" needs either places or a rig`]),
  ],
  checkWorld: (need, { name }, route, { carriers }) =>
    carriers.some((c) => c.rig !== null && suits(c, need, route.modelId))
      ? []
      : [`"${name}" is pressed in a ${need.kind}, and there is none for this model`],
};
