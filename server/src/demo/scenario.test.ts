import { beforeAll, describe, expect, test } from '@jest/globals';
import {
  ADHESIVES,
  SPECIES,
  CAUTIONS,
  ALL_BODIES,
  BodyHour,
  checkRoute,
  checkSerialPattern,
  constraintViews,
  correctedMoisturePct,
  DAY_MS,
  emcTrace,
  equilibriumMoisturePct,
  findExcursions,
  flowFigures,
  fromWholeHour,
  hourOf,
  mean,
  MINUTE_MS,
  NARROW_SHARE,
  operationOf,
  USUAL_LEVEL,
  type Operation,
  Batch,
  Coat,
  Defect,
  Job,
  LeadTimes,
  StationHour,
  Reading,
  ReadingSession,
  Lot,
  RouteBook,
} from '@ample-crane/core';
import { simulate } from './habits/simulate.ts';
import { DEMO_MATERIALS } from './materials.ts';
import { DEMO_MODELS } from './models.ts';
import { DEMO_PEOPLE } from './people.ts';
import { demoClimate, demoScenario, FLOOR_HISTORY_DAYS } from './scenario.ts';
import { DEMO_VERSIONS } from './versions.ts';
import { DEMO_CARRIERS, DEMO_STATIONS, DEMO_ZONES } from './stations.ts';

const NOW = Date.parse('2026-11-17T07:10:00Z');
let scenario: ReturnType<typeof demoScenario>;
let routes: RouteBook;
let world: ReturnType<typeof simulate>;

beforeAll(() => {
  scenario = demoScenario(NOW);
  world = simulate(scenario);
  routes = new RouteBook(scenario.routes);
});

/** Figures of a stretch; the buffing bench has had one wheel since the other was lost. */
const figures = (fromDaysAgo: number, toDaysAgo: number) => {
  const { rows, entries } = world;
  const window = fromWholeHour({ fromMs: NOW - fromDaysAgo * DAY_MS, toMs: NOW - toDaysAgo * DAY_MS });
  return flowFigures(
    {
      stations: scenario.stations.map((s) => ({ code: s.code, benches: s.benches[0]?.count ?? 1 })),
      places: entries.flatMap((e) =>
        e.kind === 'setup.changed' ? [{ station: e.payload.id, atMs: e.atMs, after: (e.payload.after as { places: number }).places }] : [],
      ),
      hours: rows.all(StationHour),
      goingOn: rows.all(Job).filter((job) => job.toMs === null),
      bodies: rows.find(BodyHour, ALL_BODIES),
      bodyHours: rows.all(BodyHour).filter((hour) => hour.id !== ALL_BODIES && hour.hour >= hourOf(window.fromMs)),
      leads: rows.all(LeadTimes),
    },
    window,
    scenario.time,
  );
};

describe('the factory itself', () => {
  test.each(DEMO_VERSIONS.map(({ route }) => [route.id, route] as const))('%s can be built here', (_, route) => {
    const model = DEMO_MODELS.find((m) => m.id === route.modelId);
    if (!model) throw new Error(`No model ${route.modelId}`);
    const world = {
      stationCodes: new Set(DEMO_STATIONS.map((s) => s.code)),
      skillLevels: new Map(DEMO_PEOPLE.flatMap((p) => p.skills.map((skill) => [skill, USUAL_LEVEL] as const))),
      carriers: DEMO_CARRIERS,
      modelIds: new Set(DEMO_MODELS.map((m) => m.id)),
      materialIds: new Set(DEMO_MATERIALS.map((m) => m.id)),
      adhesives: new Map(ADHESIVES.map((a) => [a.id, { kind: a.kind, materials: a.materials.map((m) => m.name) }])),
      cautionKeys: new Set(CAUTIONS.map((c) => c.key)),
      speciesNames: new Set(SPECIES.map((s) => s.name)),
      facts: { species: Object.fromEntries(Object.entries(model.wood).map(([c, n]) => [c, n.species])), construction: model.construction },
    };
    expect(checkRoute(route, world)).toEqual([]);
    for (const step of route.operations) {
      expect(DEMO_STATIONS.map((s) => s.code)).toContain(step.stationCode);
      if (step.skill !== undefined) expect(DEMO_PEOPLE.some((p) => p.skills.includes(step.skill ?? ''))).toBe(true);
      for (const c of step.characteristics ?? []) expect(c.low < c.target && c.target < c.high).toBe(true);
    }
  });
  test('its serials do not repeat within their period', () => {
    expect(checkSerialPattern(scenario.serialPattern)).toEqual([]);
    expect(new Set(DEMO_MODELS.map((m) => m.code)).size).toBe(DEMO_MODELS.length);
  });
  test('every wood its models ask for is sold by someone', () => {
    const wanted = DEMO_MODELS.flatMap((m) => Object.values(m.wood).map((need) => need.species));
    for (const species of wanted) expect(scenario.suppliers.some((s) => s.sells[species] !== undefined)).toBe(true);
  });
});

