import type { View } from '../ground/api.ts';
import { aBatch } from './batch.ts';
import { NOW_MS } from './render.tsx';

type Card = View<'CardView'>;

/** The card of six Weirstone bodies waiting at the binding bench, or whatever else a test says. */
export const aCard = ({ batch, ...over }: Partial<Omit<Card, 'batch'>> & { batch?: Partial<View<'BatchView'>> } = {}): Card => ({
  batch: aBatch({
    operationId: 'b-bind',
    operationName: 'Bind body',
    operationKind: 'work',
    stage: 'bodies',
    stationCode: 'BD2',
    stationName: 'Binding bench',
    status: 'queued',
    sinceMs: NOW_MS - 3_600_000,
    verdict: 'pass',
    untilMs: null,
    skill: 'binding',
    nextOperationName: 'Binding sets',
    ...batch,
  }),
  customer: 'Harbour Hall Music',
  options: [],
  pieces: [],
  inPass: ['B7-01', 'B7-02', 'B7-03', 'B7-04', 'B7-05', 'B7-06'],
  visits: [],
  forecast: [],
  coats: [],
  coatsThisVisit: 0,
  coatPlan: null,
  build: null,
  coatFindings: [],
  characteristics: [],
  unmeasured: [],
  measures: [],
  defects: [],
  overrides: [],
  log: [],
  cautions: [],
  defectKinds: { usual: ['binding gap'], other: ['dent'] },
  originChoices: [],
  workers: [
    { id: 'joss', name: 'Joss Abara' },
    { id: 'ines', name: 'Ines Quarrie' },
  ],
  accepters: [],
  fittedInto: [],
  ways: [],
  besides: [],
  together: [],
  hostsHere: true,
  undo: null,
  stationPass: 1,
  stationPasses: 1,
  mainCaution: null,
  ...over,
});
