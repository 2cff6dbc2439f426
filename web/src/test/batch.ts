import type { View } from '../ground/api.ts';
import { NOW_MS } from './render.tsx';

type Batch = View<'BatchView'>;

const HOUR_MS = 3_600_000;

/** Six Weirstone bodies in clamps, or whatever else a test says. */
export const aBatch = (over: Partial<Batch> = {}): Batch => ({
  id: 'B7',
  number: 7,
  component: 'body',
  modelId: 'weirstone',
  modelName: 'Weirstone',
  orderId: 'O1001',
  lotId: 'L101',
  operationId: 'b-clamp',
  operationName: 'Blank in clamps',
  operationKind: 'dwell',
  stage: 'roughMill',
  stationCode: 'RM3',
  stationName: 'Blank clamps',
  status: 'dwelling',
  sinceMs: NOW_MS - 20 * HOUR_MS,
  arrivedMs: NOW_MS - 20 * HOUR_MS,
  startedMs: NOW_MS - 30 * HOUR_MS,
  endedMs: null,
  dueMs: NOW_MS + 900 * HOUR_MS,
  quantity: 6,
  placements: [{ carrierId: 'R03', carrierName: 'Rack 3', pieces: 6 }],
  accepted: false,
  handOver: false,
  redo: false,
  trial: false,
  parentId: null,
  awayTo: null,
  dueBackMs: null,
  routeId: 'weirstone-1',
  holdReason: null,
  pass: 1,
  worker: null,
  missing: [],
  question: null,
  acceptFor: null,
  version: 4,
  nextOperationName: 'Machine bodies',
  skill: null,
  verdict: 'wait',
  untilMs: NOW_MS + 4 * HOUR_MS,
  done: 20 / 24,
  touchMinutes: 0,
  findings: [],
  ...over,
});