test('a route that changed leaves what was begun on it as it was', () => {
  const { rows } = world;
  const { sinceDaysAgo, route } = DEMO_VERSIONS.find((v) => v.sinceDaysAgo !== null) ?? {};
  const changedMs = NOW - (sinceDaysAgo ?? 0) * DAY_MS;
  const begun = world.entries.flatMap((e) => (e.kind === 'batch.started' && e.payload.modelId === route?.modelId ? [e] : []));
  const times = (routeId: string | undefined) => begun.filter((e) => e.payload.routeId === routeId).map((e) => e.atMs);
  expect(Math.max(...times('millrace-1'))).toBeLessThan(changedMs);
  expect(Math.min(...times(route?.id))).toBeGreaterThanOrEqual(changedMs);
  const inWork = new Set(rows.all(Batch).flatMap((b) => (b.modelId === route?.modelId && b.status !== 'done' ? [b.routeId] : [])));
  expect(inWork).toEqual(new Set(['millrace-1', route?.id]));
});

describe('its routes, between them, say everything a route can say', () => {
  const operations = DEMO_MODELS.flatMap((m) => m.route.operations);
  const have = (what: (o: Operation) => unknown) => operations.filter(what).length > 0;
  test.each<[string, (o: Operation) => unknown]>([
    ['components that are joined', (o) => o.kind === 'join'],
    ['joining only what was cut from one block', (o) => o.kind === 'join' && o.matchedSet],
    ['parting and fitting again', (o) => o.kind === 'refit'],
    ['a loop of so many rounds', (o) => o.repeat?.kind === 'count' && o.repeat.timesByOption],
    ['a loop until somebody accepts', (o) => o.repeat?.kind === 'until accepted'],
    ['another way to the same end', (o) => (o.ways?.length ?? 0) > 0],
    ['a step for some options', (o) => o.when?.kind === 'option'],
    ['a step for some species', (o) => o.when?.kind === 'species'],
    ['a step for some constructions', (o) => o.when?.kind === 'construction'],
    ['a wait with a maximum', (o) => o.gate.some((r) => r.kind === 'elapsed' && r.maximumMinutes)],
    ['a wait by equivalent time', (o) => o.gate.some((r) => r.kind === 'equivalent')],
    ['a gate on a measure', (o) => o.gate.some((r) => r.kind === 'inBand')],
    ['a gate that waits for a person', (o) => o.gate.some((r) => r.kind === 'signOff')],
    ['no waiting between two steps', (o) => o.noWait],
    ['a program', (o) => o.needs?.some((n) => n.kind === 'program')],
    ['a fixture', (o) => o.needs?.some((n) => n.kind === 'fixture')],
    ['an accepted sample', (o) => o.needs?.some((n) => n.kind === 'sample')],
    ['a kit', (o) => o.needs?.some((n) => n.kind === 'kit')],
    ['a skill at a level', (o) => o.skillLevel],
    ['a hand-over', (o) => o.handOver],
    ['work at another house', (o) => o.kind === 'outside'],
    ['a transfer between buildings', (o) => o.kind === 'transfer'],
    ['a buffer', (o) => o.kind === 'buffer' && o.next.length > 0],
    ['small parts made ahead', (o) => o.component === 'small part'],
    ['drawing small parts', (o) => o.draws],
  ])('%s', (_, what) => {
    expect(have(what)).toBe(true);
  });
  test.each(['form', 'mould', 'freezer shelf'])('places in a %s', (kind) => {
    expect(have((o) => o.place?.kind === kind)).toBe(true);
  });
  test.each(['clamp rack', 'hose table', 'press', 'vacuum table'])('pressed in a %s', (kind) => {
    expect(have((o) => o.rig?.kind === kind)).toBe(true);
  });
});

