import {
  DAY_MS,
  DEFAULT_MOISTURE_GATE,
  seededRandom,
  shiftWindows,
  WorkingTime,
  type Interval,
  type Scenario,
  type WorkWeek,
} from '@ample-crane/core';
import { roomAir } from '@ample-crane/devices';
import dayjs from 'dayjs';
import timezone from 'dayjs/plugin/timezone.js';
import utc from 'dayjs/plugin/utc.js';
import { DEMO_WEATHER_SEED } from '../platform/settings/demo.ts';
import { DEMO_MODELS } from './models.ts';
import { DEMO_PEOPLE } from './people.ts';
import { DEMO_STATIONS, DEMO_ZONES } from './stations.ts';

dayjs.extend(utc);
dayjs.extend(timezone);

export const DEMO_SEED = 20_260_417;
export const WOOD_HISTORY_DAYS = 730;
export const FLOOR_HISTORY_DAYS = 150;
/** When one of the two buffing wheels went out of use: since then buffing holds the line. */
const WHEEL_LOST_DAYS_AGO = 30;

export const DEMO_WORK_WEEK: WorkWeek = {
  timeZone: 'Europe/Dublin',
  days: [1, 2, 3, 4, 5],
  startsAt: '07:00',
  endsAt: '15:30',
  holidays: [],
};

export function demoClimate(zoneId: string, atMs: number) {
  const zone = DEMO_ZONES.find((z) => z.id === zoneId);
  if (!zone) throw new Error(`No zone ${zoneId}`);
  return roomAir(zone, atMs, DEMO_WEATHER_SEED);
}

/** Weeks away, spread over the year; one person in each dozen working days. */
export function demoAbsences(personIndex: number, nowMs: number): Interval[] {
  const random = seededRandom(DEMO_SEED).fork(`away ${personIndex}`);
  const first = nowMs - FLOOR_HISTORY_DAYS * DAY_MS;
  const weeks = Array.from({ length: 2 }, () => first + random.integer(0, FLOOR_HISTORY_DAYS) * DAY_MS);
  return weeks.map((fromMs) => ({ fromMs, toMs: fromMs + 5 * DAY_MS }));
}

/** Heron Lane Works as it has run until now. */
export function demoScenario(nowMs: number): Scenario {
  const woodFromMs = nowMs - WOOD_HISTORY_DAYS * DAY_MS;
  return {
    seed: DEMO_SEED,
    woodFromMs,
    floorFromMs: nowMs - FLOOR_HISTORY_DAYS * DAY_MS,
    nowMs,
    // What came free since last night, and the lots read this week, wait for the manager's own decision.
    movesUntilMs: dayjs(nowMs).tz(DEMO_WORK_WEEK.timeZone).startOf('day').valueOf(),
    releasesUntilMs: nowMs - 9 * DAY_MS,
    time: new WorkingTime(shiftWindows(woodFromMs, nowMs + 60 * DAY_MS, DEMO_WORK_WEEK)),
    timeZone: DEMO_WORK_WEEK.timeZone,
    models: DEMO_MODELS.map((m) => ({ ...m, routeId: m.route.id })),
    routes: new Map(DEMO_MODELS.map((m) => [m.route.id, m.route])),
    stations: DEMO_STATIONS.map((s) => ({
      code: s.code,
      zoneId: s.zoneId,
      benches:
        s.code === 'FN5'
          ? [
              { fromMs: 0, count: 2 },
              { fromMs: nowMs - WHEEL_LOST_DAYS_AGO * DAY_MS, count: 1 },
            ]
          : [{ fromMs: 0, count: s.places }],
    })),
    people: DEMO_PEOPLE.map((p, i) => ({
      id: p.login,
      skills: p.skills,
      away: p.skills.length > 0 ? demoAbsences(i, nowMs) : [],
    })),
    climate: demoClimate,
    woodRoomZoneId: 'wood',
    shedZoneId: 'shed',
    suppliers: [
      {
        name: 'Calder Timber Yard',
        sells: { 'sugar maple': 'Vermont, USA', 'red alder': 'Oregon, USA', 'black walnut': 'Indiana, USA', basswood: 'Michigan, USA' },
        arrivesAtPct: 11,
      },
      { name: 'Port Road Hardwoods', sells: { mahogany: 'Belize, certified', 'black walnut': 'Missouri, USA' }, arrivesAtPct: 11.5 },
      {
        name: 'Ferndale Sawmill',
        sells: {
          'Sitka spruce': 'British Columbia, Canada',
          mahogany: 'Fiji, plantation',
          'red alder': 'Washington, USA',
          basswood: 'Ontario, Canada',
        },
        arrivesAtPct: 13.5,
      },
    ],
    customers: ['Stock', 'Northgate Music Room', 'Quayside Strings', 'Tannery Lane Guitars', 'The Fret Cellar', 'Harbour Hall Music'],
    setsPerDay: 0.95,
    promiseDays: 62,
    lotEveryDays: 8,
    moistureGate: DEFAULT_MOISTURE_GATE,
    bandHalfWidthPct: 1,
    serialPattern: { template: '{YY}{DDD}{MODEL}{SEQ3}', reset: 'day' },
    scrapShare: 0.002,
    reworkShare: 0.012,
  };
}
