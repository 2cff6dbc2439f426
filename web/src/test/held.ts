import {
  ADHESIVES,
  DEFAULT_MOISTURE_GATE,
  DEFAULT_SPRAY_LIMITS,
  CAUTIONS,
  DEFECTS,
  PAUSE_CAUSES,
  START_CHECKS,
  SPECIES,
  type Batch,
  type FactoryTold,
  type Held,
  type HouseFactory,
  type Operation,
} from '@ample-crane/core';
import { NOW_MS } from './render.tsx';

const step = (id: string, name: string, next: string[], over: Partial<Operation> = {}): Operation => ({
  id,
  name,
  stage: 'bodies',
  component: 'body',
  kind: 'work',
  stationCode: 'BD2',
  setupMinutes: 5,
  minutesPerPiece: 10,
  gate: [],
  next,
  ...over,
});

/** A factory with a binding bench, a booth and a shelf, as a device is told it. */
export const FACTORY_TOLD: FactoryTold<HouseFactory['setUp']['settings']> = {
  models: [],
  routes: [
    {
      id: 'weirstone-1',
      modelId: 'weirstone',
      version: 1,
      operations: [
        step('b-bind', 'Bind body', ['b-spray'], { handOver: true, skill: 'binding' }),
        step('b-spray', 'Spray body', ['b-rest'], {
          coat: { materialId: 'lacquer', volumeSolids: 0.25, coats: 2, wetUm: 100, flashMinutes: 30, recoatMaxMinutes: 600 },
        }),
        step('b-rest', 'Body rests', ['b-out'], {
          kind: 'dwell',
          stationCode: 'BD4',
          gate: [{ kind: 'elapsed', what: 'Rested', minimumMinutes: 60 }],
        }),
        step('b-out', 'Body goes out', [], { kind: 'dispatch' }),
      ],
    },
  ],
  versions: [{ id: 'weirstone-1', modelId: 'weirstone', version: 1, state: 'released', effectiveMs: 0 }],
  stations: [
    { code: 'BD2', name: 'Binding bench', stage: 'bodies', zoneId: 'bench', kind: 'work', places: 1 },
    { code: 'BD4', name: 'Shelf', stage: 'bodies', zoneId: 'bench', kind: 'dwell', places: 12 },
  ],
  carriers: [],
  prerequisites: [],
  materials: [],
  people: [
    {
      id: 'joss',
      name: 'Joss Abara',
      skills: [{ skill: 'binding', level: 2, since: null, until: null }],
      away: [],
      week: null,
      active: true,
    },
    { id: 'ines', name: 'Ines Roth', skills: [], away: [], week: null, active: true },
  ],
  zones: ['bench'],
  settings: {
    factory: { woodRoomZoneId: 'bench' },
    workWeek: { timeZone: 'Europe/Dublin', days: [1, 2, 3, 4, 5], startsAt: '07:00', endsAt: '15:30', holidays: [] },
    sprayLimits: DEFAULT_SPRAY_LIMITS,
    serialPattern: { template: '{SEQ3}', reset: 'never' },
    moistureGate: DEFAULT_MOISTURE_GATE,
    moistureBand: { school: 'shop', halfWidthPct: 1, fixedLowPct: 8, fixedHighPct: 10 },
    moistureExceptions: [],
    kilnSchedules: [],
    species: SPECIES,
    defects: DEFECTS,
    cautions: CAUTIONS,
    pauseCauses: PAUSE_CAUSES,
    startChecks: START_CHECKS,
    adhesives: ADHESIVES,
  },
};

const HOUR_MS = 3_600_000;

/** Six bodies at the binding bench, as a device holds them; or at another step, or further. */
export function heldB7(over: Partial<Batch> = {}): Held {
  const operationId = over.operationId ?? 'b-bind';
  const visitId = `B7/${operationId}/1`;
  const batch: Batch = {
    id: 'B7',
    number: 7,
    modelId: 'weirstone',
    component: 'body',
    orderId: null,
    lotId: 'L101',
    routeId: 'weirstone-1',
    operationId,
    stationCode: 'BD2',
    stage: 'bodies',
    status: 'queued',
    heldStatus: null,
    holdReason: null,
    sinceMs: NOW_MS - HOUR_MS,
    arrivedMs: NOW_MS - HOUR_MS,
    startedMs: NOW_MS - 30 * HOUR_MS,
    endedMs: null,
    dueMs: null,
    quantity: 6,
    visitId,
    jobId: over.status === 'running' ? `${visitId}#1` : null,
    pass: 1,
    redo: false,
    passes: { [operationId]: 1 },
    rounds: {},
    accepted: true,
    signOffs: [],
    wayId: null,
    facts: { choices: {}, species: {}, construction: '' },
    workClass: 'order',
    judged: null,
    parentId: null,
    awayTo: null,
    dueBackMs: null,
    version: 4,
    ...over,
  };
  const { modelId, component, stationCode, stage, quantity, arrivedMs } = batch;
  const common = { batchId: 'B7', stationCode };
  const ids = Array.from({ length: 6 }, (_, i) => `B7-0${i + 1}`);
  const startedMs = over.status === 'running' ? NOW_MS - HOUR_MS / 2 : null;
  return {
    atMs: NOW_MS,
    batchId: 'B7',
    rows: {
      batch: [batch],
      piece: ids.map((id, i) => ({
        id,
        batchId: 'B7',
        component,
        modelId,
        ordinal: i + 1,
        state: 'good',
        lotId: 'L101',
        blankId: null,
        serial: null,
        intoId: null,
        setId: null,
        grit: null,
        coats: 0,
        lastCoat: null,
        inRig: null,
        stay: null,
        trail: [{ batchId: 'B7', fromMs: arrivedMs }],
      })),
      visit: [
        {
          id: visitId,
          ...common,
          modelId,
          component,
          operationId,
          stage,
          pass: 1,
          redo: false,
          quantity,
          arrivedMs,
          startedMs,
          finishedMs: null,
          leftMs: null,
          good: 0,
          rework: 0,
          scrap: 0,
          touchMs: 0,
          personId: null,
          continues: [],
          run: null,
        },
      ],
      job:
        startedMs === null
          ? []
          : [
              {
                id: `${visitId}#1`,
                stationCode,
                openAt: stationCode,
                bench: 1,
                wayId: 'own',
                personIds: ['joss'],
                settings: [],
                fromMs: startedMs,
                toMs: null,
                shares: [{ batchId: 'B7', visitId, operationId, pieceIds: ids, fromMs: startedMs, toMs: null }],
              },
            ],
      placement: [],
      instrument: [],
      measure: [],
    },
    taken: {},
    air: { atMs: NOW_MS, tempC: 21, relativeHumidity: 0.5 },
    temperatures: [],
    stationCodes: [stationCode],
    rigIds: [],
    programs: [],
    waiting: { BD4: [] },
    boxIds: [],
  };
}
