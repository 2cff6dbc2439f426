import { suits, type CarrierKind } from '../../carriers/index.ts';
import { before } from '../graph.ts';
import type { Step } from '../step.ts';
import type { AspectKind } from './aspect.ts';

/** Places of a carrier that each piece needs while it is at a step. */
export interface PlaceNeed {
  kind: CarrierKind;
  /** only carriers made for this model's outline */
  outline?: boolean;
}

/** A step, and how it and what comes before it take places. */
export type PlacedStep = Step & { place?: PlaceNeed; noWait?: boolean };

export const place: AspectKind<'place', PlaceNeed, never, PlacedStep> = {
  key: 'place',
  name: 'places',
  words: (need) => (need ? `a ${need.kind}${need.outline ? ' of its outline' : ''}` : '—'),
  marks: (need) => [`in a ${need.kind}`],
  checkWorld(need, step, route, world) {
    // A step that goes straight into such a place says so itself.
    if (world.carriers.some((c) => c.rig === null && suits(c, need, route.modelId)) || before(route, step.id).some((b) => b.noWait))
      return [];
    return [`"${step.name}" needs places in a ${need.kind}, and there is none for this model`];
  },
};
