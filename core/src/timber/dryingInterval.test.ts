import { describe, expect, test } from '@jest/globals';
import { meanEmcPct, type EmcTrace } from '../climate/index.ts';
import { seededRandom, type Random } from '../maths/index.ts';
import { aHeatedRoom, aLot, aRoom, slabCurve, trueCurve } from '../test/dryingLots.ts';
import { DAY_MS, HOUR_MS } from '../units/index.ts';
import { fitDrying, PRIOR_LOG_SD } from './dryingFit.ts';
import { climateAhead, forecastLot } from './dryingForecast.ts';

const PRIOR = { ratePerDay: 0.03, logSd: PRIOR_LOG_SD };
/** How lots really differ from what is usual for their wood. */
const SPREAD = 0.35;

const DAYS = 700;
const twelveOf = (room: (random: Random, days: number) => EmcTrace) =>
  Array.from({ length: 12 }, (_, i) => room(seededRandom(900 + i), DAYS));

interface Case {
  rooms: readonly EmcTrace[];
  dries: typeof trueCurve;
  /** how the true rates lie to the prior's */
  off: readonly number[];
  sessions: readonly [number, number];
}

/** Lots that come in at 15 % and are forecast once, on their way to the band: how many dates have an end, and how many hold. */
function outcome({ rooms, dries, off, sessions }: Case, lots: number) {
  let [held, closed, told, count] = [0, 0, 0, 0];
  for (let i = 0; count < lots; i++) {
    const random = seededRandom(5000 + i);
    const trace = random.pick(rooms);
    const untilDays = random.integer(390, 460);
    const nowMs = untilDays * DAY_MS;
    const known = { ...trace, emcPct: trace.emcPct.slice(0, untilDays * 24) };
    const every = random.integer(6, 12);
    const read = every * (random.integer(...sessions) - 1) + 1;
    const from = untilDays - read;
    const tail = { ...trace, fromMs: 0, emcPct: trace.emcPct.slice(from * 24, (untilDays + 200) * 24) };
    const usual = { ratePerDay: PRIOR.ratePerDay * random.pick(off), logSd: SPREAD };
    const lot = aLot(random, tail, usual, 15, every, read, dries);
    // Around what the room tends to over the year.
    const middle = meanEmcPct(known, nowMs - 365 * DAY_MS, nowMs);
    const band = { low: middle - 1, high: middle + 1 };
    const entered = lot.curve.findIndex((m) => m <= band.high);
    // What never enters while anyone looks says nothing of dates.
    if (entered <= read * 24) continue;
    count++;
    const { kind, ready } = forecastLot(
      fitDrying(
        lot.sessions.map((s) => ({ ...s, atMs: s.atMs + from * DAY_MS })),
        known,
        PRIOR,
      ),
      known,
      { nowMs, band, ahead: climateAhead(known, nowMs), pieceSdPct: 0.4 },
    );
    if (kind === 'too early to tell') continue;
    told++;
    const truthMs = (from * 24 + entered + 1) * HOUR_MS;
    if (ready.lateMs === null) continue;
    closed++;
    if ((ready.earlyMs ?? 0) <= truthMs && truthMs <= ready.lateMs) held++;
  }
  return { held: held / told, closed: closed / told, told: told / count };
}

const ROOMS = [
  ['held', twelveOf(aRoom)],
  ['heated from autumn to spring', twelveOf(aHeatedRoom)],
] as const;
const WAYS = [
  ['by one rate', trueCurve],
  ['as a slab', slabCurve],
] as const;
const READ = [
  ['three to six sessions', [3, 6], [1]],
  ['two sessions, under a usual rate that may be far from theirs', [2, 2], [0.6, 1, 1.7]],
] as const;
const CASES = ROOMS.flatMap(([room, rooms]) =>
  WAYS.flatMap(([way, dries]) => READ.map(([read, sessions, off]) => [room, way, read, { rooms, dries, sessions, off }] as const)),
);

describe('the 80 % interval', () => {
  test.each(CASES)('in a room that is %s, of wood that dries %s, after %s', (_room, _way, _read, it) => {
    const { held, closed, told } = outcome(it, 400);
    expect([held >= 0.75, held <= 0.85, held]).toEqual([true, true, held]);
    expect(closed).toBeGreaterThanOrEqual(0.8);
    expect(told).toBeGreaterThanOrEqual(0.8);
  });
});
