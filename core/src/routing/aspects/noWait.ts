import { suits } from '../../carriers/index.ts';
import { onward, type RouteOf } from '../graph.ts';
import type { AspectKind } from './aspect.ts';
import type { PlacedStep } from './place.ts';

const into = (route: RouteOf<PlacedStep>, step: PlacedStep) => route.operations.find((o) => o.id === onward(route, step));

/** Goes straight into the next step's place: not begun unless one is free for every piece. */
export const noWait: AspectKind<'noWait', boolean, never, PlacedStep> = {
  key: 'noWait',
  name: 'may wait after it',
  words: (set) => (set ? 'no' : 'yes'),
  marks: (set) => (set ? ['no waiting after'] : []),
  checkPath: (set, step, route) =>
    set && !into(route, step)?.place ? [`"${step.name}" may not wait, but the step after it names no place to go straight into`] : [],
  checkWorld(set, step, route, world) {
    const next = into(route, step);
    const need = next?.place;
    if (!set || !next || !need || world.carriers.some((c) => c.rig === null && suits(c, need, route.modelId))) return [];
    return [`"${step.name}" goes straight into a ${need.kind} at "${next.name}", and there is none for this model`];
  },
};
