import { describe, expect, test } from '@jest/globals';
import { Batch, Job, Machine, RunTimes, visitOf, type RunTimes as Times } from '../batches/index.ts';
import { START_CHECKS } from '../factory/index.ts';
import { Cutter, LoadOrder, MoveRevision, OrderLoads, planLoads, Program, programIdOf } from '../machining/index.ts';
import { seededRandom } from '../maths/index.ts';
import { step } from '../test/parts.ts';
import { TestHouse } from '../test/house.ts';
import { DAY_MS, HOUR_MS, MINUTE_MS } from '../units/index.ts';
import { loadsAhead, PLANNED_MOST } from './loadsAhead.ts';

const ROUTE = {
  id: 'short@9',
  modelId: 'short',
  version: 9,
  operations: [
    step('cut', 'body', ['sand'], {
      stationCode: 'MC1',
      minutesPerPiece: 6,
      needs: [{ kind: 'program', what: 'sides', checked: true }],
      ways: [{ id: 'pin', name: 'By pin', stationCode: 'PIN', setupMinutes: 4, minutesPerPiece: 30 }],
    }),
    step('sand', 'body', [], { stationCode: 'BD1', minutesPerPiece: 10 }),
  ],
};
const SIDES = programIdOf({ modelId: 'short', what: 'sides', serves: [] });

const shop = () => new TestHouse(new Map([[ROUTE.id, ROUTE]]));
const ahead = (house: TestHouse, times: readonly Times[] = house.rows.all(RunTimes)) => {
  const { rows, nowMs, factory } = house;
  const time = factory.workingTime({ fromMs: nowMs - 5 * DAY_MS, toMs: nowMs + 100 * DAY_MS });
  const all = {
    batches: rows.all(Batch),
    inPass: new Map(rows.all(Batch).map((b) => [b.id, visitOf(rows, b).quantity])),
    jobs: rows.all(Job).filter((j) => j.openAt !== null),
    programs: rows.all(Program),
    times,
    cutters: rows.all(Cutter),
    machines: rows.all(Machine),
    orders: rows.all(LoadOrder),
    nowMs,
    time,
  };
  return loadsAhead(all, factory);
};
const due = (house: TestHouse, id: string, dueMs: number) => house.rows.change(Batch, id, { dueMs });

