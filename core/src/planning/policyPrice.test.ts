import { describe, expect, test } from '@jest/globals';
import { seededRandom, shiftWindows, WorkingTime, type WorkWeek } from '../maths/index.ts';
import { NO_FACTS, type Operation, type Route } from '../routing/index.ts';
import { testFactory } from '../test/factory.ts';
import { step, wait } from '../test/parts.ts';
import { DAY_MS, HOUR_MS, MINUTE_MS } from '../units/index.ts';
import { ENOUGH_BATCHES, policyFigures, priceInWords, type HousePolicy, type PolicyWorld } from './index.ts';

// A Monday, an hour before work.
const FROM = Date.parse('2026-06-29T06:00:00Z');
const WEEK: WorkWeek = { timeZone: 'UTC', days: [1, 2, 3, 4, 5], startsAt: '07:00', endsAt: '15:00', holidays: [] };
const WORLD: PolicyWorld = {
  facts: NO_FACTS,
  perWeek: 10,
  time: new WorkingTime(shiftWindows(FROM - DAY_MS, FROM + 200 * DAY_MS, WEEK)),
  fromMs: FROM,
  glues: testFactory(new Map(), []),
  recordOf: () => undefined,
};
const routeOf = (...operations: Operation[]): Route => ({ id: 'r@1', modelId: 'r', version: 1, operations });
const policy = (route: Route, over: Partial<HousePolicy> = {}): HousePolicy => ({
  route,
  batchSize: 5,
  waits: 'as asked',
  machining: 'as routed',
  ...over,
});
const SHIP = step('ship', 'instrument', [], { kind: 'dispatch', setupMinutes: 0, minutesPerPiece: 0 });
const waiting = (hours: number) => routeOf(step('cut', 'instrument', ['rest']), wait('rest', 'instrument', ['ship'], hours), SHIP);

/** The same mean, minute by minute: when is it ready, is it another day where that is asked, is somebody there. */
function meanStayHours(waitMs: number, overnight: boolean): number {
  const { time } = WORLD;
  const [begun, ended] = [time.position(FROM), time.position(FROM + 14 * DAY_MS)];
  const stays = Array.from({ length: 40 }, (_, i) => {
    const start = time.instant(begun + ((i + 0.5) * (ended - begun)) / 40);
    const day = (ms: number) => Math.floor(ms / DAY_MS);
    let at = start;
    while (at < start + waitMs || !time.isWorking(at) || (overnight && day(at) === day(start))) at += MINUTE_MS;
    return at - start;
  });
  return stays.reduce((a, b) => a + b, 0) / stays.length / HOUR_MS;
}

