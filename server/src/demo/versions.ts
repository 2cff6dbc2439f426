import { changeStep, insertAfter, operationOf, type Route } from '@ample-crane/core';
import type { RouteState } from '../factory/factory.entity.ts';
import { DEMO_MODELS } from './models.ts';

/** One version of a model's route: how it was built before, how it is, or how somebody means to. */
export interface DemoVersion {
  route: Route;
  state: RouteState;
  /** since when it is in force; null for always, or never yet */
  sinceDaysAgo: number | null;
  reason: string;
}

const first = (modelId: string): Route => {
  const model = DEMO_MODELS.find((m) => m.id === modelId);
  if (!model) throw new Error(`The demo builds no ${modelId}`);
  return model.route;
};
const next = (route: Route): Route => ({ ...route, id: `${route.modelId}-${route.version + 1}`, version: route.version + 1 });

/** Shops sent back two with dull spots that lamplight does not show. */
const lookedOverInDaylight = insertAfter(next(first('millrace')), 'b-buff', {
  name: 'Look over in daylight',
  kind: 'work',
  stage: 'finishing',
  stationCode: 'FN1',
  skill: 'finish prep',
  setupMinutes: 2,
  minutesPerPiece: 3,
}).route;

/** The lead means to try what a jig would save at the binding bench. */
const boundInAJig = changeStep(next(first('weirstone')), 'b-bind', {
  minutesPerPiece: operationOf(first('weirstone'), 'b-bind').minutesPerPiece - 12,
});

export const DEMO_VERSIONS: readonly DemoVersion[] = [
  ...DEMO_MODELS.map(({ route }) => ({
    route,
    state: 'released' as const,
    sinceDaysAgo: null,
    reason: 'As the model was first built',
  })),
  { route: lookedOverInDaylight, state: 'released', sinceDaysAgo: 24, reason: 'Dull spots came back from two shops' },
  { route: boundInAJig, state: 'draft', sinceDaysAgo: null, reason: '' },
];
