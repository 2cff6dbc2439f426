import {
  DAY_MS,
  HOUR_MS,
  DEFAULT_MOISTURE_GATE,
  shiftWindows,
  WorkingTime,
  type WorkWeek,
  heldSkill,
  USUAL_LEVEL,
} from '@ample-crane/core';
import { DEMO_WEATHER_SEED, roomAir } from '@ample-crane/devices';
import dayjs from 'dayjs';
import timezone from 'dayjs/plugin/timezone.js';
import utc from 'dayjs/plugin/utc.js';
import type { Scenario } from './habits/scenario.ts';
import { demoAbsences } from './absences.ts';
import { DEMO_MATERIALS } from './materials.ts';
import { DEMO_MODELS } from './models.ts';
import { DEMO_PEOPLE } from './people.ts';
import { DEMO_CUTTERS, DEMO_PROGRAMS } from './programs.ts';
import { DEMO_CARRIERS, DEMO_STATIONS, DEMO_ZONES, type DemoZone } from './stations.ts';
import { DEMO_VERSIONS } from './versions.ts';

dayjs.extend(utc);
dayjs.extend(timezone);

export const DEMO_SEED = 20_260_417;
export const WOOD_HISTORY_DAYS = 730;
export const FLOOR_HISTORY_DAYS = 200;
/** When one of the two buffing wheels went out of use: since then buffing holds the line. */
const WHEEL_LOST_DAYS_AGO = 30;

export const DEMO_WORK_WEEK: WorkWeek = {
  timeZone: 'Europe/Dublin',
  days: [1, 2, 3, 4, 5],
  startsAt: '07:00',
  endsAt: '15:30',
  holidays: [],
};

/** Since when the body machine stood for its spindle; it runs again this morning, and bodies wait for it. */
const SPINDLE_DAYS_AGO = 5;

/** A hall wants many of one model at once: its tops wait for the press together. */
const RUSHES = [4, 4, 1].map((daysAgo) => ({ modelId: 'lockkeeper', daysAgo }));

/** Since when pockets grow wider, as the cutter's side goes; and for how long nobody has looked at what the charts say. */
const WORN_DAYS_AGO = 12;
const UNSEEN_DAYS = 8;

/** How long ago the wood room's humidifier ran on, and for how long. */
const HUMIDIFIER_DAYS_AGO = 38;
const HUMIDIFIER_DAYS = 12;
const HUMIDIFIER_BY = 0.2;

/** The rooms, and what went wrong in one of them. */
export function demoZones(nowMs: number): DemoZone[] {
  const fromMs = nowMs - HUMIDIFIER_DAYS_AGO * DAY_MS;
  const ranOn = { fromMs, toMs: fromMs + HUMIDIFIER_DAYS * DAY_MS, humidityBy: HUMIDIFIER_BY };
  return DEMO_ZONES.map((zone) => (zone.id === 'wood' ? { ...zone, troubles: [ranOn] } : zone));
}

/** The air of any room at any time, for a factory whose present is now. */
export function demoClimate(nowMs: number): (zoneId: string, atMs: number) => ReturnType<typeof roomAir> {
  const zones = new Map(demoZones(nowMs).map((z) => [z.id, z]));
  return (zoneId, atMs) => {
    const zone = zones.get(zoneId);
    if (!zone) throw new Error(`No zone ${zoneId}`);
    return roomAir(zone, atMs, DEMO_WEATHER_SEED);
  };
}

const speciesOf = ({ wood }: (typeof DEMO_MODELS)[number]) =>
  Object.fromEntries(Object.entries(wood).map(([component, need]) => [component, need.species]));

/** How many could work at a station side by side, since when. */
function benchesOf({ code, places }: (typeof DEMO_STATIONS)[number], nowMs: number): { fromMs: number; count: number }[] {
  const always = { fromMs: 0, count: places };
  if (code === 'FN5')
    return [
      { fromMs: 0, count: 2 },
      { fromMs: nowMs - WHEEL_LOST_DAYS_AGO * DAY_MS, count: 1 },
    ];
  if (code === 'MC1') return [always, { fromMs: nowMs - SPINDLE_DAYS_AGO * DAY_MS, count: 0 }, { fromMs: nowMs - HOUR_MS, count: places }];
  return [always];
}

