import { DEFAULT_SPRAY_LIMITS } from '../climate/index.ts';
import type { Carrier } from '../carriers/index.ts';
import {
  ADHESIVES,
  CAUTIONS,
  DEFECTS,
  Factory,
  heldSkill,
  PAUSE_CAUSES,
  START_CHECKS,
  type SetUp,
  type Model,
  type Person,
  type PrerequisiteRecord,
  type Station,
} from '../factory/index.ts';
import type { HouseFactory } from '../ledger.ts';
import { COMPONENTS, type Route } from '../routing/index.ts';
import { DEFAULT_MOISTURE_GATE, KILN_SCHEDULES, SPECIES } from '../timber/index.ts';
import { START_MS } from './start.ts';

/** How many pieces can wait at a station where waiting is the step. */
export const WAITING_PLACES = 24;

const wood = { species: 'mahogany', use: 'body', volumeM3: 0.004, thicknessMm: 50 } as const;

/** A small factory in which everything is there: its parts can be taken away again. */
export function testFactory(routes: ReadonlyMap<string, Route>, carriers: readonly Carrier[], over: Partial<SetUp> = {}): HouseFactory {
  const steps = [...routes.values()].flatMap(({ modelId, operations }) => operations.map((step) => ({ step, modelId })));
  const ways = steps.flatMap(({ step }) => [step, ...(step.ways ?? [])]);
  const gateSkills = steps.flatMap(({ step }) => step.gate.flatMap((r) => (r.kind === 'signOff' ? [r.skill] : [])));
  const skills = [...new Set([...ways.flatMap((w) => w.skill ?? []), ...gateSkills, 'eye'])];
  const ann: Person = { id: 'ann', name: 'Ann', skills: skills.map((s) => heldSkill(s, 3)), away: [], week: null, active: true };
  /** holds every skill, but as a learner */
  const bob: Person = {
    ...ann,
    id: 'bob',
    name: 'Bob',
    skills: skills.filter((s) => s !== 'eye').map((s) => heldSkill(s, 1)),
  };
  const model = (id: string): Model => ({
    id,
    code: id.slice(0, 2).toUpperCase(),
    name: id,
    construction: '',
    batchSize: 6,
    clearance: { lowMm: 0, targetMm: 0.1, highMm: 0.2 },
    wood: Object.fromEntries(COMPONENTS.map((component) => [component, wood])),
    active: true,
  });
  const waits = new Set(steps.flatMap(({ step }) => (step.kind === 'dwell' ? [step.stationCode] : [])));
  const station = (code: string): Station => ({
    code,
    name: code,
    stage: 'bodies',
    zoneId: 'bench',
    ...(waits.has(code) ? { kind: 'dwell', places: WAITING_PLACES } : { kind: 'work', places: 2 }),
  });
  return new Factory({
    models: new Map([...routes.values()].map((r) => [r.modelId, model(r.modelId)])),
    routes,
    versions: [...routes.values()].map((r, i) => ({
      id: r.id,
      modelId: r.modelId,
      version: r.version,
      state: 'released',
      effectiveMs: START_MS - 1000 + i,
    })),
    stations: new Map(ways.map((w) => [w.stationCode, station(w.stationCode)])),
    carriers: new Map(carriers.map((c) => [c.id, { ...c, active: true }])),
    prerequisites: steps.flatMap(({ step, modelId }) =>
      (step.needs ?? []).flatMap(({ kind, what }): PrerequisiteRecord[] =>
        kind === 'program' ? [] : [{ kind, what, modelId, revision: '1', state: 'released', note: '' }],
      ),
    ),
    materials: new Map(),
    people: new Map([ann, bob].map((p) => [p.id, p])),
    zones: new Set(['wood', 'bench', 'kiln']),
    ...over,
    settings: {
      factory: { woodRoomZoneId: 'wood' },
      sprayLimits: DEFAULT_SPRAY_LIMITS,
      kilnSchedules: KILN_SCHEDULES,
      species: SPECIES,
      defects: DEFECTS,
      cautions: CAUTIONS,
      pauseCauses: PAUSE_CAUSES,
      startChecks: START_CHECKS,
      adhesives: ADHESIVES,
      moistureGate: DEFAULT_MOISTURE_GATE,
      moistureBand: { school: 'fixed', halfWidthPct: 1, fixedLowPct: 6, fixedHighPct: 10 },
      moistureExceptions: [],
      serialPattern: { template: 'S{SEQ2}', reset: 'never' },
      workWeek: { timeZone: 'UTC', days: [1, 2, 3, 4, 5], startsAt: '07:00', endsAt: '15:30', holidays: [] },
    },
  });
}
