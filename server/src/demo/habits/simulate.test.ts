import {
  Batch,
  checkRoute,
  DAY_MS,
  DEFAULT_MOISTURE_GATE,
  heldSkill,
  Instrument,
  isNothing,
  Job,
  LEDGER,
  livePieces,
  Lot,
  type Operation,
  type Person,
  Piece,
  piecesIn,
  type Route,
  RouteBook,
  type RowKind,
  Rows,
  shiftWindows,
  Visit,
  WorkingTime,
  type WorkWeek,
} from '@ample-crane/core';
import { beforeAll, describe, expect, test } from '@jest/globals';
import type { Scenario } from './scenario.ts';
import { simulate } from './simulate.ts';

const NOW = Date.parse('2026-06-30T10:00:00Z');
const WEEK: WorkWeek = {
  timeZone: 'UTC',
  days: [1, 2, 3, 4, 5],
  startsAt: '07:00',
  endsAt: '15:00',
  holidays: [],
};

const step = (
  id: string,
  component: Operation['component'],
  stationCode: string,
  next: string,
  over: Partial<Operation> = {},
): Operation => ({
  id,
  name: id,
  component,
  stationCode,
  next: [next],
  kind: 'work',
  stage: 'machining',
  skill: 'bench',
  setupMinutes: 10,
  minutesPerPiece: 12,
  gate: [],
  ...over,
});
const route: Route = {
  id: 'r',
  modelId: 'm',
  version: 1,
  operations: [
    step('b-cut', 'body', 'S1', 'b-rest', {
      characteristics: [{ id: 'pocketWidth', name: 'Pocket', unit: 'mm', low: 55.95, target: 56.05, high: 56.15 }],
    }),
    step('b-rest', 'body', 'D', 'fit', {
      kind: 'dwell',
      gate: [{ kind: 'elapsed', what: 'Rested', minimumMinutes: 24 * 60 }],
    }),
    step('n-cut', 'neck', 'S1', 'fit', {
      characteristics: [{ id: 'tenonWidth', name: 'Tenon', unit: 'mm', low: 55.85, target: 55.93, high: 56.01 }],
    }),
    step('fit', 'instrument', 'F', 'i-spray', { kind: 'fit', stage: 'fitting', skill: 'neck fitting' }),
    step('i-spray', 'instrument', 'S2', 'i-cure', {
      coat: {
        materialId: 'l',
        volumeSolids: 0.24,
        coats: 2,
        wetUm: 100,
        flashMinutes: 60,
        recoatMaxMinutes: 600,
      },
    }),
    step('i-cure', 'instrument', 'D', 'ship', {
      kind: 'dwell',
      gate: [
        {
          kind: 'equivalent',
          what: 'Cured',
          minimumDays: 3,
          law: { referenceTempC: 21, q10: 2, minimumTempC: 10 },
        },
      ],
    }),
    {
      ...step('ship', 'instrument', 'P', '', { kind: 'dispatch', stage: 'dispatch', skill: 'packing' }),
      next: [],
    },
  ],
};
const person = (id: string, skills: string[]): Person => ({
  id,
  name: id,
  skills: skills.map((s) => heldSkill(s, 2)),
  away: [],
  week: null,
  active: true,
});
const station = (code: string, count = 1) => ({ code, zoneId: 'z', benches: [{ fromMs: 0, count }] });
const scenario = (over: Partial<Scenario> = {}): Scenario => ({
  seed: 5,
  woodFromMs: NOW - 150 * DAY_MS,
  floorFromMs: NOW - 60 * DAY_MS,
  nowMs: NOW,
  materials: [],
  programs: [],
  cutters: [],
  movesUntilMs: NOW,
  releasesUntilMs: NOW,
  time: new WorkingTime(shiftWindows(NOW - 150 * DAY_MS, NOW + 30 * DAY_MS, WEEK)),
  workWeek: WEEK,
  models: [
    {
      id: 'm',
      code: 'M',
      weight: 1,
      batchSize: 5,
      versions: [{ fromMs: 0, routeId: 'r' }],
      construction: 'plain',
      species: { body: 'red alder', neck: 'red alder' },
      options: [],
      clearance: { lowMm: 0.05, targetMm: 0.1, highMm: 0.2 },
      wood: {
        body: { species: 'red alder', use: 'body', volumeM3: 0.01, thicknessMm: 25 },
        neck: { species: 'red alder', use: 'neck', volumeM3: 0.005, thicknessMm: 25 },
      },
    },
  ],
  routes: new Map([['r', route]]),
  stations: ['S1', 'S2', 'D', 'F', 'P'].map((code) => station(code, code === 'D' ? 200 : 1)),
  leadId: 'ann',
  people: [
    person('ann', ['bench', 'neck fitting', 'packing', 'wood grading']),
    { ...person('bob', ['bench']), away: [{ fromMs: NOW - 20 * DAY_MS, toMs: NOW - 15 * DAY_MS }] },
  ],
  carriers: [{ id: 'R1', name: 'R1', kind: 'rack', places: 40, zoneId: 'z', outline: null, rig: null }],
  climate: () => ({ tempC: 21, relativeHumidity: 0.45 }),
  woodRoomZoneId: 'z',
  shedZoneId: 'shed',
  suppliers: [{ name: 'Yard', sells: { 'red alder': 'Here' }, papersPct: 11, arrivesAtPct: 10 }],
  customers: ['Stock'],
  rushes: [],
  setsPerDay: 1,
  promiseDays: 30,
  boardsFromMs: Infinity,
  kiln: null,
  lotEveryDays: 5,
  moistureGate: DEFAULT_MOISTURE_GATE,
  bandHalfWidthPct: 1,
  serialPattern: { template: '{YY}{DDD}{MODEL}{SEQ3}', reset: 'day' },
  scrapShare: 0.02,
  reworkShare: 0.04,
  refusedShare: 0.05,
  trialShare: 0.02,
  wears: null,
  signalsUntilMs: Infinity,
  houses: ['The plater'],
  ...over,
});