describe('what waits for the machines', () => {
  test('goes to each of them by its program, and to a bench another way', () => {
    const house = shop();
    const id = house.start('body', 3, { route: ROUTE });
    const { problem, places } = ahead(house);
    expect([...places].map(([key, p]) => [key, p.isMachine])).toEqual([
      ['MC1#1', true],
      ['MC1#2', true],
      ['PIN#1', false],
      ['PIN#2', false],
    ]);
    const [item] = problem.items;
    expect(item).toMatchObject({ id, pieces: 3, dueMinute: Infinity });
    expect(item?.ways.map((w) => [w.machineId, w.setUp.program, w.setUp.minutes, w.piecesALoad, w.minutesALoad])).toEqual([
      ['MC1#1', `${SIDES} A`, 10, 2, 12],
      ['MC1#2', `${SIDES} A`, 10, 2, 12],
      ['PIN#1', 'short/cut/pin', 4, 1, 30],
      ['PIN#2', 'short/cut/pin', 4, 1, 30],
    ]);
  });

  test('is planned as far as it is near: the earliest due, and what a person wants first', () => {
    const house = shop();
    const ids = Array.from({ length: PLANNED_MOST + 3 }, () => house.start('body', 1, { route: ROUTE }));
    ids.slice(0, 4).forEach((id) => due(house, id, house.nowMs + 90 * DAY_MS));
    const last = ids.at(-1) ?? '';
    expect(house.give(OrderLoads, { stationCode: 'MC1', bench: 1, batchIds: [last], before: [] }).kind).toBe('accept');
    const { problem, later } = ahead(house);
    expect([problem.items.length, later]).toEqual([PLANNED_MOST, 3]);
    expect(problem.items.slice(0, 5).map((i) => i.id)).toEqual([last, ...ids.slice(0, 4)]);
  });

  test('that came back goes on again with only the pieces that did, and wears cutters for them alone', () => {
    const house = shop();
    const id = house.start('body', 6, { route: ROUTE });
    const check = { machineId: 'MC1#1', revision: 'A', ticks: START_CHECKS.map((c) => c.key) };
    house.command(id, { command: 'start work', personId: 'ann', check });
    house.pass();
    const [bad] = house.live(id);
    const outcome = { pieceId: bad?.id ?? '', outcome: 'rework' as const, defect: 'tear-out', originOperationId: 'cut', note: '' };
    expect(house.command(id, { command: 'finish work', good: 5, rework: 1, scrap: 0, outcomes: [outcome] }).kind).toBe('accept');
    expect(ahead(house).problem.items).toMatchObject([{ id, pieces: 1 }]);
    expect(house.command(id, { command: 'start work', personId: 'ann', check }).kind).toBe('accept');
    expect(visitOf(house.rows, house.batch(id)).run?.pieces).toBe(1);
  });

  test('without its program goes the other way alone', () => {
    const house = shop();
    house.start('body', 3, { route: ROUTE });
    house.give(MoveRevision, { programId: SIDES, revision: 'A', to: 'withdrawn', note: 'gouges' });
    expect(ahead(house).problem.items[0]?.ways.map((w) => w.machineId)).toEqual(['PIN#1', 'PIN#2']);
  });

  test('takes as long as was observed, once enough was; until then as long as is planned', () => {
    const house = shop();
    house.start('body', 2, { route: ROUTE });
    const seen = (count: number): Times[] => [
      {
        id: 'x',
        programId: SIDES,
        revision: 'A',
        stationCode: 'MC1',
        timed: 'load',
        minutesClass: Math.round(Math.log(30 / 0.05) / Math.log(1.02)),
        count,
      },
    ];
    expect(ahead(house, seen(4)).problem.items[0]?.ways[0]?.minutesALoad).toBe(12);
    const enough = ahead(house, seen(5));
    expect(enough.problem.items[0]?.ways[0]?.minutesALoad).toBeCloseTo(30, 0);
    expect([...enough.observed]).toEqual([`${SIDES} A`]);
  });

  test('must be off in time for what is still to be done after it', () => {
    const house = shop();
    const id = house.start('body', 2, { route: ROUTE });
    // Sanding takes 20 minutes and 10 to set up: of the 60 there are, 30 are left.
    due(house, id, house.nowMs + HOUR_MS);
    expect(ahead(house).problem.items[0]?.dueMinute).toBeCloseTo(30, 5);
    due(house, id, house.nowMs - DAY_MS);
    expect(ahead(house).problem.items[0]?.dueMinute).toBe(0);
  });

  test('waits until what is on a machine is off, and finds it as it was left', () => {
    const house = shop();
    const [one, two] = [house.start('body', 4, { route: ROUTE }), house.start('body', 2, { route: ROUTE })];
    const check = { machineId: 'MC1#2', revision: 'A', ticks: START_CHECKS.map((c) => c.key) };
    expect(house.command(one, { command: 'start work', personId: 'ann', check }).kind).toBe('accept');
    house.pass(10 * MINUTE_MS);
    const { problem } = ahead(house);
    const machine = problem.machines.find((m) => m.id === 'MC1#2');
    expect(machine?.freeMinute).toBeCloseTo(24, 5);
    expect(machine?.left).toEqual({ program: `${SIDES} A`, fixture: '', cutters: [] });
    const plan = planLoads(problem, { random: seededRandom(1), rounds: 0 });
    // Changing the other machine over takes ten minutes; waiting costs nothing that counts.
    expect(plan.sequences.get('MC1#2')?.map((i) => i.id)).toEqual([two]);
  });
});

describe('an order that a person wants', () => {
  const order = (house: TestHouse, over: object) =>
    house.give(OrderLoads, { stationCode: 'MC1', bench: 1, batchIds: [], before: [], ...over });
  const said = (decision: ReturnType<typeof order>) => (decision.kind === 'refuse' ? decision.because[0]?.sentence : 'done');

  test('is kept for its machine as it was seen, and given up again', () => {
    const house = shop();
    const [one, two] = [house.start('body', 2, { route: ROUTE }), house.start('body', 2, { route: ROUTE })];
    expect(said(order(house, { stationCode: 'XX' }))).toBe('There is no machine at XX');
    expect(said(order(house, { bench: 3 }))).toBe('MC1 has no machine 3');
    expect(said(order(house, { batchIds: [one, one] }))).toBe('A batch is named twice');
    expect(said(order(house, { stationCode: 'BD1', batchIds: [one] }))).toBe(`cut of ${one} is not done at BD1`);
    expect(said(order(house, { batchIds: [two, one] }))).toBe('done');
    expect(said(order(house, { batchIds: [two, one], before: [two, one] }))).toBe('That is the order already');
    expect(said(order(house, { batchIds: [one] }))).toBe(`Somebody else has said what goes first here: ${two}, ${one}`);
    const plan = planLoads(ahead(house).problem, { random: seededRandom(1), rounds: 0 });
    expect(plan.sequences.get('MC1#1')?.map((i) => i.id)).toEqual([two, one]);
    expect(said(order(house, { before: [two, one] }))).toBe('done');
    expect(house.rows.all(LoadOrder)).toEqual([]);
  });
});
