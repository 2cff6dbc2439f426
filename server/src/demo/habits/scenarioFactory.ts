import {
  ADHESIVES,
  DEFAULT_SPRAY_LIMITS,
  CAUTIONS,
  DEFECTS,
  PAUSE_CAUSES,
  START_CHECKS,
  Factory,
  type HouseFactory,
  KILN_SCHEDULES,
  type PrerequisiteRecord,
  type RouteVersion,
  SPECIES,
  type Stage,
  type Station,
} from '@ample-crane/core';
import type { Scenario } from './scenario.ts';

/** The factory of a scenario: everybody is there, and whatever must exist first does. */
export function scenarioFactory(scenario: Scenario): HouseFactory {
  const steps = [...scenario.routes.values()].flatMap((route) => route.operations.map((step) => ({ step, modelId: route.modelId })));
  const stageOf = (code: string): Stage => steps.find(({ step }) => step.stationCode === code)?.step.stage ?? 'roughMill';
  const stations = scenario.stations.map(({ code, zoneId, benches }): [string, Station] => [
    code,
    { code, name: code, stage: stageOf(code), zoneId, kind: 'work', places: Math.max(...benches.map((b) => b.count)) },
  ]);
  const versions = scenario.models.flatMap(({ id, versions: known }) =>
    known.map(({ fromMs, routeId }, i): RouteVersion => ({
      id: routeId,
      modelId: id,
      version: i + 1,
      state: 'released',
      effectiveMs: fromMs,
    })),
  );
  const prerequisites = steps.flatMap(({ step, modelId }) =>
    (step.needs ?? []).flatMap(({ kind, what }): PrerequisiteRecord[] =>
      kind === 'program' ? [] : [{ kind, what, modelId, revision: '1', state: 'released', note: '' }],
    ),
  );
  return new Factory({
    models: new Map(scenario.models.map((m) => [m.id, { ...m, name: m.id, active: true }])),
    routes: scenario.routes,
    versions,
    stations: new Map(stations),
    carriers: new Map(scenario.carriers.map((c) => [c.id, { ...c, active: true }])),
    prerequisites,
    materials: new Map(scenario.materials.map((m) => [m.id, m])),
    people: new Map(scenario.people.map((p) => [p.id, p])),
    zones: new Set([
      ...scenario.stations.map((s) => s.zoneId),
      scenario.woodRoomZoneId,
      scenario.shedZoneId,
      ...(scenario.kiln ? [scenario.kiln.zoneId] : []),
    ]),
    settings: {
      factory: { woodRoomZoneId: scenario.woodRoomZoneId },
      sprayLimits: DEFAULT_SPRAY_LIMITS,
      kilnSchedules: KILN_SCHEDULES,
      species: SPECIES,
      defects: DEFECTS,
      cautions: CAUTIONS,
      pauseCauses: PAUSE_CAUSES,
      startChecks: START_CHECKS,
      adhesives: ADHESIVES,
      moistureGate: scenario.moistureGate,
      moistureBand: { school: 'shop', halfWidthPct: scenario.bandHalfWidthPct, fixedLowPct: 0, fixedHighPct: 0 },
      moistureExceptions: [],
      serialPattern: scenario.serialPattern,
      workWeek: scenario.workWeek,
    },
  });
}