const everyKind = () => LEDGER.rooms.flatMap((room) => room.rows.map((kind: RowKind<never>) => ({ kind })));
const sorted = (rows: readonly object[], kind: RowKind<never>) =>
  rows.filter((row) => !isNothing(kind, row)).sort((a, b) => (kind.keyOf(a as never) < kind.keyOf(b as never) ? -1 : 1));

describe('a simulated factory', () => {
  let world: ReturnType<typeof simulate>;
  beforeAll(() => {
    expect(checkRoute(route)).toEqual([]);
    world = simulate(scenario());
  });
  test('asks for nothing that is refused', () => {
    expect(world.refused).toEqual([]);
  });

  test('makes instruments, and the same ones for the same seed', () => {
    expect(world.rows.all(Instrument).filter((i) => i.state === 'shipped').length).toBeGreaterThan(60);
    expect(simulate(scenario()).entries).toEqual(world.entries);
    expect(simulate(scenario({ seed: 6 })).entries).not.toEqual(world.entries);
  });
  test('its logbook, replayed, gives the same state', () => {
    const again = LEDGER.replay(world.entries, new RouteBook(new Map([['r', route]])), new Rows());
    for (const { kind } of everyKind()) expect(sorted(again.all(kind), kind)).toEqual(sorted(world.rows.all(kind), kind));
  });
  test('no piece is lost or doubled', () => {
    for (const batch of world.rows.all(Batch)) expect(livePieces(piecesIn(world.rows, batch.id))).toHaveLength(batch.quantity);
    const fitted = world.rows.all(Piece).filter((p) => p.state === 'fitted');
    const instruments = world.rows.all(Instrument);
    expect(fitted).toHaveLength(2 * instruments.length);
    expect(new Set(instruments.map((i) => i.bodyId)).size).toBe(instruments.length);
    expect(new Set(instruments.map((i) => i.neckId)).size).toBe(instruments.length);
  });
  test('counts of every finished visit add up', () => {
    for (const v of world.rows.all(Visit))
      if (v.finishedMs !== null && v.operationId !== 'fit') expect(v.good + v.rework + v.scrap).toBe(v.quantity);
  });
  test('nobody works outside the shift, at two benches, or while away', () => {
    const byPerson = new Map<string, { fromMs: number; toMs: number }[]>();
    for (const { personIds, fromMs, toMs } of world.rows.all(Job)) {
      expect(scenario().time.isWorking(fromMs)).toBe(true);
      if (personIds.includes('bob')) expect(fromMs >= NOW - 20 * DAY_MS && fromMs < NOW - 15 * DAY_MS).toBe(false);
      for (const id of personIds) byPerson.set(id, [...(byPerson.get(id) ?? []), { fromMs, toMs: toMs ?? NOW }]);
    }
    for (const jobs of byPerson.values()) {
      jobs.sort((a, b) => a.fromMs - b.fromMs);
      jobs.slice(1).forEach((job, i) => expect(job.fromMs).toBeGreaterThanOrEqual(jobs[i]?.toMs ?? 0));
    }
  });
  test('no dwell is cut short', () => {
    for (const v of world.rows.all(Visit)) {
      if (v.operationId === 'b-rest' && v.leftMs !== null) expect(v.leftMs - v.arrivedMs).toBeGreaterThanOrEqual(DAY_MS);
      if (v.operationId === 'i-cure' && v.leftMs !== null) expect(v.leftMs - v.arrivedMs).toBeGreaterThanOrEqual(3 * DAY_MS - 1);
    }
  });
  test('only released wood is cut, and never more than there was', () => {
    for (const batch of world.rows.all(Batch)) {
      const lot = world.rows.get(Lot, batch.lotId);
      expect(lot.releasedMs ?? Infinity).toBeLessThanOrEqual(batch.startedMs);
    }
    for (const lot of world.rows.all(Lot)) expect(lot.leftM3).toBeGreaterThanOrEqual(0);
  });
  test('every pair that was measured lies in its band', () => {
    for (const i of world.rows.all(Instrument))
      if (i.clearanceMm !== null) expect(i.clearanceMm >= 0.05 && i.clearanceMm <= 0.2).toBe(true);
  });
});
