import type { Batch, Piece, SheetSaid } from '../batches/index.ts';
import { NO_FACTS, type Operation, type StepSheet } from '../routing/index.ts';

/** A step of a test's route; work of cutting unless told otherwise. */
export const step = (id: string, component: Operation['component'], next: string[], over: Partial<Operation> = {}): Operation => ({
  id,
  name: id,
  component,
  next,
  kind: 'work',
  stage: 'machining',
  stationCode: `S-${id}`,
  skill: 'cutting',
  setupMinutes: 10,
  minutesPerPiece: 5,
  gate: [],
  ...over,
});

/** A wait of so many hours. */
export const wait = (
  id: string,
  component: Operation['component'],
  next: string[],
  hours: number,
  over: Partial<Operation> = {},
): Operation =>
  step(id, component, next, {
    kind: 'dwell',
    setupMinutes: 0,
    minutesPerPiece: 0,
    gate: [{ kind: 'elapsed', what: 'Waited', minimumMinutes: hours * 60 }],
    ...over,
  });

/** A batch of three bodies that waits to be cut. */
export const batchOf = (over: Partial<Batch> = {}): Batch => ({
  id: 'B1',
  number: 1,
  modelId: 'm',
  component: 'body',
  orderId: null,
  lotId: 'L1',
  routeId: 'r1',
  operationId: 'cut',
  stationCode: 'S',
  stage: 'machining',
  status: 'queued',
  heldStatus: null,
  holdReason: null,
  sinceMs: 0,
  arrivedMs: 0,
  startedMs: 0,
  endedMs: null,
  dueMs: null,
  quantity: 3,
  visitId: 'v',
  jobId: null,
  pass: 1,
  redo: false,
  passes: {},
  rounds: {},
  accepted: false,
  signOffs: [],
  wayId: null,
  facts: NO_FACTS,
  workClass: 'order',
  judged: null,
  parentId: null,
  awayTo: null,
  dueBackMs: null,
  version: 1,
  ...over,
});

/** Pieces of batch B1, all good. */
export const piecesOf = (count = 3, over: Partial<Piece> = {}): Piece[] =>
  Array.from({ length: count }, (_, i) => ({
    id: `B1-0${i + 1}`,
    batchId: 'B1',
    component: 'body',
    modelId: 'm',
    ordinal: i + 1,
    state: 'good',
    lotId: null,
    blankId: null,
    serial: null,
    intoId: null,
    setId: null,
    grit: null,
    coats: 0,
    lastCoat: null,
    bareMs: null,
    wipedMs: null,
    inRig: null,
    stay: null,
    trail: [],
    bodyFromMs: null,
    outMs: null,
    ...over,
  }));

/** A step sheet as it comes back wholly filled in. */
export const filledIn = ({ ticks = [], notes = [] }: StepSheet): SheetSaid => ({
  ticks: ticks.map((t) => t.key),
  notes: notes.map(({ id, figure }) => ({ id, ...(figure ? { figure: figure.low } : { words: 'as usual' }) })),
});