describe('the price of a policy', () => {
  test('work a week is set up once a batch and done for each piece', () => {
    // 10 instruments at 5 minutes each, set up for 10 minutes by fives: 70 minutes; by tens 60.
    expect(policyFigures(policy(waiting(48)), WORLD).touchHours).toBeCloseTo(70 / 60, 12);
    expect(policyFigures(policy(waiting(48), { batchSize: 10 }), WORLD)).toMatchObject({
      stations: [
        { stationCode: 'S-cut', hours: 1 },
        { stationCode: 'S-ship', hours: 0 },
      ],
      planned: ['cut'],
      logged: [],
    });
  });
  test.each([
    [0.75, 'as asked' as const],
    [0.75, 'overnight' as const],
    [14, 'as asked' as const],
    [30, 'overnight' as const],
  ])('a wait of %p h, %s, lasts until somebody is there; what lies there is the rate by that time', (hours, waits) => {
    const { waits: lying } = policyFigures(policy(waiting(hours), { waits }), WORLD);
    const expected = meanStayHours(hours * HOUR_MS, waits === 'overnight');
    // Minutes are counted whole on the other side.
    expect(Math.abs((lying[0]?.hours ?? 0) - expected)).toBeLessThan(1 / 60);
    expect(lying[0]?.pieces).toBeCloseTo((10 * (lying[0]?.hours ?? 0)) / 168, 12);
  });
  test('a loop is gone round as often as it is counted', () => {
    const route = routeOf(
      step('bind', 'instrument', ['set']),
      wait('set', 'instrument', ['ship'], 0.5, { repeat: { kind: 'count', backTo: 'bind', times: 2 } }),
      SHIP,
    );
    expect(policyFigures(policy(route), WORLD).touchHours).toBeCloseTo(140 / 60, 12);
    expect(policyFigures(policy(route, { waits: 'overnight' }), WORLD).waits[0]?.hours).toBeGreaterThan(40);
  });
  test('the slower of two streams is what an instrument takes', () => {
    const route = routeOf(
      step('body', 'body', ['fit'], { setupMinutes: 0, minutesPerPiece: 6 }),
      step('neck', 'neck', ['rest'], { setupMinutes: 0, minutesPerPiece: 6 }),
      wait('rest', 'neck', ['fit'], 7 * 24),
      step('fit', 'instrument', ['ship'], { kind: 'fit', setupMinutes: 0, minutesPerPiece: 0 }),
      SHIP,
    );
    const { leadDays, waitDays } = policyFigures(policy(route), WORLD);
    // Half an hour of work, and a week to the same hour of the day.
    expect(waitDays).toBeCloseTo(7, 1);
    expect(leadDays).toBeGreaterThan(waitDays);
    expect(leadDays).toBeLessThan(7.6);
  });
  test('without programs, what one does is done in its other way; where there is none it is told', () => {
    const needs = [{ kind: 'program' as const, what: 'Side one' }];
    const route = routeOf(
      step('carve', 'instrument', ['slot'], {
        needs,
        ways: [{ id: 'pin', name: 'By pin', stationCode: 'PIN', setupMinutes: 0, minutesPerPiece: 30 }],
      }),
      step('slot', 'instrument', ['ship'], { needs }),
      SHIP,
    );
    const figures = policyFigures(policy(route, { machining: 'without programs' }), WORLD);
    expect(figures.onlyByProgram).toEqual(['slot']);
    expect(figures.stations[0]).toEqual({ stationCode: 'PIN', hours: 5 });
    expect(policyFigures(policy(route), WORLD).onlyByProgram).toEqual([]);
  });
  test('minutes are as logged where enough is on record', () => {
    const recorded = (batches: number) =>
      policyFigures(policy(waiting(48)), {
        ...WORLD,
        recordOf: (id) => (id === 'cut' ? { batches, loadS: 3600, touchS: 4320 } : undefined),
      });
    expect(recorded(ENOUGH_BATCHES)).toMatchObject({ logged: ['cut'], planned: [] });
    expect(recorded(ENOUGH_BATCHES).touchHours).toBeCloseTo((1.2 * 70) / 60, 12);
    expect(recorded(ENOUGH_BATCHES - 1)).toMatchObject({ logged: [], planned: ['cut'] });
    expect(recorded(ENOUGH_BATCHES - 1).touchHours).toBeCloseTo(70 / 60, 12);
  });
  test('to wait overnight is never quicker, and takes no work', () => {
    const random = seededRandom(29);
    for (let i = 0; i < 60; i++) {
      const route = routeOf(
        step('a', 'instrument', ['b'], { setupMinutes: random.integer(0, 60), minutesPerPiece: random.integer(0, 90) }),
        wait('b', 'instrument', ['c'], random.integer(0, 300) / 10),
        step('c', 'instrument', ['d']),
        wait('d', 'instrument', ['ship'], random.integer(0, 30) / 10),
        SHIP,
      );
      const [own, overnight] = [policyFigures(policy(route), WORLD), policyFigures(policy(route, { waits: 'overnight' }), WORLD)];
      expect(overnight.leadDays).toBeGreaterThanOrEqual(own.leadDays - 1e-9);
      expect(overnight.waitingPieces).toBeGreaterThanOrEqual(own.waitingPieces - 1e-9);
      expect(overnight.touchHours).toBe(own.touchHours);
      expect(own.leadDays).toBeGreaterThanOrEqual(own.waitDays);
    }
  });
  test('a house that never rests waits a day for its night', () => {
    const always = new WorkingTime([{ fromMs: FROM - DAY_MS, toMs: FROM + 300 * DAY_MS }]);
    const { waits } = policyFigures(policy(waiting(1), { waits: 'overnight' }), { ...WORLD, time: always });
    expect(waits[0]?.hours).toBe(24);
  });
  test('what is nothing has no price', () => {
    expect(() => policyFigures(policy(waiting(1), { batchSize: 0 }), WORLD)).toThrow(RangeError);
    expect(() => policyFigures(policy(waiting(1)), { ...WORLD, perWeek: 0 })).toThrow(RangeError);
  });
});

describe('in words', () => {
  const figures = policyFigures(policy(waiting(48)), WORLD);
  test('what changes is told, and what does not is left out', () => {
    const other = {
      ...figures,
      touchHours: figures.touchHours + 1.25,
      waitingPieces: figures.waitingPieces - 12.4,
      leadDays: figures.leadDays - 1,
    };
    expect(priceInWords(figures, other)).toBe(
      'The second takes 1.3 h of work a week more, 12 places fewer for what waits, 1.0 day less from the first start to the last step.',
    );
    expect(priceInWords(figures, { ...figures, waitingPieces: figures.waitingPieces + 1 })).toBe(
      'The second takes 1 place more for what waits.',
    );
    expect(priceInWords(figures, figures)).toBe('The two come to the same.');
  });
});
