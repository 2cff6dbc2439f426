import { pathFrom } from './graph.ts';
import type { Operation, Route } from './operation.ts';
import type { RouteWorld } from './world.ts';

interface Glued {
  step: Operation;
  face: string;
  kind: string;
}

/**
 * Faces that are to be glued with wood glue although epoxy was on them before: it fills the wood, and wood glue does not
 * hold on it unless the face is sanded back first.
 */
export function checkFaces(route: Route, { adhesives }: Pick<RouteWorld, 'adhesives'>): { step: Operation; message: string }[] {
  const glued = route.operations.flatMap((step): Glued[] =>
    step.gate.flatMap((rule) => {
      const kind = rule.kind === 'pressed' && rule.adhesiveId !== undefined ? adhesives.get(rule.adhesiveId)?.kind : undefined;
      return rule.kind === 'pressed' && rule.face !== undefined && kind !== undefined ? [{ step, face: rule.face, kind }] : [];
    }),
  );
  return glued.flatMap((first) => {
    if (first.kind !== 'epoxy') return [];
    const after = pathFrom(route, first.step.id).slice(1);
    const sanded = after.findIndex((o) => o.grit !== undefined);
    const reach = new Set((sanded < 0 ? after : after.slice(0, sanded)).map((o) => o.id));
    return glued
      .filter((g) => g.kind === 'wood glue' && g.face === first.face && reach.has(g.step.id))
      .map((g) => ({
        step: g.step,
        message: `"${g.step.name}" puts wood glue on the ${g.face}, where "${first.step.name}" left epoxy: it does not hold unless a step between sands it back`,
      }));
  });
}