describe('its climate', () => {
  test('is warmer and damper outside the heating season, in every room', () => {
    const monthly = (zoneId: string, month: string) =>
      mean(
        Array.from({ length: 28 * 24 }, (_, h) => demoClimate(NOW)(zoneId, Date.parse(`2026-${month}-01T00:00:00Z`) + h * 3_600_000).tempC),
      );
    for (const zone of DEMO_ZONES) expect(monthly(zone.id, '07')).toBeGreaterThan(monthly(zone.id, '01'));
  });
  test('keeps the wood room near its set point and lets the shed go with the weather', () => {
    const spread = (zoneId: string) => {
      const climate = demoClimate(NOW);
      const emc = Array.from({ length: 365 }, (_, d) => climate(zoneId, NOW - (d + 50) * DAY_MS)).map((air) =>
        equilibriumMoisturePct(air.tempC, air.relativeHumidity),
      );
      return Math.max(...emc) - Math.min(...emc);
    };
    expect(spread('wood')).toBeLessThan(2.5);
    expect(spread('shed')).toBeGreaterThan(4);
  });
  test('tells of the days the humidifier ran on, and of no others', () => {
    const climate = demoClimate(NOW);
    const samples = Array.from({ length: 90 * 24 }, (_, h) => {
      const atMs = NOW - (90 * 24 - h) * 3_600_000;
      return { atMs, ...climate('wood', atMs) };
    });
    const excursions = findExcursions(emcTrace(samples, NOW - 90 * DAY_MS, NOW), { low: 6.5, high: 9.9 }, DAY_MS);
    expect(excursions.map((e) => [e.kind, Math.round((NOW - e.fromMs) / DAY_MS), Math.round((e.toMs - e.fromMs) / DAY_MS)])).toEqual([
      ['too wet', 38, 12],
    ]);
  });
});