/** Heron Lane Works as it has run until now. */
export function demoScenario(nowMs: number): Scenario {
  const woodFromMs = nowMs - WOOD_HISTORY_DAYS * DAY_MS;
  const floorFromMs = nowMs - FLOOR_HISTORY_DAYS * DAY_MS;
  const away = demoAbsences(floorFromMs, nowMs);
  return {
    seed: DEMO_SEED,
    woodFromMs,
    floorFromMs,
    nowMs,
    // What came free since yesterday morning, and the lots that settled these two weeks, wait for the manager's own decision.
    movesUntilMs: dayjs(nowMs).tz(DEMO_WORK_WEEK.timeZone).startOf('day').subtract(18, 'hours').valueOf(),
    releasesUntilMs: nowMs - 15 * DAY_MS,
    time: new WorkingTime(shiftWindows(woodFromMs, nowMs + 60 * DAY_MS, DEMO_WORK_WEEK)),
    workWeek: DEMO_WORK_WEEK,
    materials: DEMO_MATERIALS,
    programs: DEMO_PROGRAMS,
    cutters: DEMO_CUTTERS,
    models: DEMO_MODELS.map((m) => ({
      ...m,
      versions: DEMO_VERSIONS.filter((v) => v.route.modelId === m.id && v.state === 'released').map((v) => ({
        fromMs: v.sinceDaysAgo === null ? 0 : nowMs - v.sinceDaysAgo * DAY_MS,
        routeId: v.route.id,
      })),
      species: speciesOf(m),
      options: m.route.options ?? [],
    })),
    routes: new Map(DEMO_VERSIONS.map(({ route }) => [route.id, route])),
    stations: DEMO_STATIONS.map((s) => ({
      code: s.code,
      zoneId: s.zoneId,
      benches: benchesOf(s, nowMs),
    })),
    leadId: 'lead',
    people: DEMO_PEOPLE.map(({ login, name, skills }, i) => ({
      id: login,
      name,
      skills: skills.map((skill) => heldSkill(skill, USUAL_LEVEL)),
      away: away[i] ?? [],
      week: null,
      active: true,
    })),
    carriers: DEMO_CARRIERS,
    climate: demoClimate(nowMs),
    woodRoomZoneId: 'wood',
    shedZoneId: 'shed',
    kiln: { zoneId: 'cabinet', scheduleId: 'cabinet' },
    suppliers: [
      {
        name: 'Calder Timber Yard',
        sells: { 'sugar maple': 'Vermont, USA', 'red alder': 'Oregon, USA', 'black walnut': 'Indiana, USA', basswood: 'Michigan, USA' },
        arrivesAtPct: 11,
        papersPct: 11,
      },
      {
        name: 'Port Road Hardwoods',
        sells: { mahogany: 'Belize, certified', 'black walnut': 'Missouri, USA' },
        arrivesAtPct: 11.5,
        papersPct: 11.5,
      },
      {
        name: 'Ferndale Sawmill',
        sells: {
          'Sitka spruce': 'British Columbia, Canada',
          mahogany: 'Fiji, plantation',
          'red alder': 'Washington, USA',
          basswood: 'Ontario, Canada',
        },
        // Its wood comes wetter than its papers say.
        arrivesAtPct: 13.5,
        papersPct: 11,
      },
    ],
    customers: ['Stock', 'Northgate Music Room', 'Quayside Strings', 'Tannery Lane Guitars', 'The Fret Cellar', 'Harbour Hall Music'],
    setsPerDay: 0.68,
    rushes: RUSHES,
    promiseDays: 94,
    lotEveryDays: 7,
    boardsFromMs: nowMs - 75 * DAY_MS,
    moistureGate: DEFAULT_MOISTURE_GATE,
    bandHalfWidthPct: 1,
    serialPattern: { template: '{YY}{DDD}{MODEL}{SEQ3}', reset: 'day' },
    scrapShare: 0.0008,
    reworkShare: 0.012,
    refusedShare: 0.06,
    trialShare: 0.02,
    wears: { characteristicId: 'pocketWidth', fromMs: nowMs - WORN_DAYS_AGO * DAY_MS, perPart: 0.006 },
    signalsUntilMs: nowMs - UNSEEN_DAYS * DAY_MS,
    houses: ['Lintel & Sons, inlays'],
  };
}