describe('its history', () => {
  test('was made of commands, none of which was refused', () => {
    expect(world.refused).toEqual([]);
  });
  test('is the same for the same seed and clock', () => {
    const again = simulate(demoScenario(NOW));
    expect(again.entries.length).toBe(world.entries.length);
    expect(again.entries.at(-1)).toEqual(world.entries.at(-1));
    expect(again.entries[Math.floor(world.entries.length / 2)]).toEqual(world.entries[Math.floor(world.entries.length / 2)]);
  });
  test('ends now, after 150 days on the floor and two years of lots', () => {
    const last = world.entries.at(-1);
    expect(last && NOW - last.atMs).toBeLessThan(3 * DAY_MS);
    expect(world.entries.every((e) => e.atMs <= NOW)).toBe(true);
    const started = world.entries.filter((e) => e.kind === 'batch.started');
    expect(NOW - (started[0]?.atMs ?? 0)).toBeGreaterThan((FLOOR_HISTORY_DAYS - 4) * DAY_MS);
    const lots = world.rows.all(Lot);
    expect(NOW - Math.min(...lots.map((l) => l.receivedMs))).toBeGreaterThan(725 * DAY_MS);
    expect(new Set(lots.map((l) => l.state))).toEqual(new Set(['drying', 'released', 'used up']));
  });
  test('leaves some forty to sixty batches in work, at many stages', () => {
    const active = world.rows.all(Batch).filter((b) => b.status !== 'done');
    expect(active.length).toBeGreaterThanOrEqual(34);
    expect(active.length).toBeLessThanOrEqual(60);
    expect(new Set(active.map((b) => b.stage)).size).toBeGreaterThanOrEqual(6);
  });
  test('has readings that follow the room they were taken in', () => {
    const { rows } = world;
    // Before the humidifier ran on: since then the room and the wood in it are apart.
    const settled = rows
      .all(Lot)
      .filter((l) => l.zoneId === 'wood' && l.sessions >= 4 && l.releasedMs !== null && l.releasedMs < NOW - 40 * DAY_MS);
    expect(settled.length).toBeGreaterThan(20);
    for (const lot of settled) {
      const air = demoClimate(NOW)('wood', lot.lastReadMs ?? NOW);
      expect(Math.abs((lot.meanPct ?? 0) - equilibriumMoisturePct(air.tempC, air.relativeHumidity))).toBeLessThan(2.2);
    }
    for (const reading of rows.all(Reading).slice(0, 500)) {
      const session = rows.get(ReadingSession, reading.sessionId);
      expect(reading.correctedPct).toBeCloseTo(correctedMoisturePct(reading.rawPct, session.woodTempC), 2);
    }
  });
  test('has one lot in the shed that will never get there', () => {
    const shed = world.rows.all(Lot).filter((l) => l.zoneId === 'shed');
    expect(shed).toHaveLength(1);
    expect(shed[0]?.state).toBe('drying');
  });
  test('hangs together: Little’s law holds over a stretch of steady work', () => {
    // Two lead times and more, after the first has filled the floor.
    const f = figures(140, 30);
    expect(f.shipped).toBeGreaterThan(100);
    expect(Math.abs(f.littleResidual ?? 1)).toBeLessThan(0.1);
  });
  test('has a narrow that is real since a wheel was lost, and had none before', () => {
    const before = constraintViews(figures(90, 31));
    const after = constraintViews(figures(29, 0));
    expect(before.byLoad?.ratio).toBeLessThan(NARROW_SHARE);
    for (const view of [after.byLoad, after.byActivePeriod, after.byShare]) expect(view?.station).toBe('FN5');
    // Work on trials apart, as everywhere.
    expect(after.byLoad?.ratio).toBeGreaterThan(NARROW_SHARE);
    expect(after.byShare?.share).toBeGreaterThan(0.3);
  });
  test('is used as a factory is: most of its stations neither idle nor full', () => {
    const shares = figures(110, 31)
      .stations.filter((s) => s.arrivedLoadMs > 0 && s.code !== 'DP1')
      .map((s) => s.loadRatio);
    expect(shares.filter((share) => share > 0.45 && share < 0.85).length).toBeGreaterThan(shares.length * 0.7);
  });
  test('leaves this morning’s decisions open: what came free since yesterday noon waits to be moved', () => {
    const { rows } = world;
    const free = rows.all(Batch).filter((b) => {
      if (b.status !== 'dwelling') return false;
      const rule = operationOf(routes.routeOf(b), b.operationId).gate[0];
      const waited = NOW - b.arrivedMs;
      return rule?.kind === 'elapsed'
        ? waited >= rule.minimumMinutes * MINUTE_MS
        : rule?.kind === 'equivalent' && waited >= rule.minimumDays * DAY_MS;
    });
    expect(free.length).toBeGreaterThanOrEqual(1);
    const moved = world.entries.filter((e) => e.kind === 'batch.moved' && e.atMs >= NOW - (NOW % DAY_MS));
    for (const e of moved)
      expect(e.kind === 'batch.moved' && operationOf(routes.route(rows.get(Batch, e.batchId).routeId), e.payload.from).kind).not.toBe(
        'dwell',
      );
  });
  test('keeps its own flash times between coats', () => {
    const { rows } = world;
    const coats = rows.all(Coat).sort((a, b) => (a.visitId < b.visitId ? -1 : a.visitId > b.visitId ? 1 : a.atMs - b.atMs));
    expect(coats.length).toBeGreaterThan(250);
    coats.slice(1).forEach((coat, i) => {
      const before = coats[i];
      if (before?.visitId === coat.visitId) expect(coat.atMs).toBeGreaterThanOrEqual(before.flashUntilMs - MINUTE_MS);
    });
  });
  test('spares nobody: rework, scrap, pauses and people away all happen', () => {
    const kinds = new Set(world.entries.map((e) => e.kind));
    for (const kind of [
      'lot.read',
      'lot.released',
      'work.finished',
      'batch.moved',
      'coat.logged',
      'measures.taken',
      'instruments.fitted',
      'instrument.shipped',
      'parts.joined',
      'stock.drawn',
      'batch.called',
      'batch.sent',
      'batch.split',
      'batch.merged',
      'instruments.parted',
      'instruments.refitted',
      'handover.accepted',
      'handover.refused',
      'gate.signedOff',
    ] as const)
      expect(kinds).toContain(kind);
    const defects = world.rows.all(Defect);
    expect(new Set(defects.map((d) => d.disposition))).toEqual(new Set(['rework', 'scrap']));
    expect(scenario.people.some((p) => p.away.length > 0)).toBe(true);
    expect(world.rows.all(Batch).some((b) => b.workClass === 'trial')).toBe(true);
  });
});
